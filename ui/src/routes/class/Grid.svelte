<script lang="ts">
  // The class as vines: a stem for each child, a wire for each stage, a leaf
  // where they cross. A real table: arrow keys move in it, and the column that
  // is pointed at is wide enough to be touched.
  import Leaf from '../../lib/pieces/Leaf.svelte';
  import type { Vines } from '../../lib/wire.gen';

  let {
    vines,
    stage,
    child,
    chosen,
    w,
    h,
    onpoint,
    onpick,
    onopen,
  }: {
    vines: Vines;
    stage: string;
    child: string;
    chosen: string[]; // who comes to the lesson that is planned
    w: number;
    h: number;
    onpoint: (stage: string, child: string) => void;
    onpick: (stage: string, child: string) => void;
    onopen: (child: string) => void;
  } = $props();

  const WIDE = 44;
  const GAP = 14;
  const NAME = 66; // px that a name may have without touching the next in its row

  const label = $derived(w < 700 ? 140 : 152);
  const n = $derived(vines.columns.length);
  const gaps = $derived(GAP * Math.max(0, vines.groups.length - 1));
  const room = $derived(w - label - gaps - 14);
  const usual = $derived(Math.min(38, (room - WIDE) / Math.max(1, n - 1)));
  const widths = $derived(vines.columns.map((c) => (c.id === child ? WIDE : usual)));
  /** Rows of names under the stems. */
  const names = $derived(Math.max(3, Math.min(5, Math.ceil(NAME / usual))));
  /** Where stems stand close, every second number of days stands lower than the first. */
  const drop = $derived(usual < 20 ? 14 : 0);
  const low = (i: number): boolean => drop > 0 && i % 2 === 1 && vines.columns[i]!.days > 9;
  const row = $derived(
    Math.min(74, Math.floor((h - 32 - drop - names * 20) / Math.max(1, vines.stages.length))),
  );
  const r = $derived(Math.min(15, usual * 0.57, row * 0.31));
  const stages = $derived([...vines.stages].reverse());
  /** The column that begins each group. */
  const starts = $derived(
    vines.groups.map((_, g) => vines.groups.slice(0, g).reduce((sum, x) => sum + x.size, 0)),
  );
  /** Whether a column begins a group that is not the first. */
  const begins = (i: number): boolean => i > 0 && starts.includes(i);
  const left = (i: number): number => {
    let x = label;
    for (let j = 0; j < i; j++) x += widths[j]! + (begins(j + 1) ? GAP : 0);
    return x;
  };
  /** How far up a child's stem has grown. */
  const heights = $derived(
    vines.columns.map((c) => c.leaves.findLastIndex((l) => l.state !== '' && l.state !== 'ready')),
  );
  const top = $derived(vines.columns.map((c) => c.leaves.findLastIndex((l) => l.state !== '')));
  /** A stem sways a little, always in the same way. */
  const sway = (column: number, level: number): number =>
    Math.round(Math.sin(column * 2.3 + level * 1.7) * Math.min(1.8, usual * 0.07) * 10) / 10;

  function stem(column: number, level: number, x: number): string {
    const here = x + sway(column, level);
    const low = (here + x + sway(column, level - 1)) / 2;
    const high = (here + x + sway(column, level + 1)) / 2;
    const mid = row * 0.62;
    const on = level < top[column]! ? `C${here} ${row * 0.3} ${high} ${row * 0.2} ${high} 0` : '';
    return `M${low} ${row}C${low} ${row * 0.85} ${here} ${row * 0.8} ${here} ${mid}${on}`;
  }

  // The keys move one cell; the table has one stop for the tab key.
  let focus = $state({ column: 0, level: 0 });
  const at = (column: number, level: number): boolean =>
    column === Math.min(focus.column, n - 1) && level === focus.level;
  function keys(event: KeyboardEvent): void {
    const move: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
      Home: [-n, 0],
      End: [n, 0],
    };
    const by = move[event.key];
    if (event.key === 'Enter') onopen(vines.columns[focus.column]!.id);
    if (!by) return;
    event.preventDefault();
    focus = {
      column: Math.max(0, Math.min(n - 1, focus.column + by[0])),
      level: Math.max(0, Math.min(vines.stages.length - 1, focus.level + by[1])),
    };
    document.getElementById(`leaf-${focus.column}-${focus.level}`)?.focus();
  }
  function pick(column: number, level: number): void {
    focus = { column, level };
    onpick(vines.stages[level]!.id, vines.columns[column]!.id);
  }
</script>

<div class="groups" aria-hidden="true">
  {#each starts as i, g (g)}
    {@const group = vines.groups[g]!}
    <p style:left="{left(i) - (g ? GAP : 0)}px" class:first={g === 0} class:low={g % 2 === 1}>
      <b>{group.name}</b>
      <span>{group.size}</span>
    </p>
  {/each}
</div>
<table
  role="grid"
  aria-label="The class, child by child and stage by stage"
  style:width="{label + widths.reduce((a, b) => a + b, 0) + gaps}px"
  onpointerleave={() => onpoint('', '')}
>
  <colgroup>
    <col style:width="{label}px" />
    {#each vines.columns as c, i (c.id)}
      <col style:width="{widths[i]! + (begins(i) ? GAP : 0)}px" />
    {/each}
  </colgroup>
  <thead>
    <tr>
      <th class="label" scope="col">days since last seen</th>
      {#each vines.columns as c, i (c.id)}
        <th
          scope="col"
          style:height="{26 + drop + names * 20}px"
          class:gap={begins(i)}
          class:pointed={c.id === child}
        >
          <button
            tabindex="-1"
            onclick={() => onopen(c.id)}
            onpointerenter={(e) => e.pointerType === 'mouse' && onpoint('', c.id)}
          >
            <span
              class="name"
              class:chosen={chosen.includes(c.id)}
              class:end={i > n - 3}
              style:top="{24 + drop + (i % names) * 20}px">{c.name}</span
            >
            <span class="days" class:long={c.days > 7 || c.never} style:top="{low(i) ? drop : 0}px"
              >{c.never ? '–' : c.days}<span class="unseen"
                >{c.never ? ' not seen yet' : ' days since last seen'}</span
              ></span
            >
            <span class="tick" style:height="{drop + (i % names) * 20 + 2}px"></span>
          </button>
        </th>
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each stages as s (s.id)}
      {@const level = vines.stages.indexOf(s)}
      <tr class:on={s.id === stage}>
        <th class="label" scope="row" style:height="{row}px">
          <button
            onclick={() => onpick(s.id, '')}
            onpointerenter={(e) => e.pointerType === 'mouse' && onpoint(s.id, '')}
            aria-pressed={s.id === stage}
          >
            <b>{s.name}</b>{#if row >= 38}<span class="kid">{s.example}</span>{/if}
          </button>
        </th>
        {#each vines.columns as c, i (c.id)}
          {@const leaf = c.leaves[level]!}
          {@const x = widths[i]! / 2}
          {@const gap = begins(i) ? GAP : 0}
          <td
            id="leaf-{i}-{level}"
            role="gridcell"
            tabindex={at(i, level) ? 0 : -1}
            aria-label="{c.name}, {s.name}: {leaf.says}"
            class:gap
            class:pointed={c.id === child}
            onkeydown={keys}
            onclick={() => pick(i, level)}
            onfocus={() => onpick(s.id, c.id)}
            onpointerenter={(e) => e.pointerType === 'mouse' && onpoint(s.id, c.id)}
          >
            <svg width={widths[i]! + gap} height={row} aria-hidden="true">
              <path class="wire" d="M0 {row * 0.62}H{widths[i]! + gap}" />
              <g transform="translate({gap} 0)">
                {#if level <= top[i]!}
                  <path
                    class="stem"
                    class:thin={level > heights[i]!}
                    style:stroke-width={level > heights[i]! ? 1.4 : 3.4 - 0.16 * level}
                    d={stem(i, level, x)}
                  />
                {/if}
                <g transform="translate({x + sway(i, level)} {row * 0.62})">
                  <Leaf
                    state={leaf.state}
                    best={leaf.best}
                    lobes={leaf.lobes}
                    explained={leaf.explained}
                    {r}
                  />
                </g>
              </g>
            </svg>
          </td>
        {/each}
      </tr>
    {/each}
  </tbody>
</table>

<style>
  .groups {
    position: relative;
    height: 44px;
    flex: none;
  }
  .groups p {
    position: absolute;
    top: 0;
    padding-left: 7px;
    line-height: 20px;
    font-size: var(--t1);
    color: var(--ink-2);
    white-space: nowrap;
  }
  .groups p:not(.first) {
    height: 44px;
    border-left: 1.5px solid #cbbf9f;
  }
  .groups b,
  .groups span {
    background: var(--paper);
  }
  .groups p.low {
    z-index: 1;
    top: 22px;
    height: 22px;
  }
  .groups b {
    font-size: var(--t2);
    font-weight: 650;
    color: var(--ink);
  }
  table {
    border-collapse: collapse;
    table-layout: fixed;
    flex: none;
  }
  thead {
    display: table-footer-group; /* the names stand at the foot of the stems */
  }
  th,
  td {
    padding: 0;
    font-weight: 400;
    text-align: left;
    vertical-align: top;
  }
  tr.on {
    background: var(--paper-2);
  }
  .gap {
    border-left: 1.5px solid #cbbf9f;
  }
  td {
    cursor: pointer;
  }
  td:focus-visible {
    outline-offset: -3px;
  }
  td.pointed,
  thead th.pointed {
    background: color-mix(in srgb, var(--leaf-tint) 60%, transparent);
  }
  td svg {
    overflow: visible;
  }
  .wire {
    stroke: var(--line);
    stroke-width: 1;
  }
  tr.on .wire {
    stroke: var(--wood);
    stroke-width: 1.4;
  }
  .stem {
    fill: none;
    stroke: var(--wood);
    stroke-linecap: round;
  }
  .stem.thin {
    stroke: var(--leaf);
  }
  tbody .label button {
    display: flex;
    flex-direction: column;
    justify-content: center;
    width: 100%;
    height: 100%;
    padding: 0 6px 0 0;
    line-height: 18px;
    font-size: var(--t1);
    white-space: nowrap;
  }
  tbody .label b {
    font-weight: 500;
  }
  tr.on .label b {
    font-weight: 700;
  }
  .label .kid {
    color: var(--ink-2);
  }
  thead .label {
    padding-top: 4px;
    font-size: var(--t1);
    line-height: 18px;
    color: var(--ink-2);
  }
  thead th {
    border-top: 2px solid var(--wood);
  }
  thead button {
    position: relative;
    display: flex;
    justify-content: center;
    align-items: flex-start;
    width: 100%;
    height: 100%;
  }
  .gap button {
    padding-left: 12px;
  }
  .days {
    position: relative;
    z-index: 1;
    background: var(--paper);
    font-size: var(--t1);
    line-height: 22px;
    color: var(--ink-2);
  }
  .days.long {
    font-weight: 700;
    color: var(--ink);
  }
  .tick {
    position: absolute;
    left: calc(50% - 0.5px);
    top: 23px;
    width: 1px;
    background: var(--line);
  }
  .gap .tick {
    left: calc(50% + 5.5px);
  }
  .name {
    z-index: 1;
    position: absolute;
    left: 50%;
    padding: 0 2px;
    transform: translateX(-50%);
    font-size: var(--t1);
    line-height: 17px; /* a hair is left between the rows: each column can be touched there */
    white-space: nowrap;
    background: var(--paper);
  }
  .gap .name {
    margin-left: 6px;
  }
  .name.end {
    left: auto;
    right: 0;
    transform: none;
  }
  .pointed .name {
    font-weight: 700;
  }
  .name.chosen {
    box-shadow: 0 2.5px 0 var(--leaf);
  }
</style>
