<script lang="ts">
  // A swap that is looked at before it is made: where what is lifted lay, and the
  // tendril from the gap in the store to what is fetched.
  import type { Swap } from '../../lib/pieces/scene';
  import { boxOf, type Spot } from '../../lib/pieces/units';

  let {
    swap,
    unit,
    h,
    upright,
    board,
  }: {
    swap: Swap;
    unit: number;
    h: number;
    upright: boolean;
    board: Record<string, Spot>;
  } = $props();

  const fetched = $derived(swap.up ? swap.one : swap.ten.at(-1)!);
  const box = $derived(boxOf(fetched.place));
  /** Under the lowest of what is fetched. */
  const x = $derived(fetched.x + (box.width * unit) / 2);
  const y = $derived(fetched.y + box.height * unit + 14);
  const from = $derived(board[fetched.place]!.y);
</script>

{#each swap.gaps as g, i (i)}
  {@const b = boxOf(g.place)}
  {#if swap.up}
    <circle
      class="gap"
      cx={g.x + Math.min(unit / 2, (b.width * unit) / 2)}
      cy={g.y + Math.min(unit / 2, (b.height * unit) / 2)}
      r={Math.max(2, unit * 0.2)}
    />
  {:else}
    <rect
      class="left"
      x={g.x}
      y={g.y}
      width={b.width * unit}
      height={b.height * unit}
      rx={g.place === 'tens' ? unit / 2 : 4}
    />
  {/if}
{/each}
{#if upright}
  <path class="tendril" d="M26 {h}V{y + 12}Q26 {y} 38 {y}H{x - 12}Q{x} {y} {x} {y - 10}" />
{:else}
  <path
    class="tendril"
    d="M0 {from}H4Q14 {from} 14 {from + 10}V{y - 12}Q14 {y} 26 {y}H{x - 12}Q{x} {y} {x} {y - 10}"
  />
  <use href="#leaf" transform="translate(14 {(from + y) / 2}) rotate(-52) scale(.8)" />
{/if}
<use href="#leaf" transform="translate({(x + 26) / 2} {y}) rotate(-8) scale(.8)" />

<style>
  .gap {
    fill: var(--gap);
  }
  .left {
    fill: none;
    stroke: var(--gap);
    stroke-width: 1.6;
  }
  .tendril {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
    stroke-linecap: round;
  }
</style>
