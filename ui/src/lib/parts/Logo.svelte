<script lang="ts">
  // Two linked rings with a leaf: a swap.
  import { knot } from '../pieces/cord';
  import Strands from '../pieces/Strands.svelte';

  let { width = 38 }: { width?: number } = $props();
  const strokes = knot(19, 18, 'yes', 'hundreds', 'ones', 1.05);
</script>

<svg {width} height={(width * 30) / 38} viewBox="0 0 38 30" aria-hidden="true">
  <Strands {strokes} />
  <use href="#leaf" transform="translate(20 12) rotate(-32) scale(.62)" />
</svg>
