<script lang="ts">
  // Taking away on the mat: what is there, what is taken, cards on the rims, and
  // the stem that hops from place to place where a swap walks down.
  import { prefersReducedMotion } from 'svelte/motion';
  import { fade } from 'svelte/transition';
  import Cards, { cardHeight } from '../../lib/pieces/Cards.svelte';
  import { lie, MAT, NARROW, type Lane } from '../../lib/pieces/layout';
  import { hops, HOP, lying, takingLayout } from '../../lib/pieces/taking';
  import { track } from '../../lib/pieces/track';
  import { PIECES } from '../../lib/pieces/units';
  import type { Lesson, Words } from '../../lib/wire.gen';

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
  const smallHigh = $derived(cardHeight(smallCell, false));
  const largeHigh = $derived(cardHeight(largeCell, true));
  const done = $derived(steps.slice(0, index + 1));
  const cardsOf = (tray: number): number[] | undefined =>
    done.find((s) => s.kind === 'label' && s.tray === tray)?.cards;
  const written = $derived(done.filter((s) => s.kind === 'write'));
  const slid = $derived(done.find((s) => s.kind === 'slide'));
  const slot = (place: string): number => (PIECES.indexOf(place) + 1) * smallCell;
  const many = (place: string): string => words.places.find((p) => p.id === place)?.many ?? place;
  const ms = $derived(prefersReducedMotion.current ? 0 : 450);

  const pieceName = (place: string, n: number): string => {
    const name = words.materials.find((m) => m.id === material)?.pieces[PIECES.indexOf(place)];
    return `${n} ${(n === 1 ? name?.one : name?.many) ?? place}`;
  };
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
  {#each [plan.start, plan.taken] as band, i (i)}
    <rect
      class="tray"
      x={MAT.margin}
      y={band.y}
      width={w - 2 * MAT.margin}
      height={band.height}
      rx="12"
    />
    {#each band.lanes as l (l.place)}
      <rect
        class="pile"
        role="img"
        aria-label="{i === 0 ? 'there' : 'taken'}: {pieceName(
          l.place,
          step.zones[i === 0 ? 'start' : 'taken']?.[l.place] ?? 0,
        )}"
        x={l.x}
        y={band.y + MAT.rim}
        width={l.width}
        height={Math.max(1, l.fits * unit)}
      />
    {/each}
  {/each}
  {#each plan.start.lanes as l (l.place)}
    <g class="label" class:now={step.place === l.place} aria-hidden="true">
      <use href="#mark-{l.place}" transform="translate({l.x} {plan.start.y + MAT.rim + 5})" />
      <text x={l.x + 22} y={plan.start.y + MAT.rim + 20} fill="var(--{l.place}-ink)"
        >{many(l.place)}</text
      >
    </g>
  {/each}
  {#each pieces as p (p.id)}
    <g
      class="piece"
      style:transform="translate({p.x}px, {p.y}px) scale({unit})"
      in:fade={{ duration: ms }}
      out:fade={{ duration: ms / 2 }}
    >
      <use href="#{material}-{p.place}" />
    </g>
  {/each}
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

<div class="rim" style:top="{plan.start.y - largeHigh / 2}px" style:left="{MAT.margin + 20}px">
  {#if cardsOf(1)}
    <Cards cards={cardsOf(1)!} cell={largeCell} large />
  {:else}
    <span
      class="empty"
      style:width="{String(lesson.link.sum.numbers[0]).length * largeCell}px"
      style:height="{largeHigh}px"
    ></span>
  {/if}
</div>
<div class="rim" style:top="{plan.taken.y - smallHigh / 2}px" style:left="{MAT.margin + 20}px">
  {#if cardsOf(2)}
    <Cards cards={cardsOf(2)!} cell={smallCell} /><span class="goes kid"
      >{step.at.startsWith('check') ? 'taken' : 'to go'}</span
    >
  {:else}
    <span
      class="empty"
      style:width="{String(lesson.link.sum.numbers[1]).length * smallCell}px"
      style:height="{smallHigh}px"
    ></span>
  {/if}
</div>
{#if slid}
  <div
    class="rim"
    style:top="{plan.start.y + plan.start.height - smallHigh / 2}px"
    style:right="{MAT.margin + 20}px"
  >
    <Cards cards={slid.cards} cell={smallCell} />
  </div>
{:else}
  {#each plan.start.lanes as l (l.place)}
    {@const card = written.find((s) => s.place === l.place)}
    <div
      class="slot"
      style:left="{l.x}px"
      style:top="{plan.start.y + plan.start.height - smallHigh / 2}px"
      style:width="{slot(l.place)}px"
      style:height="{smallHigh}px"
    >
      {#if card?.cards[0]}
        <Cards cards={[card.cards[0]]} cell={smallCell} />
      {:else if card}
        <span class="nocard kid">no card</span>
      {:else}
        <span class="empty" style:border-color="var(--{l.place}-ink)"></span>
      {/if}
    </div>
  {/each}
{/if}

<style>
  svg {
    position: absolute;
    inset: 0;
  }
  .tray {
    fill: var(--sheet);
    stroke: #b8aa86;
  }
  .pile {
    fill: none;
  }
  .label text {
    font: 400 var(--t3) var(--kid);
  }
  .narrow .label text {
    font-size: var(--t2);
  }
  .label.now text {
    font-weight: 700;
  }
  .piece {
    transition: transform 0.55s cubic-bezier(0.3, 0.1, 0.2, 1);
  }
  .still .piece {
    transition: none;
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
  .rim {
    position: absolute;
    display: flex;
    align-items: center;
    gap: 10px;
  }
  .goes {
    padding: 0 4px;
    font-size: var(--t2);
    background: linear-gradient(var(--paper) 50%, var(--sheet) 50%);
  }
  .slot {
    position: absolute;
  }
  .empty {
    display: block;
    width: 100%;
    height: 100%;
    border: 1.5px dashed var(--ink-2);
    border-radius: 3px;
    background: var(--paper);
  }
  .nocard {
    display: inline-block;
    padding: 0 6px;
    font-size: var(--t2);
    line-height: 22px;
    white-space: nowrap;
    background: var(--sheet);
    color: var(--ink-2);
  }
</style>
