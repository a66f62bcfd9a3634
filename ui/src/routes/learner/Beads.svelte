<script lang="ts">
  // The string of beads of a stage in a manner: what it holds of what it can hold.
  let { held, of }: { held: number; of: number } = $props();

  const R = 5;
  const STEP = 13;
  /** How much of each bead there is, 0 to 1. */
  const parts = $derived(Array.from({ length: of }, (_, i) => Math.min(1, Math.max(0, held - i))));
</script>

<svg width={of * STEP} height="14" viewBox="0 0 {of * STEP} 14" aria-hidden="true">
  <path d="M0 7H{of * STEP}" />
  {#each parts as part, i (i)}
    <circle class="hole" cx={i * STEP + 6.5} cy="7" r={R} />
    {#if part > 0}<circle class="bead" cx={i * STEP + 6.5} cy="7" r={R * Math.sqrt(part)} />{/if}
  {/each}
</svg>

<style>
  svg {
    display: block;
    margin: 3px 0;
  }
  path {
    stroke: var(--wood);
    stroke-width: 1.4;
  }
  .hole {
    fill: var(--paper-2);
    stroke: var(--ink-2);
    stroke-width: 1.2;
  }
  .bead {
    fill: var(--leaf);
  }
</style>
