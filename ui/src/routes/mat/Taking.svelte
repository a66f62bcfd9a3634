<script lang="ts">
  // Taking away on the mat: what is there, what is taken, cards on the rims, and
  // the stem that hops from place to place where a swap walks down.
  import { prefersReducedMotion } from 'svelte/motion';
  import { lie, MAT, NARROW, type Lane } from '../../lib/pieces/layout';
  import { hops, HOP, lying, takingLayout } from '../../lib/pieces/taking';
  import { track } from '../../lib/pieces/track';
  import { PIECES } from '../../lib/pieces/units';
  import type { Lesson, Words } from '../../lib/wire.gen';
  import Pieces from './Pieces.svelte';
  import Rim from './Rim.svelte';
  import Tray from './Tray.svelte';

  let {
    lesson,
    index,
    material,
    words,
    w,
    h,
  }: { lesson: Lesson; index: number; material: string; words: Words; w: number; h: number } =
    $props();

  const steps = $derived(lesson.steps);
  const step = $derived(steps[index]!);
  const places = $derived.by(() => {
    const top = words.places.findIndex((p) => p.id === lesson.top);
    return PIECES.slice(0, top + 1).toReversed();
  });
  const plan = $derived(takingLayout(places, steps, w, h));
  const tracked = $derived(track(steps));
  const pieces = $derived(lying(plan, tracked[index] ?? []));
  const unit = $derived(plan.unit);
  const stem = $derived(hops(steps, index));
  const floor = $derived(plan.start.y + plan.start.height - MAT.foot - 6);

  const smallCell = $derived(w < NARROW ? 26 : 36);
  const largeCell = $derived(w < NARROW ? 26 : 40);
  const done = $derived(steps.slice(0, index + 1));
  const cardsOf = (tray: number): number[] | undefined =>
    done.find((s) => s.kind === 'label' && s.tray === tray)?.cards;
  const written = $derived(done.filter((s) => s.kind === 'write'));
  const slid = $derived(done.find((s) => s.kind === 'slide'));
  const ms = $derived(prefersReducedMotion.current ? 0 : 450);

  const lane = (place: string): Lane | undefined => plan.start.lanes.find((l) => l.place === place);
  const counted = $derived.by(() => {
    const at = step.place ? lane(step.place) : undefined;
    if (!at || !['look', 'swap-down', 'take-away'].includes(step.kind)) return undefined;
    const n = step.zones.start?.[at.place] ?? 0;
    const heap = lie(at, plan.start, unit, n).heap;
    const top = plan.start.y + MAT.rim + MAT.label + 34;
    const beside = heap.width * unit + 12;
    return beside + 46 > at.width
      ? { n, x: at.x, y: top + heap.height * unit + 12 }
      : { n, x: at.x + beside, y: top };
  });
  const ten = $derived.by(() => {
    const swaps = step.kind === 'swap-down' || step.kind === 'swap-up';
    const at = swaps ? lane(step.to!) : undefined;
    if (!at) return undefined;
    const heap = lie(at, plan.start, unit, step.zones.start?.[at.place] ?? 0).heap;
    return {
      x: at.x - 6,
      y: plan.start.y + MAT.rim + MAT.label - 6,
      width: heap.width * unit + 12,
      height: heap.height * unit + 12,
    };
  });
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  class:still={ms === 0}
  class:narrow={w < NARROW}
  data-unit={unit.toFixed(1)}
>
  <Tray
    band={plan.start}
    says="there"
    counts={step.zones.start}
    {words}
    {material}
    {unit}
    now={step.place}
  />
  <Tray
    band={plan.taken}
    says="taken"
    counts={step.zones.taken}
    {words}
    {material}
    {unit}
    named={false}
  />
  <Pieces {pieces} {unit} {material} {ms} />
  {#each stem as hop, i (i)}
    {@const a = lane(hop.from)}
    {@const b = lane(hop.to)}
    {#if a && b}
      <path
        class="hop {hop.when}"
        d="M{a.x + 14} {floor}C{a.x + 14} {floor - HOP} {b.x + 14} {floor - HOP} {b.x + 14} {floor}"
      />
      {#if hop.when !== 'due'}
        <use href="#leaf" transform="translate({b.x + 10} {floor - 4}) rotate(64) scale(.7)" />
      {/if}
    {/if}
  {/each}
  {#if ten}<rect
      class="arrived"
      x={ten.x}
      y={ten.y}
      width={ten.width}
      height={ten.height}
      rx="8"
    />{/if}
  {#if counted}
    <text class="counted" x={counted.x} y={counted.y} fill="var(--{step.place}-ink)"
      >{counted.n}</text
    >
  {/if}
</svg>

<Rim
  cards={cardsOf(1)}
  digits={String(lesson.link.sum.numbers[0]).length}
  cell={largeCell}
  large
  x={MAT.margin + 20}
  y={plan.start.y}
/>
<Rim
  cards={cardsOf(2)}
  digits={String(lesson.link.sum.numbers[1]).length}
  cell={smallCell}
  x={MAT.margin + 20}
  y={plan.taken.y}
>
  {#if cardsOf(2)}
    <span class="goes kid">{step.at.startsWith('check') ? 'taken' : 'to go'}</span>
  {/if}
</Rim>
{#if slid}
  <Rim
    cards={slid.cards}
    cell={smallCell}
    x={MAT.margin + 20}
    y={plan.start.y + plan.start.height}
    right
  />
{:else}
  {#each plan.start.lanes as l (l.place)}
    {@const card = written.find((s) => s.place === l.place)}
    <Rim
      cards={card?.cards}
      digits={PIECES.indexOf(l.place) + 1}
      cell={smallCell}
      x={l.x}
      y={plan.start.y + plan.start.height}
      color="var(--{l.place}-ink)"
    />
  {/each}
{/if}

<style>
  svg {
    position: absolute;
    inset: 0;
  }
  .hop {
    fill: none;
    stroke: var(--wood);
    stroke-width: 2.4;
    stroke-linecap: round;
  }
  .hop.now {
    stroke: var(--leaf);
    stroke-width: 3;
  }
  .hop.due {
    stroke: var(--leaf);
    stroke-width: 2;
    stroke-dasharray: 1 6;
  }
  .arrived {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 3;
  }
  .counted {
    font: 700 var(--t5) var(--kid);
  }
  .goes {
    padding: 0 4px;
    font-size: var(--t2);
    background: linear-gradient(var(--paper) 50%, var(--sheet) 50%);
  }
</style>
