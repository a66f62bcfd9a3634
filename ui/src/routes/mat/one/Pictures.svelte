<script lang="ts">
  // Four pictures, one of which shows the number.
  import Frame from '../../../lib/ones/Frame.svelte';
  import { picture } from '../../../lib/pieces/drawn';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const found = $derived(['found', 'answer'].includes(steps[index]!.kind));
  const GAP = 20;
  const wide = $derived((w - GAP) / 2);
  const given = $derived(Math.min(96, h * 0.2));
  const high = $derived((h - given - GAP) / 2);
  const framesOf = (n: number): number => Math.ceil(n / 10);
  const most = $derived(Math.max(...one.choices.map(framesOf)));
  const cell = $derived(Math.min((wide - 40) / 5.3, (high - 30) / (most * 2.5)));
  const unit = $derived(Math.min((high - 60) / 6, (wide - 40) / 28));
</script>

<svg width={w} height={h} viewBox="0 0 {w} {h}" data-one="pictures">
  <text class="given" x={w / 2} y={given * 0.72} font-size={given * 0.7}>{one.given}</text>
  {#each one.choices as n, i (n)}
    {@const right = found && n === one.number}
    <g
      role="img"
      aria-label="picture {i + 1}{right ? ', the right one' : ''}"
      transform="translate({(i % 2) * (wide + GAP)} {given + Math.floor(i / 2) * (high + GAP)})"
    >
      <rect class="card" class:right x="2" y="2" width={wide - 4} height={high - 4} rx="10" />
      <text class="nth" x="16" y="28">{i + 1}</text>
      {#if one.drawn}
        <g transform="translate({wide / 2 - 12 * unit} {high / 2 - 2.5 * unit}) scale({unit})">
          {#each { length: Math.floor(n / 10) }, k (k)}<use
              href="#{picture('drawings', 'tens', k)}"
              x={k * 1.5 + (k > 4 ? 1 : 0)}
              y="0"
            />{/each}
          {#each { length: n % 10 }, k (k)}<use
              href="#{picture('drawings', 'ones', k)}"
              x={16 + (k % 5) * 1.7}
              y={Math.floor(k / 5) * 1.8 + 0.5}
            />{/each}
        </g>
      {:else}
        {#each { length: framesOf(n) }, f (f)}
          <Frame
            n={Math.min(10, n - 10 * f)}
            {cell}
            x={(wide - 5.24 * cell) / 2}
            y={(high - framesOf(n) * 2.5 * cell) / 2 + f * 2.5 * cell + 4}
            counter
            pairs={one.pairs}
          />
        {/each}
      {/if}
    </g>
  {/each}
</svg>

<style>
  .card {
    fill: var(--sheet);
    stroke: var(--line);
    stroke-width: 1.6;
  }
  .card.right {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 5;
  }
  .given {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    fill: var(--ink);
  }
  .nth {
    font: 700 20px var(--text);
    fill: var(--ink-2);
  }
</style>
