<script lang="ts">
  // The strip: a cord for each place, a knot on each boundary, and below the
  // digits that can occur, a lane for each number. A knot is turned by touching
  // it, or tied by the states beside.
  import { bridge, cord, type State } from '../../lib/pieces/cord';
  import Mark from '../../lib/pieces/Mark.svelte';
  import Strands from '../../lib/pieces/Strands.svelte';
  import { innerWidth } from 'svelte/reactivity/window';
  import { shared } from '../../lib/state.svelte';
  import type { Choose, Chosen, Knot, Words } from '../../lib/wire.gen';

  let {
    chosen,
    ask,
    words,
    hand,
    onhand,
    ontie,
    ondigits,
  }: {
    chosen: Chosen;
    ask: Choose; // as asked last
    words: Words;
    hand: string; // the place whose knot is in hand
    onhand: (place: string) => void;
    ontie: (place: string, state: string) => void;
    ondigits: (change: (lengths: number[]) => number[]) => void;
  } = $props();

  const joins = $derived((ask.kind ?? 'sum') === 'sum');
  const opens = $derived(ask.kind === 'difference' || ask.kind === 'share');
  /** As asked for last; while a stage is fitted, as they were. */
  const lengths = $derived(ask.digits.length ? ask.digits : chosen.choice.digits);
  const places = $derived(chosen.lanes.map((l) => l.place)); // ones first
  const NARROW = 700; // px of a window with one column
  const narrow = $derived((innerWidth.current ?? NARROW + 1) <= NARROW);
  const GUTTER = 94;
  const pitch = $derived(places.length > 4 || narrow ? 66 : 100);
  const s = $derived(pitch < 100 ? 1.2 : 1.5);
  /** Many numbers have low rows, and their lengths are set in a row of its own. */
  const few = $derived(lengths.length <= 3);
  const row = $derived(few ? 44 : 26);
  /** The knot on the left boundary of each place; sharing ties it from the place above. */
  const knots = $derived(
    places.map((_, i): Knot | undefined => {
      const place = ask.kind === 'share' ? places[i + 1] : places[i];
      return chosen.knots.find((k) => k.place === place);
    }),
  );
  const tied = $derived(knots.map((k) => (k?.tied ?? 'no') as State));
  const width = $derived(GUTTER + places.length * pitch);
  const options = $derived({
    places,
    states: tied,
    hollow: places.map((p, i) =>
      opens ? only(lane(p)?.numbers[0], 0) : knots[i]?.exact === 'yes' && tied[i] === 'yes',
    ),
    opens,
    pitch,
    s,
    x: GUTTER - 4,
    y: 26,
    above: 'ten-thousands',
  });
  const drawn = $derived(cord(options));
  const word = $derived({ no: words.noSwap, yes: words.aSwap, any: 'either' } as Record<
    string,
    string
  >);
  const lane = (place: string) => chosen.lanes.find((l) => l.place === place);
  const only = (digits: number[] | undefined, d: number): boolean =>
    digits?.length === 1 && digits[0] === d;
  const many = (place: string): string => words.places.find((p) => p.id === place)?.many ?? place;
  const color = (place: string): string =>
    ['ones', 'tens', 'hundreds', 'thousands'].includes(place) ? place : 'ten-thousands';

  /** Digits but the zero as a range where they are one: 1–9, else in a list. */
  function range(all: number[] | undefined): string {
    const digits = all?.filter((d) => d > 0) ?? [];
    if (!digits.length) return '';
    const [low, high] = [digits[0]!, digits[digits.length - 1]!];
    if (low === high) return String(low);
    if (high - low === digits.length - 1) return `${low}–${high}`;
    return digits.length > 4 ? `${low}…${high}` : digits.join(' ');
  }
  /** Whether a zero never, may or must stand there. */
  const zero = (digits: number[] | undefined): string =>
    !digits?.length ? '' : only(digits, 0) ? 'must' : digits[0] === 0 ? 'may' : '';

  const ORDER = ['any', 'no', 'yes'];
  function turn(place: string, now: string): void {
    if (hand !== place) return onhand(place);
    ontie(place, ORDER[(ORDER.indexOf(now) + 1) % ORDER.length]!);
  }

  function keys(event: KeyboardEvent, i: number): void {
    const step = { ArrowLeft: 1, ArrowRight: -1 }[event.key];
    if (step === undefined) return;
    const next = knots[i + step];
    if (next === undefined) return;
    event.preventDefault();
    onhand(next.place);
    document.getElementById(`knot-${next.place}`)?.focus();
  }
  const longer = (n: number, by: number): void =>
    ondigits((all) => all.map((d, i) => (i === n ? d + by : d)));
</script>

{#snippet digits(all: number[] | undefined, place: string)}
  {@const z = zero(all)}
  {#if z}<span class="zero {z}" style:color="var(--{color(place)}-ink)">0</span>{/if}
  {range(all)}
{/snippet}

{#snippet length(now: number, n: number)}
  <button
    aria-label="Number {n + 1}: fewer digits, now {now}"
    disabled={now <= (chosen.lengths[n]?.least ?? 1)}
    onclick={() => longer(n, -1)}>−</button
  >
  {#if !few}<b class="kid" title="digits of number {n + 1}">{now}</b>{/if}
  <button
    aria-label="Number {n + 1}: more digits, now {now}"
    disabled={now >= (chosen.lengths[n]?.most ?? now)}
    onclick={() => longer(n, 1)}>+</button
  >
{/snippet}

<div>
  <div class="strip" style:width="{width}px">
    <div
      class="lanes"
      style:grid-template-columns="{GUTTER}px repeat({places.length}, {pitch}px)"
      style:grid-template-rows="44px 76px repeat({lengths.length}, {row}px) 6px 38px"
    >
      {#if joins}
        <div class="howmany">
          <span>
            <button
              aria-label="One number less, now {lengths.length}"
              disabled={lengths.length <= 2}
              onclick={() => ondigits((all) => all.slice(0, -1))}>−</button
            >
            <button
              aria-label="One number more, now {lengths.length}"
              disabled={lengths.length >= shared.desk!.limits.addends}
              onclick={() => ondigits((all) => [...all, all[all.length - 1]!])}>+</button
            >
          </span>
          <b>{lengths.length} numbers</b>
        </div>
      {/if}
      {#each [...places].reverse() as place, i (place)}
        <div
          class="head kid"
          class:tight={pitch < 100}
          style:grid-column={i + 2}
          style:color="var(--{color(place)}-ink)"
          style:background="var(--{color(place)}-tint)"
        >
          {#if pitch < 100}
            {words.places.find((p) => p.id === place)?.unit}
          {:else}
            <Mark {place} />{many(place)}
          {/if}
        </div>
        <div
          class="tint"
          style:grid-column={i + 2}
          style:grid-row="3 / {lengths.length + 5}"
          style:background="var(--{color(place)}-tint)"
        ></div>
        {#each { length: lengths.length }, n (n)}
          <div class="digits kid" style:grid-column={i + 2} style:grid-row={n + 3}>
            {@render digits(lane(place)?.numbers[n], place)}
          </div>
        {/each}
        <div class="digits kid" style:grid-column={i + 2} style:grid-row={lengths.length + 4}>
          {@render digits(lane(place)?.sum, place)}
        </div>
      {/each}
      {#if few}
        {#each lengths as now, n (n)}
          <div class="length" style:grid-row={n + 3}>{@render length(now, n)}</div>
        {/each}
      {/if}
      <div class="rule" style:grid-row={lengths.length + 3}></div>
    </div>
    <div class="cords">
      <svg {width} height="52" viewBox="0 0 {width} 52" aria-hidden="true">
        <Strands strokes={drawn.strokes} />
        <circle
          cx={drawn.bead.x}
          cy={drawn.bead.y}
          r={drawn.bead.r}
          fill="var(--ones)"
          stroke="var(--ones-ink)"
          stroke-width="1.6"
        />
        {#each knots as knot, i (i)}
          {#if knot?.made === 'yes' && knot.tied === 'yes'}
            <path class="bridge" d={bridge(options, i)} />
          {/if}
        {/each}
      </svg>
      {#each knots as knot, i (i)}
        {#if knot}
          <button
            id="knot-{knot.place}"
            class="knot"
            class:hand={hand === knot.place}
            style:left="{GUTTER - 4 + (places.length - i - 1) * pitch - (pitch - 14) / 2}px"
            style:width="{pitch - 14}px"
            aria-label="{knot.name}: {word[knot.tied]}{knot.byStage ? ', by the stage' : ''}"
            aria-pressed={hand === knot.place}
            onclick={() => turn(knot.place, knot.tied)}
            onkeydown={(e) => keys(e, i)}
          >
            <span
              >{word[knot.tied]}{knot.several === 'yes' && knot.tied === 'yes' ? ' ×2' : ''}</span
            >
          </button>
        {/if}
      {/each}
    </div>
  </div>
  {#if !few}
    <div class="lengths">
      {#each lengths as now, n (n)}<div class="length">{@render length(now, n)}</div>{/each}
    </div>
  {/if}
</div>

<style>
  .strip {
    position: relative;
  }
  .lanes {
    display: grid;
  }
  .howmany {
    grid-column: 1;
    grid-row: 1 / 3;
  }
  .howmany b {
    display: block;
    margin-top: 2px;
    font-size: var(--t1);
    font-weight: 600;
    color: var(--ink-2);
  }
  .howmany span {
    display: flex;
    gap: 2px;
  }
  .head {
    grid-row: 1;
    display: flex;
    align-items: center;
    justify-content: center;
    gap: 6px;
    margin: 0 3px;
    border-radius: var(--r2);
    font-size: 15px;
    font-weight: 700;
    white-space: nowrap;
  }
  .head.tight {
    font-size: var(--t1);
  }
  .tint {
    margin: 0 3px;
    border-radius: var(--r2);
  }
  .digits {
    display: flex;
    align-items: center;
    justify-content: center;
    gap: 7px;
    font-size: 21px;
    line-height: 1;
  }
  .zero {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    border: 1.8px dotted currentColor;
    border-radius: 50%;
    font-size: 17px;
  }
  .zero.must {
    border: 2.5px solid currentColor;
    font-weight: 700;
  }
  .rule {
    grid-column: 1 / -1;
    align-self: center;
    height: 2px;
    background: var(--ink);
  }
  .length {
    grid-column: 1;
    display: flex;
    gap: 2px;
  }
  .length b {
    align-self: center;
    width: 20px;
    text-align: center;
    font-size: 20px;
  }
  .lengths {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    margin-top: 4px;
  }
  .length button,
  .howmany button {
    width: 44px;
    height: 44px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    text-align: center;
    font-size: var(--t3);
    line-height: 1;
  }
  .length button:disabled,
  .howmany button:disabled {
    border-style: dashed;
    border-color: var(--line);
    color: var(--edge);
  }
  .cords {
    position: absolute;
    top: 48px;
    left: 0;
    pointer-events: none;
  }
  .bridge {
    fill: none;
    stroke: var(--ink);
    stroke-width: 3;
    stroke-linecap: round;
  }
  .knot {
    position: absolute;
    top: -2px;
    height: 72px;
    display: flex;
    align-items: flex-end;
    justify-content: center;
    padding-bottom: 3px;
    border: 2.5px solid var(--none);
    border-radius: var(--r2);
    font-size: var(--t1);
    font-weight: 600;
    white-space: nowrap;
    pointer-events: auto;
  }
  .knot:hover {
    border-color: var(--line);
  }
  .knot.hand {
    border-color: var(--leaf);
  }
</style>
