<script lang="ts">
  // Ten frames: filled or shown filled, the full ones covered, counted on from ten. A
  // handful lies beside them until it is in.
  import Frame from '../../../lib/ones/Frame.svelte';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const inFrame = (f: number): number => step.zones[`frame-${f}`]?.counter ?? 0;
  const heap = $derived(step.zones.heap?.counter ?? 0);
  const heaped = $derived(steps.some((s) => s.zones.heap?.counter));
  const isHandful = $derived(one.shown === 'handful');
  /** Before the counting a handful is all there is to be seen. */
  const alone = $derived(isHandful && !steps[index]!.zones['frame-1']);
  const side = $derived(heaped ? w * 0.36 : 0);
  const cell = $derived(
    Math.min((w - side) / 5.5, h / (one.frames * 2.5), one.frames > 1 ? 96 : 120),
  );
  const width = $derived(5.24 * cell);
  const x0 = $derived((w - side - width) / 2);
  const y0 = $derived((h - one.frames * 2.5 * cell + 0.26 * cell) / 2);
  const covered = $derived(steps.slice(0, index + 1).find((s) => s.kind === 'cover'));
  /** Once it is written or said, ten stands in one colour and the ones in another. */
  const told = $derived(['answer', 'write-tens', 'write-ones', 'parts'].includes(step.kind));
  const tint = (f: number): string => (!told ? '' : inFrame(f) === 10 ? 'tens' : 'ones');
  const counting = $derived(step.kind === 'on');
  /** Numbers stand under what was counted on. */
  const labels = (f: number): string[] =>
    Array.from({ length: 10 }, (_, i) => {
      const n = 10 * (f - 1) + i + 1;
      const from = covered?.count ?? Infinity;
      return n > from && steps.slice(0, index + 1).some((s) => s.kind === 'on' && s.count === n)
        ? String(n)
        : '';
    });
  const now = (f: number): number => {
    if (counting && Math.ceil((step.count ?? 0) / 10) === f) return ((step.count ?? 1) - 1) % 10;
    return -1;
  };
  /** A row or frame that is looked at. */
  const looked = (f: number): boolean =>
    (step.kind === 'full' || step.kind === 'put') && step.ten === f;
  const spots = $derived(one.crowd?.things ?? []);
  const scale = $derived(
    one.crowd
      ? alone
        ? Math.min(w / one.crowd.width, h / one.crowd.height)
        : side / one.crowd.width
      : 1,
  );
  const out = $derived(isHandful ? one.number - heap : 0);
  const MISSING = 64;
</script>

<svg width={w} height={h} viewBox="0 0 {w} {h}" data-one="frames">
  {#if !alone}
    {#each { length: one.frames }, i (i)}
      {@const f = i + 1}
      {@const y = y0 + i * 2.5 * cell}
      <g role="img" aria-label="frame {f}: {inFrame(f)}">
        {#if looked(f)}
          <rect
            class="looked"
            x={x0 - 8}
            y={y - 8}
            width={width + 16}
            height={2.24 * cell + 16}
            rx="16"
          />
        {/if}
        <Frame
          n={inFrame(f)}
          {cell}
          x={x0}
          {y}
          pairs={one.pairs}
          thing={one.thing}
          now={now(f)}
          labels={labels(f)}
          tint={tint(f)}
        />
        {#if covered && 10 * f <= (covered.count ?? 0)}
          <g class="cover">
            <rect
              x={x0 - 6}
              y={y + 0.2 * cell}
              width={width + 12}
              height={1.84 * cell}
              rx={cell * 0.3}
            />
            <path
              d="M{x0 + 8} {y + 0.32 * cell}h{width - 16}M{x0 + 8} {y + 1.92 * cell}h{width - 16}"
            />
            <text x={x0 + width / 2} y={y + 1.34 * cell} font-size={cell * 0.62}
              >{f === 1 ? 'ten' : 'ten more'}</text
            >
          </g>
        {/if}
      </g>
    {/each}
  {/if}
  {#if isHandful && heap}
    <g
      role="img"
      aria-label="the handful: {heap} left"
      transform="translate({alone ? (w - one.crowd!.width * scale) / 2 : w - side} {(h -
        one.crowd!.height * scale) /
        2}) scale({scale})"
    >
      {#each spots as t, i (i)}
        {#if i >= out}<use
            href="#thing-{one.thing}"
            x={t.x - t.r * 1.1}
            y={t.y - t.r * 1.1}
            width={2.2 * t.r}
            height={2.2 * t.r}
          />{/if}
      {/each}
    </g>
  {:else if heap}
    <g role="img" aria-label="{heap} lie ready">
      {#each { length: heap }, i (i)}
        <use
          href="#thing-{one.thing}"
          x={w - side + 20 + (i % 3) * (MISSING + 6)}
          y={y0 + Math.floor(i / 3) * (MISSING + 6)}
          width={MISSING}
          height={MISSING}
        />
      {/each}
    </g>
  {/if}
</svg>

<style>
  svg {
    overflow: visible; /* a ring goes round the last frame */
  }
  .looked {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 2.5;
  }
  .cover rect {
    fill: var(--rug);
    stroke: var(--tens-ink);
    stroke-width: 2.5;
  }
  .cover path {
    stroke: var(--tens);
    stroke-width: 4;
    stroke-dasharray: 2 9;
    stroke-linecap: round;
  }
  .cover text {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    fill: var(--tens-ink);
  }
</style>
