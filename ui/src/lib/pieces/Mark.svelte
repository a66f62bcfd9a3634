<script lang="ts">
  // The mark of a place: dot, line, square, cube say what the hue says.
  let { place, size = 16 }: { place: string; size?: number } = $props();
</script>

<svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true"
  ><use href="#mark-{place}" /></svg
>
