<script lang="ts">
  // The written column: digits lined up by place, what came up above, the place
  // at work on a white stave, the children's names under their places.
  import type { Cell, PlaceWords } from '../wire.gen';
  import Mark from './Mark.svelte';

  let {
    places,
    words,
    cells,
    due = [],
    rows,
    now = '',
    names = {},
    cell = 56,
    size = 46,
    heads = true,
    carried = 'above',
    sign = '+',
  }: {
    places: string[]; // highest first
    words: PlaceWords[];
    cells: Cell[];
    due?: Cell[]; // what the next step will write
    rows: number;
    now?: string;
    names?: Record<string, string>;
    cell?: number;
    size?: number;
    heads?: boolean;
    sign?: string;
    carried?: string; // where what comes up is written: above, under or beside
  } = $props();

  /** The rows of the grid: under the last number there is one more. */
  const under = $derived(carried === 'under' ? 1 : 0);

  const find = (list: Cell[], role: string, place: string, row = 0): number | undefined =>
    list.findLast((c) => c.role === role && c.place === place && c.row === row)?.digit;
  /** A digit of a number: of an addend, or of the larger and the smaller one. */
  const digit = (place: string, row: number): number | undefined =>
    find(cells, 'addend', place, row) ?? find(cells, row === 0 ? 'larger' : 'smaller', place, row);
  const changed = $derived(cells.some((c) => c.role === 'changed'));
  const unit = (place: string): number => words.find((w) => w.id === place)?.unit ?? 1;
  const named = $derived(Object.keys(names).length > 0);
  const text = $derived.by(() => {
    const line = (role: string, row: number): string =>
      places
        .map((p) => (role === 'result' ? find(cells, role, p, row) : digit(p, row)) ?? '')
        .join('');
    const addends = Array.from({ length: rows }, (_, r) => line('addend', r)).filter(Boolean);
    return `${addends.join(sign === '+' ? ' plus ' : ' minus ')}${line('result', 0) ? ', written so far ' + line('result', 0) : ''}`;
  });
</script>

<div
  class="column kid"
  role="img"
  aria-label="Column: {text}"
  style:font-size="{size}px"
  style:grid-template-columns="minmax(24px, {cell * 0.7}px) repeat({places.length}, {cell}px)"
>
  {#each places as place, i (place)}
    <div
      class="stave"
      class:now={place === now}
      style:grid-column={i + 2}
      style:grid-row="1 / 20"
    ></div>
    {#if heads}
      <div class="head" style:grid-column={i + 2} style:color="var(--{place}-ink)">
        <Mark {place} />{unit(place)}
      </div>
    {/if}
    <div
      class="carry {changed ? 'above' : carried}"
      style:grid-column={i + 2}
      style:grid-row={changed || carried === 'above' ? 2 : carried === 'under' ? rows + 3 : 3}
    >
      {#if find(cells, 'changed', place) !== undefined}
        <span style:color="var(--{place}-ink)">{find(cells, 'changed', place)}</span>
      {:else if find(cells, 'carried', place) !== undefined}
        <span style:color="var(--{place}-ink)">{find(cells, 'carried', place)}</span>
      {:else if find(due, 'carried', place) !== undefined}
        <span class="due">{find(due, 'carried', place)}</span>
      {/if}
    </div>
    {#each { length: rows }, r (r)}
      <div class="digit" style:grid-column={i + 2} style:grid-row={r + 3}>
        {#if r === 0 && find(cells, 'changed', place) !== undefined}
          <s>{digit(place, r) ?? ''}</s>
        {:else}{digit(place, r) ?? ''}{/if}
      </div>
    {/each}
    <div class="result" style:grid-column={i + 2} style:grid-row={rows + 4 + under}>
      {#if find(cells, 'result', place) !== undefined}
        {find(cells, 'result', place)}
      {:else}
        <i class:now={place === now}></i>
      {/if}
    </div>
    {#if named}
      <div
        class="name"
        class:now={place === now}
        style:grid-column={i + 2}
        style:grid-row={rows + 5 + under}
      >
        {names[place] ?? ''}
      </div>
    {/if}
  {/each}
  <div class="sign" style:grid-row={rows + 2}>{sign}</div>
  <div class="line" style:grid-row={rows + 3 + under}></div>
</div>

<style>
  .column {
    display: grid;
    justify-content: end;
    line-height: 1.12;
    text-align: center;
  }
  .column > * {
    z-index: 1;
  }
  .stave {
    z-index: 0;
    border: 1px solid transparent;
  }
  .stave.now {
    background: var(--sheet);
    border-color: var(--line);
    border-radius: var(--r2);
  }
  .head {
    grid-row: 1;
    display: flex;
    flex-direction: column;
    align-items: center;
    padding-top: 6px;
    font-size: var(--t2);
    line-height: 22px;
  }
  .carry {
    height: 40px;
    display: grid;
    place-items: center;
    font-size: 24px;
    font-weight: 700;
  }
  .carry.under {
    height: 32px;
  }
  .carry.beside {
    justify-self: start;
    align-self: start;
    height: auto;
    margin-left: -7px;
    font-size: 19px;
    line-height: 20px;
  }
  .carry.beside .due {
    width: 24px;
    height: 24px;
  }
  .due {
    display: grid;
    place-items: center;
    width: 36px;
    height: 36px;
    border: 2px dashed var(--leaf);
    border-radius: 50%;
    color: var(--leaf);
    background: var(--sheet);
  }
  .sign {
    grid-column: 1;
    text-align: right;
    padding-right: 4px;
  }
  .line {
    grid-column: 1 / -1;
    height: 3px;
    margin: 4px 0 6px;
    border-radius: 2px;
    background: var(--ink);
  }
  .result {
    font-weight: 700;
    min-height: 1.12em;
    display: grid;
    place-items: center;
  }
  .result i {
    align-self: end;
    width: 45%;
    height: 0;
    margin-bottom: 8px;
    border-bottom: 2px solid #8c9389;
  }
  .result i.now {
    border-bottom: 3px solid var(--leaf);
  }
  .name {
    font: 400 var(--t1) / 20px var(--text);
    color: var(--ink-2);
    padding-bottom: 4px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .name.now {
    color: var(--ink);
    font-weight: 700;
  }
</style>
