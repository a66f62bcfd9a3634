<script lang="ts">
  // What is laid with bars, in one row: a snake, a chain, rods; for lists and hands of cards.
  import type { Sum } from '../wire.gen';
  import Bar from './Bar.svelte';
  import Rod from './Rod.svelte';
  import SnakeRow from './SnakeRow.svelte';

  let {
    sum,
    width,
    most = 9,
    numbers = false,
  }: {
    sum: Pick<Sum, 'snake' | 'chain' | 'rods'>;
    width: number;
    most?: number;
    numbers?: boolean;
  } = $props();

  const LEAST = 4.5; // a bead is not drawn smaller while there are bars enough to leave out
  const chain = $derived(sum.chain);
  const beads = $derived(Math.min(10, chain?.beads ?? 1));
  const shown = $derived(
    Math.max(2, Math.min(chain?.bars ?? 0, Math.floor(width / (beads * LEAST + 2)))),
  );
  const u = $derived(Math.max(1.6, Math.min(most, (width - 2 * shown) / (shown * beads))));
  const rods = $derived(sum.rods);
  const unit = $derived(Math.min(14, (width - 4) / 10));
  const rows = $derived(rods?.asks === 'order' ? [1, 2, 3] : [0, 1]);
</script>

{#if sum.snake}
  <SnakeRow snake={sum.snake} {width} {most} {numbers} />
{:else if chain}
  <svg {width} height={1.4 * u + 2} viewBox="0 0 {width} {1.4 * u + 2}" aria-hidden="true">
    {#each { length: shown }, i (i)}
      <g transform="translate({1 + i * (beads * u + 2)} {0.7 * u + 1})">
        <Bar n={beads} kind={beads === 10 ? 'golden' : 'stair'} {u} eyes={false} />
      </g>
    {/each}
  </svg>
{:else if rods}
  {@const high = unit * 0.75}
  <svg {width} height={rows.length * (high + 2)} aria-hidden="true">
    {#if rods.asks === 'order'}
      {#each rows as n, i (n)}
        <g transform="translate(1 {i * (high + 2)})"><Rod {n} {unit} {high} /></g>
      {/each}
    {:else}
      <g transform="translate(1 0)"><Rod n={rods.first} {unit} {high} /></g>
      {#if rods.asks === 'beside'}
        <g transform="translate({1 + rods.first * unit} 0)"><Rod n={rods.second} {unit} {high} /></g
        >
        <rect
          class="due"
          x="2"
          y={high + 3}
          width={rods.long * unit - 2}
          height={high - 2}
          rx="3"
        />
      {:else}
        <rect
          class="due"
          x={2 + rods.first * unit}
          y="1"
          width={rods.second * unit - 2}
          height={high - 2}
          rx="3"
        />
        <g transform="translate(1 {high + 2})"><Rod n={rods.long} {unit} {high} /></g>
      {/if}
    {/if}
  </svg>
{/if}

<style>
  .due {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 1.6;
    stroke-dasharray: 4 3;
  }
</style>
