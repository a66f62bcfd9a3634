<script lang="ts">
  // A large pile in a list: as on the mat, set in fives and tens, as large as its
  // box lets it be.
  import { picture } from './drawn';
  import { handOf, heap } from './units';

  let {
    material,
    place,
    n,
    width,
    height,
  }: { material: string; place: string; n: number; width: number; height: number } = $props();

  /** Rows that come in pairs, so that each ten is seen as a block. */
  const ROWS = [2, 4, 6, 8, 10];
  const hand = $derived(handOf(material));
  const best = $derived(
    ROWS.map((rows) => heap(place, n, rows, hand))
      .map((made) => ({ made, unit: Math.min(width / made.width, height / made.height) }))
      .reduce((a, b) => (b.unit > a.unit ? b : a)),
  );
</script>

<svg
  {width}
  {height}
  viewBox="-.3 -.3 {width / best.unit + 0.6} {height / best.unit + 0.6}"
  aria-hidden="true"
>
  {#each best.made.spots as spot, i (i)}
    <use href="#{picture(material, place, i)}" x={spot.x} y={spot.y} />
  {/each}
</svg>
