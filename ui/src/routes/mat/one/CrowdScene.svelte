<script lang="ts">
  // A crowd of things: each marked once as it is counted, ten ringed with 10 written at the
  // ring, what is over outside.
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const crowd = $derived(one.crowd!);
  const step = $derived(steps[index]!);
  const done = $derived(steps.slice(0, index + 1));
  const rings = $derived(done.filter((s) => s.kind === 'gather').length);
  const over = $derived(done.some((s) => s.kind === 'over'));
  const marked = $derived(over ? one.number : 10 * rings);
  const redrawn = $derived(
    done.some((s) => s.kind === 'redraw' || s.kind === 'answer') &&
      steps.some((s) => s.kind === 'redraw'),
  );
  const below = $derived(redrawn ? 84 : 0);
  const scale = $derived(Math.min(w / crowd.width, (h - below) / crowd.height));
  const left = $derived((w - crowd.width * scale) / 2);
  const top = $derived((h - below - crowd.height * scale) / 2);
  const line = (points: { x: number; y: number }[]): string =>
    points.map((p) => `${p.x},${p.y}`).join(' ');
  const gap = $derived(crowd.hulls[0]?.[0]?.r ?? 20);
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  role="img"
  aria-label="{one.things}: {marked} marked, {rings} rings of ten"
  data-one="crowd"
  data-rings={rings}
  data-marked={marked}
>
  <g transform="translate({left} {top}) scale({scale})">
    <rect class="sheet" x="1" y="1" width={crowd.width - 2} height={crowd.height - 2} rx="8" />
    {#each crowd.hulls.slice(0, rings) as hull, k (k)}
      <polygon
        class="line"
        points={line(hull)}
        stroke-width={2 * gap}
        class:now={k === rings - 1 && step.kind === 'gather'}
      />
      <polygon
        class="inside"
        points={line(hull)}
        stroke-width={2 * gap - (k === rings - 1 && step.kind === 'gather' ? 9 : 6)}
      />
    {/each}
    {#each crowd.things as t, i (i)}
      <use
        class:marked={i < marked}
        href="#thing-{one.thing}"
        x={t.x - t.r * 1.1}
        y={t.y - t.r * 1.1}
        width={2.2 * t.r}
        height={2.2 * t.r}
      />
      {#if i < marked}
        <path
          class="mark"
          d="M{t.x - t.r * 0.7} {t.y + t.r * 0.7}L{t.x + t.r * 0.7} {t.y - t.r * 0.7}"
        />
      {/if}
    {/each}
    {#each crowd.tens.slice(0, rings) as at, k (k)}
      <text
        class="ten"
        x={at.x}
        y={at.y}
        font-size={Math.max(19, Math.min(36, at.r * 1.25), 14.4 / scale)}>10</text
      >
    {/each}
  </g>
  {#if redrawn}
    <g
      class="drawn"
      transform="translate({w / 2 - (one.tens * 16 + 24 + one.ones * 14) / 2} {h - 72})"
    >
      {#each { length: one.tens }, i (i)}<path d="M{i * 16 + (i > 4 ? 8 : 0) + 4} 4v56" />{/each}
      {#each { length: one.ones }, i (i)}
        <circle cx={one.tens * 16 + 30 + (i % 5) * 18} cy={20 + Math.floor(i / 5) * 22} r="6" />
      {/each}
    </g>
  {/if}
</svg>

<style>
  .sheet {
    fill: var(--sheet);
    stroke: var(--tray);
    stroke-width: 1.6;
  }
  polygon {
    stroke-linejoin: round;
  }
  .line {
    fill: var(--leaf);
    stroke: var(--leaf);
  }
  .inside {
    fill: var(--sheet);
    stroke: var(--sheet);
  }
  .marked {
    opacity: 0.45;
  }
  .mark {
    stroke: var(--ink);
    stroke-width: 2.4;
    stroke-linecap: round;
  }
  .ten {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    dominant-baseline: central;
    fill: var(--tens-ink);
    paint-order: stroke;
    stroke: var(--sheet);
    stroke-width: 6px;
  }
  .drawn path {
    stroke: var(--tens-ink);
    stroke-width: 4;
    stroke-linecap: round;
  }
  .drawn circle {
    fill: var(--ones-ink);
  }
</style>
