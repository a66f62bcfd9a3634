<script lang="ts">
  // The mark of what a swap has given back to the store: as many beads as pieces,
  // strung on the way to its board.
  import type { Spoken } from '../../lib/pieces/scene';
  import type { Spot } from '../../lib/pieces/units';

  let {
    back,
    h,
    upright,
    deeper,
    board,
  }: {
    back: Spoken & { n: number };
    h: number;
    upright: boolean;
    deeper: boolean; // something is fetched above it already
    board: Record<string, Spot>;
  } = $props();

  const TEN = 10;
  const y = $derived(back.y + (deeper ? 27 : 14));
  const left = $derived(deeper ? 6 : 14); // not on the way of what is fetched
  const to = $derived(board[back.place]!.y);
  const turn = $derived(y < to ? 8 : -8);
  const d = $derived(
    upright
      ? `M${back.x} ${back.y}V${y}H${left + 20}Q${left + 12} ${y} ${left + 12} ${y + 8}V${h}`
      : `M${back.x} ${back.y}V${y}H${left + 8}Q${left} ${y} ${left} ${y + turn}V${to}H0`,
  );
</script>

<path {d} />
{#each { length: Math.min(back.n, TEN) }, i (i)}
  <circle cx={back.x - 14 - i * 11} cy={y} r="4.2" fill="var(--{back.place})" />
{/each}

<style>
  path {
    fill: none;
    stroke: var(--wood);
    stroke-width: 2;
  }
  circle {
    stroke: var(--wood);
    stroke-width: 1.5;
  }
</style>
