<script lang="ts">
  // The two-colour bead rack: beads that are pushed over, the others faint at the other
  // side, and rings round what is taken in at one look.
  import type { RackLook } from '../wire.gen';
  import { beadAt, isFirst, POST, rowAt, tallOf, WIDE } from './rack';

  let {
    pushed,
    width,
    right = false,
    rest = true,
    looks = [],
    missing = false,
    row = -1,
    turned = false,
    ontouch,
  }: {
    pushed: number[]; // beads pushed over in each row
    width: number; // px
    right?: boolean; // to the right
    rest?: boolean; // the other beads are seen too
    looks?: RackLook[];
    missing?: boolean; // the looks are on what is missing
    row?: number; // the row that is looked at
    turned?: boolean; // as a child sees it who sits opposite
    ontouch?: (row: number, bead: number) => void;
  } = $props();

  const tall = $derived(tallOf(pushed.length));
  const x = (bead: number, n: number): number => (right ? WIDE - beadAt(bead, n) : beadAt(bead, n));
  /** A ring round beads side by side, or round whole rows. */
  function ring(l: RackLook): { x: number; y: number; w: number; h: number } {
    const n = pushed[l.row] ?? 0;
    const ends = [x(l.from, n), x(l.to - 1, n)];
    const left = Math.min(...ends) - 0.5;
    const top = rowAt(l.row) - 0.52;
    return {
      x: left,
      y: top,
      w: Math.max(...ends) + 0.5 - left,
      h: rowAt(l.row + l.rows - 1) + 0.52 - top,
    };
  }
  const said = $derived(pushed.filter((n) => n).join(' and ') || 'none');
</script>

<svg
  {width}
  height={(width / WIDE) * tall}
  viewBox="0 0 {WIDE} {tall}"
  role={ontouch ? undefined : 'img'}
  aria-label={ontouch ? undefined : `pushed over in the rows: ${said}`}
  data-rack={pushed.reduce((a, b) => a + b, 0)}
  class:turned
>
  <rect class="board" x="0.06" y="0.06" width={WIDE - 0.12} height={tall - 0.12} rx="0.3" />
  {#each pushed as n, r (r)}
    <path class="wire" class:now={r === row} d="M{POST} {rowAt(r)}H{WIDE - POST}" />
    {#each { length: 10 }, b (b)}
      {#if b < n || rest}
        <circle
          class="bead"
          class:first={isFirst(r, b)}
          class:over={b >= n}
          cx={x(b, n)}
          cy={rowAt(r)}
          r="0.45"
        />
        {#if !isFirst(r, b)}<circle
            class="dot"
            class:over={b >= n}
            cx={x(b, n)}
            cy={rowAt(r)}
            r="0.1"
          />{/if}
      {/if}
    {/each}
  {/each}
  <rect class="post" x="0.12" y="0.14" width={POST - 0.2} height={tall - 0.28} rx="0.14" />
  <rect
    class="post"
    x={WIDE - POST + 0.08}
    y="0.14"
    width={POST - 0.2}
    height={tall - 0.28}
    rx="0.14"
  />
  {#each looks as l, i (i)}
    {@const at = ring(l)}
    <rect class="look" class:missing x={at.x} y={at.y} width={at.w} height={at.h} rx="0.4" />
  {/each}
  {#if ontouch}
    {#each pushed as n, r (r)}
      {#each { length: 10 }, b (b)}
        <!-- Keys push from the row's own button. -->
        <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
        <rect
          class="touch"
          x={x(b, n) - 0.5}
          y={rowAt(r) - 0.54}
          width="1"
          height="1.08"
          onclick={() => ontouch(r, b)}
        />
      {/each}
    {/each}
  {/if}
</svg>

<style>
  svg {
    display: block;
  }
  .turned {
    transform: rotate(180deg);
  }
  .board {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 0.08;
  }
  .wire {
    stroke: var(--edge);
    stroke-width: 0.07;
  }
  .wire.now {
    stroke: var(--leaf);
    stroke-width: 0.14;
  }
  .post {
    fill: #dac697;
    stroke: var(--edge);
    stroke-width: 0.04;
  }
  .bead {
    fill: var(--rack-2);
    stroke: var(--ink);
    stroke-width: 0.05;
  }
  .bead.first {
    fill: var(--rack-1);
  }
  .dot {
    fill: var(--ink);
  }
  .bead.over {
    fill: color-mix(in srgb, var(--rack-2) 30%, var(--sheet));
    stroke: var(--gap);
  }
  .bead.over.first {
    fill: color-mix(in srgb, var(--rack-1) 28%, var(--sheet));
  }
  .dot.over {
    fill: var(--gap);
  }
  .look {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 0.13;
  }
  .look.missing {
    stroke-dasharray: 0.3 0.22;
  }
  .touch {
    fill: transparent;
    cursor: pointer;
  }
</style>
