<script lang="ts">
  // A number rod from its left end, its top on the line 0: parts in turn plum and white, each
  // white one with a dot.
  let { n, unit, high = 30 }: { n: number; unit: number; high?: number } = $props();
</script>

<rect class="white" x="1" y="1" width={n * unit - 2} height={high - 2} rx="2" />
{#each { length: n }, i (i)}
  {#if i % 2}
    <circle class="dot" cx={(i + 0.5) * unit} cy={high / 2} r={Math.max(1.2, high * 0.15)} />
  {:else}
    <rect class="plum" x={i * unit + 1} y="1" width={unit - 1} height={high - 2} />
  {/if}
{/each}
<rect class="edge" x="1" y="1" width={n * unit - 2} height={high - 2} rx="2" />

<style>
  .white {
    fill: #fff;
  }
  .plum,
  .dot {
    fill: var(--plum);
  }
  .edge {
    fill: none;
    stroke: #3d1b33;
    stroke-width: 2;
  }
</style>
