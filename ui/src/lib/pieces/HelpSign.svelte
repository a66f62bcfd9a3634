<script lang="ts">
  // Help as a sign of two: the guide is a ring, the child a bead; the ring lets
  // go from shown to alone.
  let { help, size = 28 }: { help: string; size?: number } = $props();
</script>

<svg width={size * 1.4} height={size} viewBox="-20 -14 40 28" aria-hidden="true">
  {#if help === 'shown'}
    <circle cx="-6" r="8.5" class="ring" /><circle cx="-6" r="3.4" class="dot" />
    <circle cx="11" r="5.6" class="hollow" />
  {:else if help === 'together'}
    <circle r="10" class="ring" /><circle r="6" class="bead" />
  {:else if help === 'nudged'}
    <path d="M-10.5 -7.5A12 12 0 0 0 -10.5 7.5" class="ring" /><circle cx="2" r="7" class="bead" />
  {:else if help === 'alone'}
    <circle r="7" class="bead" />
  {:else if help === 'explains'}
    <circle cx="-6" r="7" class="bead" />
    <g class="berry"
      ><circle cx="6" cy="-4" r="3.2" /><circle cx="13" cy="-4" r="3.2" /><circle
        cx="9.5"
        cy="2.5"
        r="3.2"
      /></g
    >
  {/if}
</svg>

<style>
  .ring {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.4;
    stroke-linecap: round;
  }
  .dot {
    fill: var(--ink);
  }
  .bead {
    fill: var(--leaf);
  }
  .hollow {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
  }
  .berry {
    fill: #a8690a;
  }
</style>
