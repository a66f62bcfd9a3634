<script lang="ts">
  // A bar of the bead stair, in the class's colour for its number.
  let { n, size = 10, upright = false }: { n: number; size?: number; upright?: boolean } = $props();

  const long = $derived(n * size + 2);
  const wide = $derived(size + 2);
  const at = (i: number): number => 1 + size * (i + 0.5);
</script>

<svg
  width={upright ? wide : long}
  height={upright ? long : wide}
  viewBox="0 0 {upright ? wide : long} {upright ? long : wide}"
  aria-hidden="true"
>
  {#each { length: n }, i (i)}
    <circle
      cx={upright ? wide / 2 : at(i)}
      cy={upright ? at(i) : wide / 2}
      r={size / 2 - 0.5}
      fill="var(--stair-{n})"
      stroke="var(--stair-{n}-ink)"
    />
  {/each}
</svg>
