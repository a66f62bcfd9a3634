<script lang="ts">
  // Who comes to the mat: one to four children, in the order of their turns, or
  // nobody, to practise alone.
  import type { Learner, Role } from '../../lib/wire.gen';

  let {
    learners,
    seated,
    roles,
    turns,
    seats,
    may,
    apart,
    onseat,
    onwhole,
    choosing = $bindable(),
  }: {
    learners: Learner[];
    seated: Learner[];
    roles: Role[];
    turns: string; // how the turn goes round
    seats: number;
    may: boolean;
    apart: string[]; // who of them are not to sit together
    onseat: (ids: string[]) => Promise<void>;
    onwhole: () => void; // all come who are here, each with a slate
    choosing: boolean;
  } = $props();

  /** As touched last, while it is on its way: the next touch adds to it. */
  let wanted = $state.raw<string[]>();
  const ids = $derived(wanted ?? seated.map((c) => c.id));

  async function toggle(id: string): Promise<void> {
    const mine = ids.includes(id) ? ids.filter((other) => other !== id) : [...ids, id];
    wanted = mine;
    await onseat(mine);
    if (wanted === mine) wanted = undefined;
  }
</script>

<div class="head">
  <h1>{choosing ? 'Who comes?' : 'Who does what'}</h1>
  {#if may}
    <button onclick={() => (choosing = !choosing)}>{choosing ? 'done' : 'change'}</button>
  {/if}
</div>
{#each apart as warning (warning)}<p class="apart private" role="status">{warning}</p>{/each}
{#if choosing}
  <p class="small">one to four children, or none to practise alone</p>
  {#if may}<button class="act" onclick={onwhole}>The whole class, with slates</button>{/if}
  <div class="names" role="group" aria-label="Children">
    {#each learners as child (child.id)}
      {@const seat = ids.indexOf(child.id)}
      <button
        class="kid"
        aria-pressed={seat >= 0}
        disabled={seat < 0 && ids.length >= seats}
        onclick={() => void toggle(child.id)}
        >{#if seat >= 0}<b>{seat + 1}</b>{/if}<span class="private">{child.name}</span></button
      >
    {/each}
  </div>
{:else if roles.length}
  <ol>
    {#each roles as role, i (role.name)}
      <li>
        <span class="seat kid">{i + 1}</span>
        <span><b class="private">{role.name}</b><br />{role.does}</span>
      </li>
    {/each}
  </ol>
  {#if turns}<p class="small">{turns}</p>{/if}
{:else}
  <p class="small">Practice on your own: no children, and nothing is recorded.</p>
{/if}

<style>
  .apart {
    padding: 6px 8px;
    border-left: 4px solid var(--clay);
    color: var(--clay-ink);
    line-height: 20px;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
  }
  .head button {
    min-height: 44px;
    padding: 0 var(--s2);
    color: var(--leaf);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .names {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(84px, 1fr));
    gap: 2px;
    margin: 6px -8px 0;
  }
  .names button {
    min-height: 44px;
    padding: 0 4px;
    border: 1.5px solid var(--none);
    border-radius: var(--r2);
    font-size: 15px;
    line-height: 18px;
    text-align: center;
    overflow-wrap: anywhere;
  }
  .names button:hover:not(:disabled) {
    border-color: var(--edge);
  }
  .names button[aria-pressed='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 700;
  }
  .names button:disabled {
    color: #6a746e;
  }
  .names b {
    margin-right: 4px;
    color: var(--leaf);
  }
  @media (max-width: 900px) {
    .names {
      grid-template-columns: repeat(auto-fill, minmax(100px, 1fr));
      margin: 0;
    }
    ol {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
      gap: 0 var(--s4);
    }
  }
  li {
    display: grid;
    grid-template-columns: 36px 1fr;
    align-items: center;
    gap: var(--s3);
    margin-bottom: var(--s2);
    line-height: 20px;
  }
  .seat {
    display: grid;
    place-items: center;
    width: 34px;
    height: 34px;
    border: 2px solid var(--leaf);
    border-radius: 50%;
    font-weight: 700;
  }
</style>
