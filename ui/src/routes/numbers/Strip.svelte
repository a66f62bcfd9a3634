<script lang="ts">
  // The strip: a cord for each place, a knot on each boundary, and below the
  // digits that can occur. A knot is turned by touching it, or tied by the
  // states beside.
  import { cord, type State } from '../../lib/pieces/cord';
  import Mark from '../../lib/pieces/Mark.svelte';
  import Strands from '../../lib/pieces/Strands.svelte';
  import type { Chosen, Words } from '../../lib/wire.gen';

  let {
    chosen,
    lengths,
    words,
    hand,
    onhand,
    ontie,
    ondigits,
  }: {
    chosen: Chosen;
    lengths: number[]; // digits of each number, as asked for last
    words: Words;
    hand: string; // the place whose knot is in hand
    onhand: (place: string) => void;
    ontie: (place: string, state: string) => void;
    ondigits: (number: number, digits: number) => void;
  } = $props();

  const PITCH = 100;
  const GUTTER = 92;
  const S = 1.5;

  const places = $derived(chosen.knots.map((k) => k.place)); // ones first
  const states = $derived(chosen.knots.map((k) => k.tied as State));
  const width = $derived(GUTTER + places.length * PITCH);
  const drawn = $derived(
    cord({ places, states, pitch: PITCH, s: S, x: GUTTER - 4, y: 26, above: 'ten-thousands' }),
  );
  const word = $derived({ no: words.noSwap, yes: words.aSwap, any: 'either' } as Record<
    string,
    string
  >);
  const lane = (place: string) => chosen.lanes.find((l) => l.place === place);
  const many = (place: string): string => words.places.find((p) => p.id === place)?.many ?? place;

  /** Digits as a range where they are one: 1–9, else in a list. */
  function range(digits: number[] | undefined): string {
    if (!digits?.length) return '';
    const [low, high] = [digits[0]!, digits[digits.length - 1]!];
    if (low === high) return String(low);
    if (high - low === digits.length - 1) return `${low}–${high}`;
    return digits.length > 4 ? `${low}…${high}` : digits.join(' ');
  }

  const ORDER = ['any', 'no', 'yes'];
  function turn(place: string, tied: string): void {
    if (hand !== place) return onhand(place);
    ontie(place, ORDER[(ORDER.indexOf(tied) + 1) % ORDER.length]!);
  }

  function keys(event: KeyboardEvent, i: number): void {
    const step = { ArrowLeft: 1, ArrowRight: -1 }[event.key];
    if (step === undefined) return;
    const next = places[i + step];
    if (next === undefined) return;
    event.preventDefault();
    onhand(next);
    document.getElementById(`knot-${next}`)?.focus();
  }
</script>

<div class="strip" style:width="{width}px">
  <div class="lanes" style:grid-template-columns="{GUTTER}px repeat({places.length}, {PITCH}px)">
    {#each [...places].reverse() as place, i (place)}
      <div
        class="head kid"
        style:grid-column={i + 2}
        style:color="var(--{place}-ink)"
        style:background="var(--{place}-tint)"
      >
        <Mark {place} />{many(place)}
      </div>
      <div class="tint" style:grid-column={i + 2} style:background="var(--{place}-tint)"></div>
      {#each { length: lengths.length }, n (n)}
        <div class="digits kid" style:grid-column={i + 2} style:grid-row={n + 3}>
          {range(lane(place)?.numbers[n])}
        </div>
      {/each}
      <div class="digits kid" style:grid-column={i + 2} style:grid-row="6">
        {range(lane(place)?.sum)}
      </div>
    {/each}
    {#each lengths as now, n (n)}
      <div class="length" style:grid-row={n + 3}>
        <button
          aria-label="Number {n + 1}: fewer digits, now {now}"
          disabled={now <= 1}
          onclick={() => ondigits(n, now - 1)}>−</button
        >
        <button
          aria-label="Number {n + 1}: more digits, now {now}"
          disabled={now >= chosen.most}
          onclick={() => ondigits(n, now + 1)}>+</button
        >
      </div>
    {/each}
    <div class="rule"></div>
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
    </svg>
    {#each chosen.knots as knot, i (knot.place)}
      <button
        id="knot-{knot.place}"
        class="knot"
        class:hand={hand === knot.place}
        style:left="{GUTTER - 4 + (places.length - i - 1) * PITCH - 43}px"
        aria-label="{knot.name}: {word[knot.tied]}{knot.byStage ? ', by the stage' : ''}"
        aria-pressed={hand === knot.place}
        onclick={() => turn(knot.place, knot.tied)}
        onkeydown={(e) => keys(e, i)}
      >
        <span>{word[knot.tied]}</span>
      </button>
    {/each}
  </div>
</div>

<style>
  .strip {
    position: relative;
  }
  .lanes {
    display: grid;
    grid-template-rows: 34px 76px 40px 40px 6px 40px;
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
  .tint {
    grid-row: 3 / 7;
    margin: 0 3px;
    border-radius: var(--r2);
  }
  .digits {
    display: grid;
    place-items: center;
    font-size: 22px;
  }
  .rule {
    grid-row: 5;
    grid-column: 1 / -1;
    align-self: center;
    height: 2px;
    background: var(--ink);
  }
  .length {
    grid-column: 1;
    display: flex;
    gap: 4px;
  }
  .length button {
    width: 41px;
    height: 38px;
    margin-top: 1px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    text-align: center;
    font-size: var(--t3);
    line-height: 1;
  }
  .length button:disabled {
    border-style: dashed;
    border-color: var(--line);
    color: var(--edge);
  }
  .cords {
    position: absolute;
    top: 38px;
    left: 0;
  }
  .knot {
    position: absolute;
    top: -2px;
    width: 86px;
    height: 72px;
    display: flex;
    align-items: flex-end;
    justify-content: center;
    padding-bottom: 3px;
    border: 2.5px solid transparent;
    border-radius: var(--r2);
    font-size: var(--t1);
    font-weight: 600;
    white-space: nowrap;
  }
  .knot:hover {
    border-color: var(--line);
  }
  .knot.hand {
    border-color: var(--leaf);
  }
</style>
