<script lang="ts">
  // A ten frame with some things in it.
  import type { Snippet } from 'svelte';
  import { cellOf } from './frame';

  let {
    n,
    cell,
    x = 0,
    y = 0,
    pairs = false,
    thing = 0,
    counter = false,
    now = -1,
    labels = [],
    tint = '',
    over,
  }: {
    n: number; // things in it
    cell: number; // px
    x?: number;
    y?: number;
    pairs?: boolean;
    thing?: number; // which things
    counter?: boolean; // plain counters, for small pictures
    now?: number; // the cell that was filled or counted last
    labels?: string[]; // a number under each thing
    tint?: string; // the place in whose hue filled cells stand
    over?: Snippet;
  } = $props();

  const pad = $derived(cell * 0.12);
  const size = $derived(cell * 0.74);
</script>

<g transform="translate({x} {y})">
  <rect
    class="tray"
    width={5 * cell + 2 * pad}
    height={2 * cell + 2 * pad}
    rx={cell * 0.16}
    stroke-width={Math.max(1, cell * 0.025)}
  />
  {#each { length: 10 }, i (i)}
    {@const at = cellOf(i, pairs)}
    {@const label = labels[i] ?? ''}
    <rect
      class="cell"
      class:now={i === now}
      style:fill={tint && i < n ? `var(--${tint}-tint)` : undefined}
      x={pad + at.x * cell + cell * 0.04}
      y={pad + at.y * cell + cell * 0.04}
      width={cell * 0.92}
      height={cell * 0.92}
      rx={cell * 0.1}
      stroke-width={i === now ? Math.max(2, cell * 0.05) : Math.max(0.6, cell * 0.018)}
    />
    {#if i < n}
      {#if counter}
        <circle
          class="counter"
          cx={pad + (at.x + 0.5) * cell}
          cy={pad + (at.y + 0.5) * cell}
          r={cell * 0.36}
          stroke-width={cell * 0.06}
        />
      {:else}
        <use
          href="#thing-{thing}"
          x={pad + (at.x + 0.5) * cell - (label ? size * 0.39 : size / 2)}
          y={pad + at.y * cell + (label ? cell * 0.06 : (cell - size) / 2)}
          width={label ? size * 0.78 : size}
          height={label ? size * 0.78 : size}
        />
        {#if label}<text
            x={pad + (at.x + 0.5) * cell}
            y={pad + at.y * cell + cell * 0.9}
            font-size={cell * 0.3}>{label}</text
          >{/if}
      {/if}
    {/if}
  {/each}
  {@render over?.()}
</g>

<style>
  .tray {
    fill: #e6d9b6;
    stroke: var(--edge);
  }
  .cell {
    fill: var(--sheet);
    stroke: var(--tray);
  }
  .cell.now {
    stroke: var(--leaf);
  }
  .counter {
    fill: var(--ones);
    stroke: var(--ones-ink);
  }
  text {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    fill: var(--ink);
  }
</style>
