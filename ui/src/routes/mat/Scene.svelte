<script lang="ts">
  // What lies on the mat after a step, for every operation: trays, pieces, the swap
  // that is looked at before it is made, cards on the rims. It draws the state; the
  // state is the trace's.
  import { prefersReducedMotion } from 'svelte/motion';
  import { innerWidth } from 'svelte/reactivity/window';
  import { whenIdle } from '../../lib/idle';
  import { loop } from '../../lib/pieces/drawn';
  import { layout } from '../../lib/pieces/layout';
  import { hops, scene, workOf } from '../../lib/pieces/scene';
  import { track } from '../../lib/pieces/track';
  import { boxOf, handOf, PIECES } from '../../lib/pieces/units';
  import type { Lesson, Words, Written } from '../../lib/wire.gen';
  import Back from './Back.svelte';
  import Hops from './Hops.svelte';
  import Layer from './Layer.svelte';
  import Laid from './Laid.svelte';
  import Pieces from './Pieces.svelte';
  import Swap from './Swap.svelte';
  import Tray from './Tray.svelte';

  let {
    lesson,
    index,
    at,
    material,
    words,
    w,
    h,
    apart = false,
    lacks = [],
  }: {
    lesson: Lesson;
    index: number;
    at?: Record<'trays' | 'cards' | 'marks', number>; // the step that each shows by now
    material: string;
    words: Words;
    w: number;
    h: number;
    apart?: boolean; // cards lie apart, as the expanded form
    lacks?: Written[]; // so many pieces of a place that an answer does not have: they are ringed
  } = $props();

  const steps = $derived(lesson.steps);
  // Each is the same from step to step, so that the plan is made once.
  const sum = $derived(lesson.link.sum);
  const highest = $derived(lesson.top);
  const places = $derived.by(() => {
    const top = words.places.findIndex((p) => p.id === highest);
    return PIECES.slice(0, top + 1).toReversed();
  });
  const hand = $derived(handOf(material));
  const tracked = $derived(track(steps, hand));
  const plan = $derived(layout(workOf(sum, steps, places, tracked, hand), w, h));
  /** What is seen after each step, once it was asked for. */
  const scenes = $derived.by(() => {
    const known: Record<number, ReturnType<typeof scene>> = {};
    const [all, on, pieces] = [steps, plan, tracked];
    return (i: number) => (known[i] ??= scene(all, i, on, pieces));
  });
  /** Another trace may have fewer steps. */
  const last = $derived(steps.length - 1);
  const shownBy = (part: 'trays' | 'cards' | 'marks'): number =>
    Math.min(at?.[part] ?? index, last);
  const inTrays = $derived(shownBy('trays'));
  const carded = $derived(shownBy('cards'));
  const marked = $derived(shownBy('marks'));
  const trays = $derived(scenes(inTrays));
  const now = $derived(scenes(marked));
  // The step to come is worked out while nothing else is to be done.
  $effect(() => {
    const [of, next] = [scenes, Math.min(index + 1, last)];
    return whenIdle(() => of(next));
  });
  const unit = $derived(plan.unit);
  /** The pieces that an answer lacks: the last of their heaps, those in front. */
  const missed = $derived(
    lacks.flatMap(({ place, digit }) =>
      scenes(index)
        .pieces.filter((p) => p.place === place && !p.gone && p.zone !== 'taken')
        .toSorted((a, b) => b.nth - a.nth)
        .slice(0, digit),
    ),
  );
  const stem = $derived(plan.bands.start ? hops(steps, marked) : []);

  /** How far down the store's boards stand, in px; upright the store is below. */
  const BOARD: Record<string, number> = { thousands: 84, hundreds: 180, tens: 272, ones: 340 };
  const UPRIGHT = 900;
  const upright = $derived((innerWidth.current ?? 0) <= UPRIGHT);
  const store = $derived(
    Object.fromEntries(
      PIECES.map((p) => [p, upright ? { x: 26, y: h + 20 } : { x: -60, y: BOARD[p]! }]),
    ),
  );
  const look = $derived({
    unit,
    material,
    hand,
    moving: !prefersReducedMotion.current,
    store,
    width: w,
    height: h,
  });

  /** What a tray is, for ears, and what stands on its rim. */
  const saysOf = (zone: string): [says: string, title: string] => {
    const [kind, nth] = zone.split('-');
    if (kind === 'tray') return [`tray ${nth}`, ''];
    if (kind === 'share') return [`share ${nth}`, ''];
    return (
      {
        joined: ['pushed together', ''],
        start: ['the number', ''],
        taken: ['taken away', ''],
        remainder: ['the remainder', 'the remainder'],
        groups: ['groups', ''],
      } as Record<string, [string, string]>
    )[zone]!;
  };
</script>

<!-- Trays that are not seen yet are there: pushing together makes nothing anew. -->
{#each Object.entries(plan.bands) as [zone, band] (zone)}
  {@const [says, title] = saysOf(zone)}
  <Layer off={!trays.zones.includes(zone)}>
    <Tray
      {band}
      {says}
      {title}
      counts={steps[inTrays]!.zones[zone]}
      {words}
      {material}
      {unit}
      {w}
      {h}
      now={steps[inTrays]!.place}
    />
  </Layer>
{/each}
<svg class="under" width={w} height={h} viewBox="0 0 {w} {h}" data-unit={unit.toFixed(1)}>
  {#if now.swap}<Swap swap={now.swap} {unit} {h} {upright} board={store} />{/if}
  {#if now.back}
    <Back back={now.back} {h} {upright} deeper={!!now.swap} board={store} />
  {/if}
  {#each now.arrived as boxes, i (i)}
    {#each ['arrived', 'inside'] as how (how)}
      {#each boxes as b, k (k)}
        <rect class={how} x={b.x} y={b.y} width={b.width} height={b.height} rx="8" />
      {/each}
    {/each}
  {/each}
  {#each now.rings as r (r.key)}
    {#if r.how === 'ten' || r.how === 'group'}
      <rect
        class="ring {r.how}"
        x={r.x}
        y={r.y}
        width={r.width}
        height={r.height}
        rx={r.how === 'group' ? Math.min(r.height / 2, 14) : 7}
        stroke="var(--{r.place}-ink)"
      />
    {/if}
  {/each}
</svg>

<Pieces pieces={scenes(index).pieces} {look} />

<svg class="over" width={w} height={h} viewBox="0 0 {w} {h}">
  {#each now.rings as r, i (r.key)}
    {#if r.how === 'due' || r.how === 'done'}
      <path
        class="loop {r.how}"
        transform="translate({r.x - 3} {r.y - 3})"
        d={loop(r.width + 6, r.height + 6, 1.6, i + 11)}
      />
    {/if}
  {/each}
  {#if now.drawn}
    {@const [a, b] = [now.drawn.from, now.drawn.to]}
    <path
      class="stem"
      d="M{a.x} {a.y}C{a.x} {a.y - 50} {b.x + unit} {b.y - 50} {b.x + unit} {b.y - 8}"
    />
  {/if}
  {#if stem.length}<Hops {stem} lanes={plan.bands.start!.lanes} floor={plan.floor} />{/if}
  {#if now.swap && steps[marked]!.place === 'ones' && now.swap.up}
    {@const first = now.swap.ten[0]!}
    <rect
      class="groove"
      x={first.x - 0.25 * unit}
      y={first.y - 3}
      width={1.5 * unit}
      height={10 * unit + 6}
      rx={0.75 * unit}
    />
  {/if}
  {#each now.swap?.landing ?? [] as l, i (i)}
    {@const b = boxOf(l.place)}
    {#if l.place === 'thousands'}
      {@const [bw, bh] = [b.width * unit, b.height * unit]}
      <path
        class="landing"
        stroke="var(--thousands-ink)"
        transform="translate({l.x} {l.y})"
        d="M{bw / 2} 0L{bw} {bh / 4}V{(bh * 3) / 4}L{bw / 2} {bh}L0 {(bh * 3) / 4}V{bh / 4}Z"
      />
    {:else}
      <rect
        class="landing {l.place}"
        stroke="var(--{l.place}-ink)"
        x={l.x}
        y={l.y}
        width={b.width * unit}
        height={b.height * unit}
        rx={l.place === 'hundreds' ? 3 : unit / 2}
      />
    {/if}
  {/each}
  {#each missed as p (p.id)}
    {@const b = boxOf(p.place)}
    <rect
      class="missed"
      x={p.x - 5}
      y={p.y - 5}
      width={b.width * unit + 10}
      height={b.height * unit + 10}
      rx="8"
    />
  {/each}
  {#if now.counted}
    <text class="counted" x={now.counted.x} y={now.counted.y} fill="var(--{now.counted.place}-ink)">
      {now.counted.n}
    </text>
  {/if}
</svg>

<Laid {lesson} index={carded} {plan} zones={scenes(carded).zones} {w} {apart} />

<style>
  .under,
  .over {
    position: absolute;
    inset: 0;
  }
  .over {
    pointer-events: none;
  }
  .groove {
    fill: none;
    stroke: var(--ones-ink);
    stroke-width: 1.5;
  }
  .missed {
    fill: none;
    stroke: var(--clay);
    stroke-width: 2.5;
  }
  .landing {
    fill: none;
    stroke-width: 1.6;
    stroke-dasharray: 4 3;
  }
  .landing.ones {
    stroke-width: 1.4;
    stroke-dasharray: 2 1.8;
  }
  .arrived {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 6; /* the inner half is laid over */
  }
  .inside {
    fill: var(--sheet);
  }
  .ring {
    fill: none;
    stroke-width: 1.6;
  }
  .ring.ten {
    stroke-dasharray: 5 3;
  }
  .loop {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 3;
    stroke-linecap: round;
  }
  .stem {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
  }
  .loop.due {
    stroke-dasharray: 6 6;
  }
  .counted {
    font: 700 var(--t5) var(--kid);
    paint-order: stroke;
    stroke: var(--sheet);
    stroke-width: 5px;
  }
</style>
