<script lang="ts">
  // A bar of beads, drawn from its left end on the line 0: coloured as the class's stair, a
  // remainder bar (five dark, then light with a dot, cased), or a golden ten.
  let {
    n,
    kind = 'stair',
    u,
    eyes = true,
    cased = true,
  }: {
    n: number;
    kind?: 'stair' | 'remainder' | 'golden';
    u: number;
    eyes?: boolean; // the rings at its ends
    cased?: boolean; // of a remainder bar
  } = $props();

  const FIVE = 5;
  const at = (i: number): number => (i + 0.5) * u;
</script>

{#if kind === 'golden'}
  <rect
    x={-u * 0.1}
    y={-u * 0.62}
    width={n * u + u * 0.2}
    height={u * 1.24}
    rx={u * 0.5}
    fill="var(--tens)"
  />
  <rect
    x={u * 0.03}
    y={-u * 0.49}
    width={n * u - u * 0.06}
    height={u * 0.98}
    rx={u * 0.42}
    fill="var(--tens-ink)"
  />
  {#each { length: n }, i (i)}
    <circle cx={at(i)} r={u * 0.44} fill="var(--ones)" />
    <circle cx={at(i) - u * 0.13} cy={-u * 0.13} r={u * 0.13} class="shine" />
  {/each}
  <path d="M{FIVE * u} {-u * 0.62}V{u * 0.62}" stroke="var(--tens)" stroke-width={u * 0.13} />
{:else}
  {#if kind === 'remainder' && cased}
    <rect
      class="case"
      x={-u * 0.1}
      y={-u * 0.6}
      width={n * u + u * 0.2}
      height={u * 1.2}
      rx={u * 0.6}
      stroke-width={Math.max(0.8, u * 0.05)}
    />
  {/if}
  {#if kind === 'stair' && eyes}
    {#each [0.02, n - 0.02] as end (end)}
      <circle class="eye" cx={end * u} r={u * 0.14} stroke-width={Math.max(1, u * 0.06)} />
    {/each}
  {/if}
  {#each { length: n }, i (i)}
    {#if kind === 'stair'}
      <circle
        cx={at(i)}
        r={u * 0.46}
        fill="var(--stair-{n})"
        stroke="var(--stair-{n}-ink)"
        stroke-width={Math.max(0.7, u * 0.1)}
      />
      {#if u > 12}<circle cx={at(i) - u * 0.14} cy={-u * 0.15} r={u * 0.12} class="gleam" />{/if}
    {:else if i < FIVE}
      <circle class="dark" cx={at(i)} r={u * 0.46} stroke-width={Math.max(0.7, u * 0.1)} />
      {#if u > 12}<circle cx={at(i) - u * 0.14} cy={-u * 0.15} r={u * 0.12} class="gleam" />{/if}
    {:else}
      <circle class="light" cx={at(i)} r={u * 0.44} stroke-width={Math.max(1, u * 0.09)} />
      <circle class="dot" cx={at(i)} r={u * 0.13} />
    {/if}
  {/each}
{/if}

<style>
  .shine {
    fill: #fce3a0;
  }
  .gleam {
    fill: #fff;
    opacity: 0.55;
  }
  .case {
    fill: #e7dfca;
    stroke: var(--edge);
  }
  .eye {
    fill: none;
    stroke: var(--wood);
  }
  .dark {
    fill: #39453e;
    stroke: var(--ink);
  }
  .light {
    fill: var(--sheet);
    stroke: var(--ink);
  }
  .dot {
    fill: var(--ink);
  }
</style>
