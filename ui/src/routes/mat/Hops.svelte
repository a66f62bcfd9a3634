<script lang="ts">
  // The stem that hops from place to place where a swap walks down: past, now in
  // leaf, dotted still to come.
  import { HOP, type Lane } from '../../lib/pieces/layout';
  import type { Hop } from '../../lib/pieces/scene';

  let { stem, lanes, floor }: { stem: Hop[]; lanes: Lane[]; floor: number } = $props();

  const x = (place: string): number | undefined => {
    const lane = lanes.find((l) => l.place === place);
    return lane && lane.x + 14;
  };
</script>

{#each stem as hop, i (i)}
  {@const a = x(hop.from)}
  {@const b = x(hop.to)}
  {#if a !== undefined && b !== undefined}
    <path class="hop {hop.when}" d="M{a} {floor}C{a} {floor - HOP} {b} {floor - HOP} {b} {floor}" />
    {#if hop.when !== 'due'}
      <use href="#leaf" transform="translate({b - 4} {floor - 4}) rotate(64) scale(.7)" />
    {/if}
  {/if}
{/each}

<style>
  .hop {
    fill: none;
    stroke: var(--wood);
    stroke-width: 2.4;
    stroke-linecap: round;
  }
  .hop.now {
    stroke: var(--leaf);
    stroke-width: 3;
  }
  .hop.due {
    stroke: var(--leaf);
    stroke-width: 2;
    stroke-dasharray: 1 6;
  }
</style>
