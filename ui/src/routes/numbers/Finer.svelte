<script lang="ts">
  // What can be asked of the numbers besides the knots: for a place, for the whole,
  // of the shelf, not again; and the choices that the class keeps.
  import { onMount } from 'svelte';
  import { api } from '../../lib/api';
  import { newId } from '../../lib/id';
  import Plain from '../../lib/parts/Plain.svelte';
  import Sides from '../../lib/parts/Sides.svelte';
  import Mark from '../../lib/pieces/Mark.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, guarded, saved, shared, troubleOf } from '../../lib/state.svelte';
  import type {
    Ask,
    Choose,
    Chosen,
    KeptChoice,
    KeptChoices,
    Trouble,
    Words,
  } from '../../lib/wire.gen';

  let {
    chosen,
    ask,
    words,
    hand,
    who,
    onask,
    ontake,
  }: {
    chosen: Chosen;
    ask: Choose;
    words: Words;
    hand: string;
    who: string[]; // the names of those who come; nobody means the whole class
    onask: (next: Choose) => void;
    ontake: (choice: Choose) => void;
  } = $props();

  // svelte-ignore state_referenced_locally
  let at = $state(hand);
  let kept = $state<KeptChoice[]>([]);
  let name = $state('');
  let trouble = $state<Trouble>();

  const places = $derived(chosen.lanes.map((l) => l.place).reverse());
  const place = $derived(places.includes(at) ? at : 'ones');
  const many = (p: string): string => words.places.find((x) => x.id === p)?.many ?? p;
  const here = $derived(chosen.finer.filter((a) => a.place === place));
  const whole = $derived(chosen.finer.filter((a) => !a.place && a.id !== 'zeros'));
  const DAYS = [
    { value: '0', name: 'any' },
    { value: '7', name: 'week' },
    { value: '30', name: 'month' },
    { value: '90', name: 'three months' },
  ];
  const DRAWN = [
    { value: 'false', name: 'drawn by chance' },
    { value: 'true', name: 'an even mix' },
  ];
  const SHELF = ['ones', 'tens', 'hundreds', 'thousands'];

  function set(a: Ask, value: string): void {
    const next = { ...ask } as Record<string, unknown>;
    if (a.id === 'by' || a.id === 'most') next[a.id] = Number(value);
    else if (a.id === 'gives') {
      const gives = { ...ask.gives };
      if (value === '0') delete gives[a.place!];
      else gives[a.place!] = Number(value);
      next.gives = gives;
    } else if (a.place) {
      const wishes = { ...((next[a.id] as Record<string, string> | undefined) ?? {}) };
      if (value === 'any') delete wishes[a.place];
      else wishes[a.place] = value;
      next[a.id] = wishes;
    } else next[a.id] = value;
    onask(next as unknown as Choose);
  }
  function limit(p: string, text: string): void {
    const n = Number(text);
    const next = { ...ask.limit };
    if (text.trim() === '') delete next[p];
    else if (Number.isInteger(n) && n > 0 && n <= shared.desk!.limits.shelf) next[p] = n;
    else {
      trouble = {
        type: 'about:blank',
        title: `“${text}” is not a number`,
        status: 0,
        field: 'limit',
        remedy: 'Write how many there are, or leave it empty for no limit.',
      };
      return;
    }
    trouble = undefined;
    onask({ ...ask, limit: next });
  }

  const load = async (): Promise<void> => {
    kept = (await guarded(api<KeptChoices>('GET', classPath('/kept')))).list;
  };
  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const body = { id: newId(), name, says: '', fits: true, choice: ask };
    try {
      kept = (await saved(api<KeptChoices>('POST', classPath('/kept'), body))).list;
      shared.said = `${name} is kept`;
      name = '';
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function drop(k: KeptChoice): Promise<void> {
    try {
      kept = (await saved(api<KeptChoices>('DELETE', classPath(`/kept/${k.id}`)))).list;
      shared.said = `${k.name} is dropped`;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  onMount(() => void load().catch((error) => (trouble = troubleOf(error))));
</script>

{#snippet sides(a: Ask)}
  <div class="wish">
    <span class="name" id="wish-{a.id}{a.place ?? ''}">{a.name}</span>
    <Sides
      labelledby="wish-{a.id}{a.place ?? ''}"
      sides={a.sides}
      now={a.now}
      onset={(value) => set(a, value)}
    />
  </div>
{/snippet}

<div class="finer scroll">
  <section>
    <div class="places">
      <Sides
        label="Options for the place"
        sides={places.map((p) => ({ value: p, name: many(p) }))}
        now={place}
        onset={(p) => (at = p)}
      />
    </div>
    {#each here as a (a.id)}{@render sides(a)}{:else}
      <p class="small">There are no more options for the {many(place)}.</p>
    {/each}
    {#each whole as a (a.id)}{@render sides(a)}{/each}
  </section>
  <section>
    <h2>Pieces you have</h2>
    <div class="stock">
      {#each SHELF as p (p)}
        <label>
          <span class="of" style:color="var(--{p}-ink)"
            ><Mark place={p} size={14} />{words.places.find((x) => x.id === p)?.unit}</span
          >
          <input
            class="kid"
            aria-label="How many {many(p)} you have"
            inputmode="numeric"
            autocomplete="off"
            value={ask.limit?.[p] ?? ''}
            placeholder="–"
            aria-invalid={trouble?.field === 'limit'}
            onchange={(e) => limit(p, e.currentTarget.value)}
          />
        </label>
      {/each}
      <label>
        <span>groups</span>
        <select
          class="kid"
          value={ask.groups || 1}
          onchange={(e) => onask({ ...ask, groups: Number(e.currentTarget.value) })}
        >
          {#each { length: 12 }, i (i)}<option value={i + 1}>{i + 1}</option>{/each}
        </select>
      </label>
    </div>
    <div class="wish">
      <span class="name" id="not-again"
        >Not used by {who.length ? who.join(', ') : 'the class'} in the last</span
      >
      <Sides
        labelledby="not-again"
        sides={DAYS}
        now={String(ask.days ?? 0)}
        onset={(days) => onask({ ...ask, days: Number(days) })}
      />
    </div>
    <div class="wish">
      <span class="name" id="how-drawn">The twelve are</span>
      <Sides
        labelledby="how-drawn"
        sides={DRAWN}
        now={String(!!ask.spread)}
        onset={(spread) => onask({ ...ask, spread: spread === 'true' })}
      />
    </div>
    <h2>Saved choices of the class</h2>
    <form onsubmit={keep} novalidate>
      <label for="keep-as">Save this one as</label>
      <input
        id="keep-as"
        maxlength={shared.desk!.limits.choice}
        autocomplete="off"
        bind:value={name}
      />
      <Plain type="submit" disabled={!name.trim()}>Save</Plain>
    </form>
    {#if trouble}<Wrong {trouble} />{/if}
    <ul>
      {#each kept as k (k.id)}
        <li>
          <button class="take" disabled={!k.fits} onclick={() => ontake(k.choice)}>
            <b>{k.name}</b>
            <span class="small">{k.says}</span>
          </button>
          <button class="drop" aria-label="Delete {k.name}" onclick={() => drop(k)}>delete</button>
        </li>
      {:else}
        <li class="small">None saved yet.</li>
      {/each}
    </ul>
  </section>
</div>

<style>
  .finer {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    align-content: start;
    gap: 0 24px;
    overflow: auto;
    padding-bottom: var(--s3);
  }
  h2 {
    margin: var(--s2) 0 2px;
  }
  .wish {
    margin-bottom: 6px;
  }
  .name {
    display: block;
    font-size: var(--t1);
    line-height: 20px;
    font-weight: 600;
    color: var(--ink-2);
  }
  .places {
    margin-bottom: var(--s2);
  }
  .stock {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-bottom: var(--s2);
  }
  .of {
    display: flex;
    align-items: center;
    gap: 4px;
  }
  .stock label {
    flex: 1;
    min-width: 44px;
    font-size: var(--t1);
    font-weight: 600;
  }
  input,
  select {
    width: 100%;
    min-width: 0;
    height: 44px;
    padding: 0 8px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 17px;
  }
  input[aria-invalid='true'] {
    border-color: var(--clay);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px;
  }
  form label {
    flex: none;
    font-size: var(--t1);
  }
  form input {
    flex: 1 1 120px;
  }
  li {
    display: flex;
    align-items: center;
    gap: 6px;
    border-bottom: 1px solid var(--line);
  }
  .take {
    flex: 1;
    min-height: 48px;
    padding: 4px 0;
    line-height: 19px;
  }
  .take:hover:not(:disabled) b {
    text-decoration: underline;
  }
  .take span {
    display: block;
  }
  .drop {
    min-height: 44px;
    min-width: 44px;
    padding: 0 6px;
    color: var(--clay-ink);
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  @media (max-width: 1100px) {
    .finer {
      grid-template-columns: minmax(0, 1fr);
    }
    .stock label {
      min-width: 56px;
    }
  }
  @media (max-width: 700px) {
    .finer {
      overflow: visible;
    }
  }
</style>
