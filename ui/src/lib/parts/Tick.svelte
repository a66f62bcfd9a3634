<script lang="ts">
  // The sign of what is right.
  let { size = 16 }: { size?: number } = $props();
</script>

<svg width={size} height={size} viewBox="-8 -8 16 16" aria-hidden="true">
  <path d="M-6 0.5L-2 5L6 -5.5" />
</svg>

<style>
  svg {
    flex: none;
  }
  path {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2.8;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
</style>
