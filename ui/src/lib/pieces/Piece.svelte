<script lang="ts">
  // One piece of a material at a scale, for lists and shelves.
  import { picture } from './drawn';
  import { handOf, boxOf } from './units';

  let {
    material,
    place,
    unit,
    n = 1,
    step = 0,
    dx = 0,
  }: {
    material: string;
    place: string;
    unit: number;
    n?: number;
    step?: number;
    dx?: number;
  } = $props();

  const box = $derived(boxOf(place, handOf(material)));
  const width = $derived((box.width + 1 + dx * (n - 1)) * unit);
  const height = $derived((box.height + 1.2 + step * (n - 1)) * unit);
</script>

<svg {width} {height} viewBox="-.5 -.6 {width / unit} {height / unit}" aria-hidden="true">
  {#each { length: n }, i (i)}
    <use href="#{picture(material, place, i)}" x={i * dx} y={i * step} />
  {/each}
</svg>
