<script lang="ts">
  // Two boxes of five compartments from 0 to 9, and 45 sticks: as many in each as it says.
  // In the 0 lies nothing.
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const here = (k: number): number => step.zones[`box-${k}`]?.stick ?? 0;
  const heap = $derived(step.zones.heap?.stick ?? 0);
  const heapHigh = $derived(Math.min(96, h * 0.14));
  const high = $derived((h - heapHigh - 16) / 2);
  const wide = $derived((w - 28) / 5);
  const LABEL = 0.3;
  const tilt = (i: number): number => (((i * 37) % 5) - 2) * 0.55;
  /** Five are seen: a gap after the fifth. */
  const at = (i: number, n: number): number => {
    const pitch = Math.min(22, (wide - 30) / Math.max(5, n + 0.6));
    const width = (n - 1) * pitch + (n > 5 ? 8 : 0);
    return wide / 2 - width / 2 + i * pitch + (i > 4 ? 8 : 0);
  };
</script>

<svg width={w} height={h} viewBox="0 0 {w} {h}" data-one="boxes">
  {#each [0, 1] as row (row)}
    {@const y = row * high}
    <rect
      class="box"
      x="1"
      y={y + high * LABEL}
      width={w - 2}
      height={high * (0.96 - LABEL)}
      rx="8"
    />
    {#each { length: 5 }, i (i)}
      {@const k = 5 * row + i}
      <g
        role="img"
        aria-label="{k}: {here(k)} sticks"
        transform="translate({10 + i * (wide + 2)} {y})"
      >
        <text
          x={wide / 2}
          y={high * LABEL - 6}
          font-size={high * 0.18}
          class:now={(step.kind === 'sort' && step.count === k) ||
            (step.kind === 'zero' && k === 0)}>{k}</text
        >
        <rect
          class="place"
          class:now={(step.kind === 'sort' && step.count === k) ||
            (step.kind === 'zero' && k === 0)}
          x="2"
          y={high * LABEL + 8}
          width={wide - 4}
          height={high * (0.96 - LABEL) - 16}
          rx="5"
        />
        {#each { length: here(k) }, s (s)}
          <path
            class="stick"
            transform="rotate({tilt(s + k)} {at(s, here(k))} {high * 0.6})"
            d="M{at(s, here(k))} {high * LABEL + 24}V{high * 0.96 - 24}"
          />
        {/each}
        {#if step.kind === 'zero' && k === 0}
          <text class="nothing" x={wide / 2} y={high * 0.64} font-size="22">nothing</text>
        {/if}
      </g>
    {/each}
  {/each}
  <g role="img" aria-label="the heap: {heap} sticks">
    <text class="small" x="4" y={h - heapHigh + 22}>{heap ? 'the heap' : 'the heap is empty'}</text>
    {#each { length: heap }, i (i)}
      <path
        class="stick thin"
        transform="rotate({tilt(i) * 4} {110 + i * ((w - 130) / 45)} {h - heapHigh / 2})"
        d="M{130 + i * ((w - 150) / 45)} {h - heapHigh + 8}V{h - 8}"
      />
    {/each}
  </g>
</svg>

<style>
  .box {
    fill: #e6d9b6;
    stroke: var(--edge);
    stroke-width: 1.6;
  }
  .place {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1.2;
  }
  .place.now {
    stroke: var(--leaf);
    stroke-width: 4;
  }
  text {
    font-family: var(--kid);
    text-anchor: middle;
    fill: var(--ink);
  }
  text.now {
    font-weight: 700;
    fill: var(--leaf-deep);
  }
  .nothing,
  .small {
    fill: var(--ink-2);
  }
  .small {
    font-size: 17px;
    text-anchor: start;
  }
  .stick {
    stroke: #c98a3f;
    stroke-width: 9;
    stroke-linecap: round;
  }
  .thin {
    stroke-width: 6;
    stroke: #b97a34;
  }
</style>
