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
    lines = 5,
    numbers = false,
  }: {
    sum: Pick<Sum, 'snake' | 'chain' | 'rods'>;
    width: number;
    most?: number;
    lines?: number; // that a chain may take
    numbers?: boolean;
  } = $props();

  const LEAST = 4.5; // a bead is not drawn smaller: a longer chain goes on in the next line
  const HUNDRED = 100;
  const DOTS = 16; // what is left out stands as three dots
  const id = $props.id();
  const chain = $derived(sum.chain);
  const squares = $derived(chain?.beads === HUNDRED);
  const beads = $derived(chain?.beads ?? 1);
  const bars = $derived(chain?.bars ?? 0);
  const perLine = $derived(Math.max(1, Math.floor((width - DOTS) / (beads * LEAST + 2))));
  const rows = $derived(Math.min(lines, Math.ceil(bars / perLine)));
  const shown = $derived(Math.min(bars, rows * perLine));
  const inLine = $derived(Math.ceil(shown / rows));
  const u = $derived(
    Math.min(most, (width - (shown < bars ? DOTS : 0) - 2 * inLine) / (inLine * beads)),
  );
  const q = $derived(Math.min(3 * most, width / bars - 3)); // a square of a hundred
  const line = $derived(1.4 * u + 2);
  const rods = $derived(sum.rods);
  const unit = $derived(Math.min(14, (width - 4) / 10));
  const rodsShown = $derived(rods?.asks === 'order' ? [1, 2, 3] : [0, 1]);
</script>

{#if sum.snake}
  <SnakeRow snake={sum.snake} {width} {most} {numbers} />
{:else if chain && squares}
  <svg {width} height={q + 4} aria-hidden="true">
    <pattern {id} width={q / 5} height={q / 5} patternUnits="userSpaceOnUse" x="1" y="2">
      <rect width={q / 5} height={q / 5} fill="var(--hundreds-ink)" />
      <circle cx={q / 10} cy={q / 10} r={q / 14} fill="var(--ones)" />
    </pattern>
    {#each { length: bars }, i (i)}
      <svg x={1 + i * (q + 3)} overflow="visible">
        <rect class="flat" x="1" y="2" width={q} height={q} rx="1.5" fill="url(#{id})" />
      </svg>
    {/each}
  </svg>
{:else if chain}
  <svg {width} height={rows * line} viewBox="0 0 {width} {rows * line}" aria-hidden="true">
    {#each { length: shown }, i (i)}
      <g
        transform="translate({1 + (i % inLine) * (beads * u + 2)} {(Math.floor(i / inLine) + 0.5) *
          line})"
      >
        <Bar n={beads} kind={beads === 10 ? 'golden' : 'stair'} {u} eyes={false} />
      </g>
    {/each}
    {#if shown < bars}
      {#each [3, 8, 13] as x (x)}
        <circle
          cx={inLine * (beads * u + 2) + x}
          cy={(rows - 0.5) * line}
          r="1.6"
          fill="var(--ink-2)"
        />
      {/each}
    {/if}
  </svg>
{:else if rods}
  {@const high = unit * 0.75}
  <svg {width} height={rodsShown.length * (high + 2)} aria-hidden="true">
    {#if rods.asks === 'order'}
      {#each rodsShown as n, i (n)}
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
  .flat {
    stroke: var(--hundreds);
    stroke-width: 1.2;
  }
  .due {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 1.6;
    stroke-dasharray: 4 3;
  }
</style>
