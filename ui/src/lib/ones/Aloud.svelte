<script lang="ts">
  // A number that is heard, not read.
  let { size }: { size: number } = $props();
</script>

<svg width={size} height={size * 0.9} viewBox="0 0 20 18" role="img" aria-label="said aloud"
  ><path d="M3 7h4l5-5v14l-5-5H3zM15 5c2 2 2 6 0 8M17.5 2.5c4 4 4 9 0 13" /></svg
>

<style>
  path {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.2;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
</style>
