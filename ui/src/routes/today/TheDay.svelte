<script lang="ts">
  // What the day has: who is here, how many minutes for lessons, and how many adults help.
  import { api } from '../../lib/api';
  import { classPath, saved, shared, troubleOf } from '../../lib/state.svelte';
  import type { SetAway, SetDay, Today, Trouble } from '../../lib/wire.gen';

  let {
    morning,
    onnew,
    ontrouble,
  }: {
    morning: Today;
    onnew: (morning: Today) => void;
    ontrouble: (trouble: Trouble | undefined) => void;
  } = $props();

  const learners = $derived(shared.desk!.learners);
  const MINUTES = [0, 10, 15, 20, 30, 40, 50, 60, 75, 90, 120];
  const HELPERS = ['nobody helps', 'one adult helps', 'two help', 'three help'];
  let touches = 0;
  /** Of quick touches the last answer counts. */
  async function put(path: string, body: SetAway | SetDay, says: string): Promise<void> {
    const mine = ++touches;
    try {
      const got = await saved(api<Today>('PUT', classPath(path), body));
      if (mine === touches) onnew(got);
      shared.said = says;
      ontrouble(undefined);
    } catch (error) {
      ontrouble(troubleOf(error));
    }
  }
  const setAway = (id: string, name: string, away: boolean): void =>
    void put('/away', { learner: id, away }, away ? `${name} is away today` : `${name} is here`);
  function setDay(change: Partial<SetDay>): void {
    const { minutes, helpers } = morning;
    void put('/day', { minutes, helpers, ...change }, 'The lessons are planned anew');
  }
</script>

<details class="here">
  <summary>
    {morning.away.length
      ? `${learners.length - morning.away.length} of ${learners.length} are here`
      : 'All are here'}
  </summary>
  <p class="small">Touch who is away today: no lesson is suggested for them.</p>
  <ul>
    {#each learners as c (c.id)}
      {@const away = morning.away.includes(c.id)}
      <li>
        <button class="kid" aria-pressed={away} onclick={() => setAway(c.id, c.name, !away)}
          >{c.name}{#if away}<span class="small gone">away</span>{/if}</button
        >
      </li>
    {/each}
  </ul>
</details>
<div class="day">
  <select
    aria-label="Minutes for lessons"
    value={String(morning.minutes)}
    onchange={(e) => setDay({ minutes: Number(e.currentTarget.value) })}
  >
    {#each MINUTES.includes(morning.minutes) ? MINUTES : [...MINUTES, morning.minutes] as n (n)}
      <option value={String(n)}>{n === 0 ? 'time not set' : `${n} minutes`}</option>
    {/each}
  </select>
  <select
    aria-label="Adults who help"
    value={String(morning.helpers)}
    onchange={(e) => setDay({ helpers: Number(e.currentTarget.value) })}
  >
    {#each HELPERS as name, n (n)}<option value={String(n)}>{name}</option>{/each}
  </select>
</div>

<style>
  summary {
    display: flex;
    align-items: center;
    min-height: 44px;
    color: var(--leaf);
    font-weight: 650;
    cursor: pointer;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(84px, 1fr));
    gap: 4px;
  }
  li button {
    width: 100%;
    min-height: 44px;
    padding: 2px 6px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    background: var(--sheet);
    line-height: 18px;
  }
  .gone {
    display: block;
  }
  li button[aria-pressed='true'] {
    border-style: dashed;
    background: none;
    color: var(--ink-2);
  }
  .day {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
  select {
    flex: 1 1 auto;
    min-height: 44px;
    padding: 0 8px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: 400 var(--t1) var(--text);
    color: var(--ink);
  }
</style>
