<script lang="ts">
  // What lies on the mat after a step: trays or the joined piles, cards on the
  // rims, the swap with its ten and the new piece. It draws the state; the
  // state is the trace's.
  import { prefersReducedMotion } from 'svelte/motion';
  import { innerWidth } from 'svelte/reactivity/window';
  import { layout, NARROW } from '../../lib/pieces/layout';
  import Cards, { cardHeight } from '../../lib/pieces/Cards.svelte';
  import { scene, workOf } from '../../lib/pieces/scene';
  import { track } from '../../lib/pieces/track';
  import { boxOf, PIECES } from '../../lib/pieces/units';
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
  const numbers = $derived(lesson.link.sum.numbers);
  const together = $derived(index >= steps.findIndex((s) => s.kind === 'join'));
  const places = $derived.by(() => {
    const top = words.places.findIndex((p) => p.id === lesson.top);
    return PIECES.slice(0, top + 1).toReversed();
  });
  const plan = $derived(layout(workOf(lesson, places), w, h));
  const tracked = $derived(track(steps));
  const now = $derived(scene(lesson, index, plan, tracked));
  const unit = $derived(plan.unit);

  const cardsOf = (tray: number): number[] =>
    steps.slice(0, index + 1).find((s) => s.kind === 'label' && s.tray === tray)?.cards ?? [];
  const labelled = (tray: number): boolean =>
    steps.slice(0, index + 1).some((s) => s.kind === 'label' && s.tray === tray);
  const written = $derived(
    steps
      .slice(0, index + 1)
      .filter((s) => s.kind === 'write')
      .map((s) => ({ place: s.place!, card: s.cards[0] })),
  );
  const slid = $derived(steps.slice(0, index + 1).find((s) => s.kind === 'slide'));

  /** How far down the store's boards stand, in px; upright the store is below. */
  const BOARD: Record<string, number> = { thousands: 84, hundreds: 180, tens: 272 };
  const UPRIGHT = 900;
  const upright = $derived((innerWidth.current ?? 0) <= UPRIGHT);

  /** The width of a digit on the cards, in px: at least 40 px high where there is room. */
  const smallCell = $derived(w < NARROW ? 26 : 36);
  const largeCell = $derived(w < NARROW ? 26 : 40);
  /** Up to so many numbers have cards of full size on the rim. */
  const FEW = 3;
  const rimCell = $derived(numbers.length > FEW ? (w < NARROW ? 18 : 24) : smallCell);
  const rim = $derived(plan.joined.y + plan.joined.height);
  const ms = $derived(prefersReducedMotion.current ? 0 : 450);
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  class:still={ms === 0}
  class:narrow={w < NARROW}
  data-unit={unit.toFixed(1)}
>
  {#if together}
    <Tray
      band={plan.joined}
      says="pushed together"
      counts={step.zones.joined}
      {words}
      {material}
      {unit}
      now={step.place}
    />
  {:else}
    {#each plan.trays as band, i (i)}
      <Tray
        {band}
        says="tray {i + 1}"
        counts={step.zones[`tray-${i + 1}`]}
        {words}
        {material}
        {unit}
      />
    {/each}
  {/if}

  {#each now.ghosts as g, i (i)}
    <circle cx={g.x + unit / 2} cy={g.y + unit / 2} r={Math.max(2, unit * 0.2)} fill="#cbbd97" />
  {/each}

  <Pieces pieces={now.pieces} {unit} {material} {ms} />

  {#if now.fetched}
    {@const b = boxOf(now.upper)}
    {@const y = Math.min(rim - 12, now.fetched.y + b.height * unit + 14)}
    {@const x = now.fetched.x + (b.width * unit) / 2}
    {@const from = BOARD[now.upper] ?? 60}
    {#if step.place === 'ones'}
      <rect
        class="groove"
        x={now.fetched.x + 2.75 * unit}
        y={now.fetched.y - 3}
        width={1.5 * unit}
        height={10 * unit + 6}
        rx={0.75 * unit}
      />
    {/if}
    <!-- A tendril runs from the gap in the store to the new piece. -->
    {#if upright}
      <path class="tendril" d="M26 {h}V{y + 12}Q26 {y} 38 {y}H{x - 12}Q{x} {y} {x} {y - 10}" />
    {:else}
      <path
        class="tendril"
        d="M0 {from}H4Q14 {from} 14 {from + 10}V{y - 12}Q14 {y} 26 {y}H{x - 12}Q{x} {y} {x} {y -
          10}"
      />
      <use href="#leaf" transform="translate(14 {(from + y) / 2}) rotate(-52) scale(.8)" />
    {/if}
    <use href="#leaf" transform="translate({(x + 26) / 2} {y}) rotate(-8) scale(.8)" />
  {/if}
  {#if now.landing}
    {@const b = boxOf(now.upper)}
    {#if now.upper === 'thousands'}
      <path
        class="landing"
        stroke="var(--thousands-ink)"
        transform="translate({now.landing.x} {now.landing.y})"
        d="M{(b.width * unit) / 2} 0L{b.width * unit} {(b.height * unit) / 4}V{(b.height *
          unit *
          3) /
          4}L{(b.width * unit) / 2} {b.height * unit}L0 {(b.height * unit * 3) / 4}V{(b.height *
          unit) /
          4}Z"
      />
    {:else}
      <rect
        class="landing"
        stroke="var(--{now.upper}-ink)"
        x={now.landing.x}
        y={now.landing.y}
        width={b.width * unit}
        height={b.height * unit}
        rx={now.upper === 'tens' ? unit / 2 : 3}
      />
    {/if}
  {/if}
  {#if now.arrived}
    {@const b = boxOf(now.arrived.place)}
    <rect
      class="arrived"
      x={now.arrived.x - 5}
      y={now.arrived.y - 6}
      width={b.width * unit + 10}
      height={b.height * unit + 12}
      rx="8"
    />
  {/if}
  {#if now.counted}
    <text class="counted" x={now.counted.x} y={now.counted.y} fill="var(--{step.place}-ink)">
      {now.counted.n}
    </text>
  {/if}
</svg>

{#if together}
  {#if slid}
    <Rim cards={slid.cards} cell={largeCell} large x={plan.joined.x + 20} y={plan.joined.y} />
  {:else}
    <div
      class="labels"
      class:close={numbers.length > FEW}
      style:top="{plan.joined.y - cardHeight(rimCell, false) / 2}px"
      style:left="{plan.joined.x + 20}px"
    >
      {#each { length: numbers.length }, i (i)}
        {#if i > 0 && numbers.length <= FEW}<span class="and kid">and</span>{/if}
        <Cards cards={cardsOf(i + 1)} cell={rimCell} />
      {/each}
    </div>
    {#each plan.joined.lanes as lane (lane.place)}
      {@const done = written.find((x) => x.place === lane.place)}
      <Rim
        cards={done && (done.card ? [done.card] : [])}
        digits={PIECES.indexOf(lane.place) + 1}
        cell={largeCell}
        large
        x={lane.x}
        y={rim}
        color="var(--{lane.place}-ink)"
      />
    {/each}
  {/if}
{:else}
  {#each plan.trays as band, i (i)}
    <Rim
      cards={labelled(i + 1) ? cardsOf(i + 1) : undefined}
      digits={String(numbers[i]).length}
      cell={numbers.length > FEW ? rimCell : smallCell}
      x={band.x + 20}
      y={band.y}
    />
  {/each}
{/if}

<style>
  svg {
    position: absolute;
    inset: 0;
  }
  .groove {
    fill: none;
    stroke: var(--ones-ink);
    stroke-width: 1.5;
  }
  .tendril {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
    stroke-linecap: round;
  }
  .landing {
    fill: none;
    stroke-width: 1.8;
    stroke-dasharray: 5 4;
  }
  .arrived {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 3;
  }
  .counted {
    font: 700 var(--t5) var(--kid);
  }
  .labels {
    position: absolute;
    display: flex;
    align-items: center;
    gap: 10px;
  }
  .labels.close {
    gap: 14px;
  }
  .and {
    font-size: var(--t3);
    padding: 0 2px;
    background: linear-gradient(var(--paper) 50%, var(--sheet) 50%);
  }
</style>
