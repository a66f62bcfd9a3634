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

  const WIDE = 44; // px that a finger needs
  const LETTER = 7.4; // px of a letter of a name, on average
  const LONGEST = 168; // px of a name that is read whole

  const label = $derived(w < 700 ? 132 : 168);
  const n = $derived(vines.columns.length);
  /** The column that begins each group. */
  const starts = $derived(
    vines.groups.map((_, g) => vines.groups.slice(0, g).reduce((sum, x) => sum + x.size, 0)),
  );
  /** The room behind a group that its name needs beyond its columns. */
  const behind = $derived(
    vines.groups.map((g) => Math.max(14, (g.name.length + 4) * 8.6 - g.size * WIDE)),
  );
  /** The room before a column: it begins a group that is not the first. */
  const before = (i: number): number => {
    const g = starts.indexOf(i);
    return i > 0 && g > 0 ? behind[g - 1]! : 0;
  };
  const begins = (i: number): boolean => before(i) > 0;
  const gaps = $derived(vines.columns.reduce((sum, _, i) => sum + before(i), 0));
  /** Names slant, each below its own stem. */
  const SLANT = (50 * Math.PI) / 180;
  const named = $derived(
    Math.min(LONGEST, Math.max(0, ...vines.columns.map((c) => c.name.length)) * LETTER + 12),
  );
  const depth = $derived(Math.ceil(named * Math.sin(SLANT)) + 8);
  const beside = $derived(Math.ceil(named * Math.cos(SLANT)));
  const column = $derived(
    Math.max(WIDE, Math.min(72, Math.floor((w - label - gaps - beside) / Math.max(1, n)))),
  );
  const row = $derived(
    Math.max(WIDE, Math.min(74, Math.floor((h - 56 - depth) / Math.max(1, vines.stages.length)))),
  );
  const r = $derived(Math.min(15, row * 0.31));
  const stages = $derived([...vines.stages].reverse());
  const left = (i: number): number => {
    let x = label;
    for (let j = 0; j < i; j++) x += column + before(j + 1);
    return x;
  };
  /** How far up a child's stem has grown. */
  const heights = $derived(
    vines.columns.map((c) => c.leaves.findLastIndex((l) => l.state !== '' && l.state !== 'ready')),
  );
  const top = $derived(vines.columns.map((c) => c.leaves.findLastIndex((l) => l.state !== '')));
  /** A stem sways a little, always in the same way. */
  const sway = (column: number, level: number): number =>
    Math.round(Math.sin(column * 2.3 + level * 1.7) * 1.8 * 10) / 10;

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

<div class="vines">
  <div class="groups" aria-hidden="true" style:width="{left(n)}px">
    {#each starts as i, g (g)}
      {@const group = vines.groups[g]!}
      <p style:left="{left(i)}px" class:first={g === 0}>
        <b>{group.name}</b>
        <span>{group.size}</span>
      </p>
    {/each}
  </div>
  <table
    role="grid"
    aria-label="The class, child by child and stage by stage"
    style:width="{label + n * column + gaps}px"
    onpointerleave={() => onpoint('', '')}
  >
    <colgroup>
      <col style:width="{label}px" />
      {#each vines.columns as c, i (c.id)}
        <col style:width="{column + before(i)}px" />
      {/each}
    </colgroup>
    <thead>
      <tr>
        <td></td>
        {#each vines.columns as c (c.id)}<th scope="col"><span class="unseen">{c.name}</span></th
          >{/each}
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
              <b>{s.name}</b>{#if s.name.length * LETTER < label - 8}<span class="kid"
                  >{s.example}</span
                >{/if}
            </button>
          </th>
          {#each vines.columns as c, i (c.id)}
            {@const leaf = c.leaves[level]!}
            {@const x = column / 2}
            {@const gap = before(i)}
            <td
              id="leaf-{i}-{level}"
              role="gridcell"
              tabindex={at(i, level) ? 0 : -1}
              aria-label="{c.name}, {s.name}: {leaf.says}"
              class:gap={begins(i)}
              class:pointed={c.id === child}
              onkeydown={keys}
              onclick={() => pick(i, level)}
              onfocus={() => onpick(s.id, c.id)}
              onpointerenter={(e) => e.pointerType === 'mouse' && onpoint(s.id, c.id)}
            >
              <svg width={column + gap} height={row} aria-hidden="true">
                <path class="wire" d="M0 {row * 0.62}H{column + gap}" />
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
  <div class="names" style:height="{24 + depth}px" style:width="{left(n) + beside}px">
    <span class="since">days since last seen</span>
    {#each vines.columns as c, i (c.id)}
      <button
        tabindex="-1"
        class="slant"
        aria-label="{c.name}{c.never ? ', not seen yet' : `, ${c.days} days since last seen`}"
        style:left="{left(i)}px"
        style:width="{column}px"
        style:height="{24 + depth}px"
        onclick={() => onopen(c.id)}
        onpointerenter={(e) => e.pointerType === 'mouse' && onpoint('', c.id)}
      ></button>
      <span
        class="days"
        class:long={c.days > 7 || c.never}
        style:left="{left(i)}px"
        style:width="{column}px">{c.never ? '–' : c.days}</span
      >
      <span
        class="name slant"
        class:pointed={c.id === child}
        class:chosen={chosen.includes(c.id)}
        title={c.name}
        style:max-width="{LONGEST}px"
        style:left="{left(i) + column / 2}px">{c.name}</span
      >
    {/each}
  </div>
</div>

<style>
  .vines {
    flex: 1;
    min-height: 0;
    overflow: auto;
  }
  .groups {
    position: sticky;
    top: 0;
    z-index: 2;
    height: 26px;
    background: var(--paper);
  }
  .groups p {
    position: absolute;
    top: 0;
    padding-left: 7px;
    line-height: 24px;
    font-size: var(--t1);
    color: var(--ink-2);
    white-space: nowrap;
  }
  .groups p:not(.first) {
    border-left: 1.5px solid var(--tray);
  }
  .groups b {
    font-size: var(--t2);
    font-weight: 650;
    color: var(--ink);
  }
  table {
    border-collapse: separate;
    border-spacing: 0;
    table-layout: fixed;
  }
  th,
  td {
    padding: 0;
    font-weight: 400;
    text-align: left;
    vertical-align: top;
  }
  /* What is read along the rows and the columns stays while the rest scrolls. */
  .label {
    position: sticky;
    left: 0;
    z-index: 1;
    background: var(--paper);
  }
  thead td,
  thead th {
    height: 0;
  }
  tr.on,
  tr.on .label {
    background: var(--paper-2);
  }
  td {
    cursor: pointer;
  }
  td:focus-visible {
    outline-offset: -3px;
  }
  td.pointed {
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
  }
  tbody .label b {
    font-weight: 500;
  }
  tr.on .label b {
    font-weight: 700;
  }
  .label .kid {
    color: var(--ink-2);
    white-space: nowrap;
  }
  .names {
    position: sticky;
    bottom: 0;
    z-index: 2;
    background: var(--paper);
    border-top: 2px solid var(--wood);
    overflow: hidden;
  }
  .since {
    position: sticky;
    left: 0;
    z-index: 1;
    display: inline-block;
    padding-right: 8px;
    background: var(--paper);
    font-size: var(--t1);
    line-height: 24px;
    color: var(--ink-2);
  }
  /* As slanted as the name that stands in it, so that a touch lands on its own child. */
  .names button {
    position: absolute;
    top: 0;
    transform: skewX(40deg);
    transform-origin: 50% 0;
  }
  .days {
    position: absolute;
    top: 0;
    font-size: var(--t1);
    line-height: 24px;
    text-align: center;
    color: var(--ink-2);
    pointer-events: none;
  }
  .days.long {
    font-weight: 700;
    color: var(--ink);
  }
  .name {
    position: absolute;
    top: 19px;
    overflow: hidden;
    text-overflow: ellipsis;
    font-size: var(--t1);
    line-height: 18px;
    white-space: nowrap;
    transform: rotate(50deg);
    transform-origin: 0 50%;
    pointer-events: none;
  }
  .name.pointed {
    font-weight: 700;
  }
  .name.chosen {
    box-shadow: 0 2.5px 0 var(--leaf);
  }
  @media print {
    .vines {
      overflow: visible;
    }
  }
</style>
