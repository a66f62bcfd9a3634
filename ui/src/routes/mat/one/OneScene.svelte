<script lang="ts">
  // The mat of a number that is asked alone: the component that its scene names, and under
  // it the word and the figures, dashed until they are said and written.
  import { setContext, type Component } from 'svelte';
  import ThingDefs from '../../../lib/ones/ThingDefs.svelte';
  import Twist from '../../../lib/ones/Twist.svelte';
  import Word from '../../../lib/ones/Word.svelte';
  import type { Lesson, One, Step } from '../../../lib/wire.gen';
  import Boxes from './Boxes.svelte';
  import Bundles from './Bundles.svelte';
  import Compared from './Compared.svelte';
  import CrowdScene from './CrowdScene.svelte';
  import Figures from './Figures.svelte';
  import Fingers from './Fingers.svelte';
  import Frames from './Frames.svelte';
  import Given from './Given.svelte';
  import { handsOf } from './hands';
  import OneCards from './OneCards.svelte';
  import PartsSum from './PartsSum.svelte';
  import Pictures from './Pictures.svelte';
  import Places from './Places.svelte';
  import RackScene from './RackScene.svelte';
  import Row from './Row.svelte';
  import Tens from './Tens.svelte';

  let {
    lesson,
    index,
    material,
    w,
    h,
    hands,
    bare = false,
    large = false,
    ontold = () => undefined,
  }: {
    lesson: Lesson;
    index: number;
    material: string;
    w: number;
    h: number;
    bare?: boolean; // the picture alone, without its word and figures
    large?: boolean; // for the last row of a class
    hands?: string; // it is in the child's hands, kept under this name
    ontold?: () => void; // the mat has said that something there is not right
  } = $props();

  interface Shown {
    lesson: Lesson;
    one: One;
    steps: Step[];
    index: number;
    material: string;
    w: number;
    h: number;
  }
  const SCENES: Record<string, Component<Shown>> = {
    row: Row,
    boxes: Boxes,
    frames: Frames,
    crowd: CrowdScene,
    tens: Tens,
    figures: Figures,
    pictures: Pictures,
    places: Places,
    cards: OneCards,
    rows: Compared,
    sum: PartsSum,
    rack: RackScene,
    fingers: Fingers,
    bundles: Bundles,
  };
  setContext('bare', () => bare);
  setContext('large', () => large);
  const one = $derived(lesson.link.sum.one!);
  const Scene = $derived(SCENES[lesson.scene]);
  const Hands = $derived(handsOf(one));
  const last = $derived(lesson.steps.length - 1);
  const step = $derived(lesson.steps[Math.min(index, last)]!);
  /** The strip with word and figures stands under every picture. */
  const STRIP = 124;
  const MARGIN = 24;
  const strip = $derived(
    bare ||
      (hands && lesson.scene === 'places') ||
      ['count-back', 'match', 'sign', 'decides', 'order'].includes(one.answered)
      ? 0
      : Math.min(large ? h : STRIP, h * (large ? 0.27 : 0.2)),
  );
  /** Long words and many figures are smaller: they share the strip. */
  const size = $derived(
    Math.min(large ? h : 52, strip * 0.42, (w - 2 * MARGIN) / Math.max(3, one.digits.length * 2.9)),
  );
  /** The word stands beside its cords and figures. */
  const CORDS = 104;
  const LETTER = 0.56; // of the size, on average
  const word = $derived(one.parts.map((p) => p.text).join(''));
  const beside = $derived(w - 2 * MARGIN - CORDS - one.digits.length * 1.5 * size);
  const saidSize = $derived(
    one.number > 100
      ? Math.max(18, Math.min(large ? h : 30, size * 0.62))
      : Math.max(18, Math.min(size, beside / (word.length * LETTER))),
  );
  const answered = $derived(step.kind === 'answer');
  /** Figures that are given are there from the beginning; the others once they are written. */
  const given = $derived(one.shown === 'numeral');
  const written = $derived(step.written ?? []);
  const digits = $derived.by(() => {
    const here = (place: string): boolean =>
      given || answered || written.some((x) => x.place === place);
    return one.digits.map((x) => ({ ...x, here: here(x.place) }));
  });
  /** What is asked in figures or words stands in the strip; the picture alone has it itself. */
  const SHOWN_THERE = ['figures', 'pictures', 'cards', 'rows', 'sum'];
  const asked = $derived(
    bare && one.given && step.kind === 'ask' && !SHOWN_THERE.includes(lesson.scene),
  );
  /** Where nothing lies yet, what will lie there is shown. */
  const shownAt = $derived(bare && one.shown === 'kinds' ? last : Math.min(index, last));
  const wordThere = $derived(answered || one.shown === 'word');
</script>

<ThingDefs />
<div
  class="room"
  class:unnamed={bare && ['kinds', 'ten-of'].includes(one.shown)}
  style:inset="{MARGIN}px {MARGIN}px {strip + MARGIN}px"
>
  {#if hands && Hands}
    {#key hands}<Hands
        {one}
        kept={hands}
        {material}
        {ontold}
        w={w - 2 * MARGIN}
        h={h - strip - 2 * MARGIN}
      />{/key}
  {:else if asked}
    <Given {one} w={w - 2 * MARGIN} h={h - 2 * MARGIN} />
  {:else if Scene}
    <Scene
      {lesson}
      {one}
      steps={lesson.steps}
      index={shownAt}
      {material}
      w={w - 2 * MARGIN}
      h={h - strip - 2 * MARGIN}
    />
  {/if}
</div>
{#if strip}
  <div class="strip" style:height="{strip}px" style:--size="{size}px" style:--said="{saidSize}px">
    <span class="said">
      {#if wordThere}<Word parts={one.parts} plain={!answered} />{/if}
    </span>
    <span class="cords"
      >{#if answered && one.number > 10 && one.number < 100}<Twist
          cord={one.cord}
          width={72}
        />{/if}</span
    >
    <span
      class="figures kid"
      role="img"
      aria-label={digits.every((x) => x.here) ? `written ${one.number}` : 'not written yet'}
    >
      {#each digits as x, i (i)}
        <span class="slot" class:here={x.here} style:color="var(--{x.place}-ink)"
          >{x.here ? x.digit : ''}</span
        >
      {/each}
    </span>
  </div>
{/if}

<style>
  .room {
    position: absolute;
    display: grid;
    place-items: center;
  }
  /* What the largest piece is called is asked. */
  .unnamed :global(.label) {
    display: none;
  }
  .strip {
    position: absolute;
    left: 24px;
    right: 24px;
    bottom: 12px;
    display: grid;
    grid-template-columns: 1fr auto auto;
    align-items: center;
    gap: 16px;
    border-top: 1.6px solid var(--tray);
  }
  .said {
    font-size: var(--said);
    line-height: 1.2;
  }
  .said :global(.word) {
    white-space: normal;
  }
  .figures {
    display: flex;
    gap: 6px;
    font-size: calc(var(--size) * 1.25);
    font-weight: 700;
    line-height: 1;
  }
  .slot {
    display: grid;
    place-items: center;
    width: 1.1em;
    height: 1.35em;
    border: 2px dashed var(--gap);
    border-radius: var(--r2);
  }
  .slot.here {
    border: 2px solid var(--line);
    background: var(--card);
  }
</style>
