<script lang="ts">
  // A number shown in words or figures alone: large, and beside it what is asked for.
  import { getContext } from 'svelte';
  import Aloud from '../../../lib/ones/Aloud.svelte';
  import Asked from '../../../lib/ones/Asked.svelte';
  import Word from '../../../lib/ones/Word.svelte';
  import Cards from '../../../lib/pieces/Cards.svelte';
  import { shared } from '../../../lib/state.svelte';
  import type { Lesson, One, Step } from '../../../lib/wire.gen';

  let {
    lesson,
    one,
    steps,
    index,
    w,
    h,
  }: {
    lesson: Lesson;
    one: One;
    steps: Step[];
    index: number;
    material: string;
    w: number;
    h: number;
  } = $props();

  const large = getContext<(() => boolean) | undefined>('large')?.() ?? false;
  const step = $derived(steps[index]!);
  const answered = $derived(step.kind === 'answer' || step.kind === 'parts');
  const word = $derived(one.shown === 'word' || one.shown === 'said');
  /** Of which kind it is asked how many there are. */
  const howMany = $derived({ 'how-many': 'tens', hundreds: 'hundreds' }[one.answered]);
  const parts = $derived(one.answered === 'expanded' || one.answered === 'units' || !!howMany);
  const long = $derived(one.given.length > 12);
  const size = $derived(
    Math.min(
      h * (large && !parts ? 0.42 : 0.3),
      w / (long ? Math.max(13, one.given.length * 0.52) : large ? 5 : 7),
      large ? h : long ? 60 : 110,
    ),
  );
  const words = $derived(shared.words);
  /** Tens and ones are always said; of a large number only what there is. */
  const units = $derived(one.digits.filter((d) => d.digit > 0 || one.number < 100));
  /** What it is in words of its kinds stands in two lines at most. */
  const said = $derived(
    one.number > 100 ? Math.max(16, Math.min(size * 0.6, w / 13, h * 0.16)) : size * 0.72,
  );
  const card = $derived(
    Math.min(
      size * 0.42,
      (w - 26 * one.cards.length) / one.cards.reduce((n, c) => n + String(c).length, 1),
    ),
  );
</script>

<div class="figures" style:width="{w}px" style:height="{h}px" data-one="figures">
  <p class="given kid" style:font-size="{size}px">
    {#if one.shown === 'said' && step.kind === 'ask'}
      <Aloud size={large ? h * 0.4 : size} />
    {:else if word}
      <Word parts={one.parts} plain={!answered} />
    {:else}
      {one.given}
    {/if}
  </p>
  {#if parts}
    <p class="parts kid" style:font-size="{said}px">
      {#if answered && howMany}
        <span style:color="var(--{howMany}-ink)"
          >{lesson.link.sum.answer} {words.places.find((p) => p.id === howMany)?.many}</span
        >
      {:else if answered && one.answered === 'expanded'}
        <Cards cards={one.cards} cell={card} apart />
      {:else if answered}
        {#each units as u (u.place)}<span style:color="var(--{u.place}-ink)"
            >{u.digit}
            {words.places.find((p) => p.id === u.place)?.[u.digit === 1 ? 'one' : 'many']}</span
          >{/each}
      {:else}
        {#each { length: howMany ? 1 : Math.max(2, one.cards.length) }, i (i)}<span class="slot"
          ></span>{/each}
      {/if}
    </p>
  {:else}
    <p class="ask"><Asked answered={one.answered} size={Math.min(96, h * 0.2)} /></p>
  {/if}
</div>

<style>
  .figures {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 6%;
    text-align: center;
  }
  .given {
    line-height: 1.15;
  }
  .parts {
    display: flex;
    align-items: center;
    flex-wrap: wrap;
    justify-content: center;
    gap: 0.4em;
    line-height: 1.2;
    font-weight: 700;
  }
  .slot {
    width: 2em;
    height: 1.3em;
    border: 3px dashed var(--gap);
    border-radius: var(--r2);
  }
  .ask {
    opacity: 0.75;
  }
</style>
