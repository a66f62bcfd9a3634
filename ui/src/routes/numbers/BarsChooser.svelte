<script lang="ts">
  // Chains or number rods: rows of what can be chosen, the exact count, and a hand of twelve.
  import BarsRow from '../../lib/bars/BarsRow.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import type { BarsRow as Row, ChosenBars, Sum, Trouble } from '../../lib/wire.gen';
  import { along } from './hand';

  let {
    chosen,
    trouble,
    picked,
    onwant,
    onagain,
    onpick,
    onredraw,
  }: {
    chosen: ChosenBars;
    trouble?: Trouble;
    picked?: Sum;
    onwant: (row: string, ids: string[]) => void;
    onagain: () => void; // also what was laid lately
    onpick: (s: Sum) => void;
    onredraw: () => void;
  } = $props();

  const TWELVE = 12;
  /** The last of a row stays: nothing would be left to ask. */
  function turn(row: Row, id: string): void {
    if (row.single) return onwant(row.id, [id]);
    const on = row.options.filter((o) => o.on).map((o) => o.id);
    const next = on.includes(id) ? on.filter((x) => x !== id) : [...on, id];
    if (next.length) onwant(row.id, next);
  }
  let group = $state<HTMLElement>();
  const at = $derived(chosen.problems.findIndex((p) => p.text === picked?.text));
  const arrows = (event: KeyboardEvent): void => along(event, group!, chosen.problems, at, onpick);
</script>

<div class="rows">
  {#each chosen.rows as row (row.id)}
    <div>
      <h2 id="row-{row.id}">{row.name}</h2>
      <div class="row" role="group" aria-labelledby="row-{row.id}">
        {#each row.options as o (o.id)}
          <button class:kid={o.name.length < 3} aria-pressed={o.on} onclick={() => turn(row, o.id)}
            >{o.name}</button
          >
        {/each}
      </div>
    </div>
  {/each}
</div>
<div class="bar">
  <p class="fits kid" data-fits={chosen.fits} class:none={chosen.left === 0}>{chosen.left}</p>
  <p class="label">
    {chosen.left === 1 ? 'question fits' : 'questions fit'}, {chosen.problems.length === TWELVE
      ? 'twelve of them'
      : chosen.problems.length
        ? 'all of them'
        : 'none of them'} here
  </p>
  {#if chosen.left < chosen.fits}
    <Plain onclick={onagain}>Also those laid lately</Plain>
  {/if}
  <Plain disabled={chosen.left <= TWELVE} onclick={onredraw}>Draw twelve more</Plain>
</div>
{#if trouble}<Wrong {trouble} />{/if}
{#if !chosen.fits}
  <p class="nothing">
    Nothing is like this as far as the class’s numbers go. Touch another bar, or another way of
    asking.
  </p>
{/if}
<div
  class="hand"
  role="radiogroup"
  aria-label="Questions to choose from"
  data-hand
  bind:this={group}
>
  {#each chosen.problems as sum, i (sum.text)}
    <button
      role="radio"
      aria-checked={i === at}
      tabindex={i === Math.max(at, 0) ? 0 : -1}
      onclick={() => onpick(sum)}
      onkeydown={arrows}
    >
      <BarsRow {sum} width={150} most={9} />
      <span class="kid">{sum.said}</span>
    </button>
  {/each}
</div>

<style>
  h2 {
    margin: 2px 0;
  }
  .rows {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 24px;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 5px;
  }
  .row button {
    min-width: 44px;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    text-align: center;
  }
  .row button.kid {
    font-size: 22px;
  }
  .row button[aria-pressed='true'] {
    border-color: var(--leaf);
    border-bottom-width: 4px;
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    margin: 8px 0 4px;
  }
  .fits {
    font-size: var(--t5);
    font-weight: 700;
    line-height: 48px;
  }
  .none {
    color: var(--clay-ink);
  }
  .label {
    flex: 1;
  }
  .nothing {
    margin: 8px 0;
  }
  .hand {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: repeat(4, minmax(0, 1fr));
    grid-auto-rows: minmax(88px, auto);
    gap: 4px 8px;
    overflow-y: auto;
  }
  .hand button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 8px;
    padding: 6px;
    border: 2.5px solid var(--none);
    border-radius: var(--r2);
    font-size: 18px;
  }
  .hand button:hover {
    border-color: var(--line);
  }
  .hand button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--sheet);
  }
  .hand :global(svg) {
    max-width: 100%;
  }
  @media (max-width: 1100px) {
    .hand {
      grid-template-columns: repeat(3, minmax(0, 1fr));
    }
  }
  @media (max-width: 700px) {
    .hand {
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      overflow: visible;
    }
  }
</style>
