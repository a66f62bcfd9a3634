<script lang="ts">
  // The written column: digits lined up by place in the class's notation, the
  // place at work on a white stave, the children's names under their places. It
  // sets each mark where the sheet says that it stands.
  import type { Ink, PlaceWords, Sheet } from '../wire.gen';
  import Mark from './Mark.svelte';

  let {
    places,
    words,
    sheet,
    due = [],
    now = '',
    names = {},
    cell = 56,
    size = 46,
    heads = true,
  }: {
    places: string[]; // highest first
    words: PlaceWords[];
    sheet: Sheet;
    due?: Ink[]; // what the next step will write
    now?: string;
    names?: Record<string, string>;
    cell?: number;
    size?: number;
    heads?: boolean;
  } = $props();

  const under = $derived(sheet.under ? 1 : 0);
  const result = $derived(sheet.numbers + 2);
  /** Rows of the sheet from the top down: what lies over, the numbers, what lies under. */
  const rows = $derived(
    Array.from({ length: sheet.over + sheet.numbers + under }, (_, i) => i + 1 - sheet.over),
  );
  /** The grid's row of a sheet's row: the heads stand in the first. */
  const gridRow = (row: number): number => row + sheet.over + 1;
  const line = $derived(gridRow(sheet.numbers) + under + 1);

  const at = (marks: Ink[], row: number, place: string): Ink[] =>
    marks.filter((m) => m.row === row && m.place === place);
  const whole = (row: number, place: string): Ink | undefined =>
    at(sheet.marks, row, place).find((m) => !m.side);
  const unit = (place: string): number => words.find((w) => w.id === place)?.unit ?? 1;
  /** What a place is worth; a long number stands in two lines. */
  const unitLines = (place: string): string[] => {
    const text = String(unit(place));
    return text.length > 4 ? [text.slice(0, -3), text.slice(-3)] : [text];
  };
  const named = $derived(Object.keys(names).length > 0);
  const text = $derived.by(() => {
    const read = (row: number): string => places.map((p) => whole(row, p)?.digit ?? '').join('');
    const numbers = rows.filter((r) => r > 0 && r <= sheet.numbers).map(read);
    const sign = { '−': ' minus ', '×': ' times ' }[sheet.sign] ?? ' plus ';
    const by = sheet.behind.replace('÷', ' divided by');
    return `${numbers.filter(Boolean).join(sign)}${by}${read(result) ? ', written so far ' + read(result) : ''}${sheet.beside ? ' remainder' + sheet.beside.slice(1) : ''}`;
  });
</script>

<div
  class="column kid"
  role="img"
  aria-label="Column: {text}"
  style:font-size="{size}px"
  style:grid-template-columns="{sheet.behind ? '0' : `minmax(24px, ${cell * 0.7}px)`} repeat({places.length},
  {cell}px) {sheet.behind ? 'auto' : ''}"
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
        <Mark {place} />
        {#each unitLines(place) as line, k (k)}<span class:short={unitLines(place).length > 1}
            >{line}</span
          >{/each}
      </div>
    {/if}
    {#each rows as row (row)}
      <div
        class={row < 1 || row > sheet.numbers ? 'strip' : 'digit'}
        style:grid-column={i + 2}
        style:grid-row={gridRow(row)}
      >
        {#each at(sheet.marks, row, place) as m, k (k)}
          <span
            class={m.side && `at-${m.side}`}
            class:struck={m.struck}
            style:color={row < 1 || m.side ? `var(--${place}-ink)` : undefined}>{m.digit}</span
          >
        {/each}
        {#each at(due, row, place) as m, k (k)}<span class="due {m.side && `at-${m.side}`}"
            >{m.digit}</span
          >{/each}
      </div>
    {/each}
    <div class="result" style:grid-column={i + 2} style:grid-row={line + 1}>
      {#if whole(result, place)}
        {whole(result, place)!.digit}
      {:else}
        <i class:now={place === now}></i>
      {/if}
    </div>
    {#if named}
      <div
        class="name"
        class:now={place === now}
        style:grid-column={i + 2}
        style:grid-row={line + 2}
      >
        <span class:private={!!names[place]}>{names[place] ?? ''}</span>
      </div>
    {/if}
  {/each}
  <div class="sign" style:grid-row={gridRow(sheet.numbers)}>{sheet.sign}</div>
  {#if sheet.behind}
    <div class="tail" style:grid-column={places.length + 2} style:grid-row={gridRow(1)}>
      {#if sheet.marks.length}{sheet.behind}{/if}
    </div>
    <div class="tail" style:grid-column={places.length + 2} style:grid-row={line + 1}>
      {sheet.beside}
    </div>
  {/if}
  <div class="line" style:grid-row={line}></div>
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
    border: 1px solid var(--none);
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
    font-size: max(calc(14px / var(--zoom, 1)), var(--t2));
    line-height: 22px;
  }
  .head .short {
    font-size: max(calc(14px / var(--zoom, 1)), var(--t1));
    line-height: 15px;
  }
  .strip {
    min-height: 1.4em;
    display: grid;
    place-items: center;
    font-size: max(calc(14px / var(--zoom, 1)), 0.54em);
    font-weight: 700;
  }
  .digit {
    position: relative;
    min-height: 1.12em;
  }
  .at-small-front,
  .at-small-aside {
    position: absolute;
    top: 0;
    left: 0;
    font-size: max(calc(14px / var(--zoom, 1)), 0.46em);
    font-weight: 700;
    line-height: 1.2;
  }
  .strip .at-small-front {
    position: static;
    font-size: max(calc(14px / var(--zoom, 1)), 0.72em);
  }
  .strip:has(.at-small-front) {
    display: flex;
    justify-content: center;
    align-items: center;
  }
  .struck {
    text-decoration: line-through;
    text-decoration-thickness: 2px;
  }
  .due {
    display: grid;
    place-items: center;
    width: 1.4em;
    height: 1.4em;
    border: 2px dashed var(--leaf);
    border-radius: 50%;
    color: var(--leaf);
    background: var(--sheet);
  }
  .due.at-small-aside {
    left: -0.3em;
  }
  .sign {
    grid-column: 1;
    text-align: right;
    padding-right: 4px;
  }
  .tail {
    align-self: center;
    min-width: 1.6em;
    padding-left: 6px;
    font-size: 0.66em;
    text-align: left;
    white-space: nowrap;
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
    font: 400 max(calc(14px / var(--zoom, 1)), var(--t1)) / 20px var(--text);
    color: var(--ink-2);
    padding-bottom: 4px;
    overflow: hidden;
    overflow-wrap: anywhere;
  }
  .name.now {
    color: var(--ink);
    font-weight: 700;
  }
</style>
