<script lang="ts">
  // A number shown in words or figures alone: large, and beside it what is asked for.
  import Asked from '../../../lib/ones/Asked.svelte';
  import Word from '../../../lib/ones/Word.svelte';
  import Cards from '../../../lib/pieces/Cards.svelte';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const answered = $derived(step.kind === 'answer' || step.kind === 'parts');
  const word = $derived(one.shown === 'word' || one.shown === 'said');
  const long = $derived(one.given.length > 12);
  const size = $derived(Math.min(h * 0.3, w / (long ? 13 : 7), long ? 60 : 110));
  const parts = $derived(
    one.answered === 'expanded' || one.answered === 'units' || one.answered === 'how-many',
  );
</script>

<div class="figures" style:width="{w}px" style:height="{h}px" data-one="figures">
  <p class="given kid" style:font-size="{size}px">
    {#if one.shown === 'said' && step.kind === 'ask'}
      <svg width={size} height={size * 0.9} viewBox="0 0 20 18" role="img" aria-label="said aloud"
        ><path d="M3 7h4l5-5v14l-5-5H3zM15 5c2 2 2 6 0 8M17.500 2.500c4 4 4 9 0 13" /></svg
      >
    {:else if word}
      <Word parts={one.parts} plain={!answered} />
    {:else}
      {one.given}
    {/if}
  </p>
  {#if parts}
    <p class="parts kid" style:font-size="{size * 0.72}px">
      {#if answered && one.answered === 'how-many'}
        <span class="tens">{one.tens} tens</span>
      {:else if answered && one.answered === 'expanded'}
        <Cards cards={[one.tens * 10]} cell={size * 0.42} /> + <Cards
          cards={[one.ones]}
          cell={size * 0.42}
        />
      {:else if answered}
        <span class="tens">{one.tens} tens</span>
        <span class="ones">{one.ones} ones</span>
      {:else}
        <span class="slot"></span>{#if one.answered !== 'how-many'}<span class="slot"></span>{/if}
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
  path {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.2;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .parts {
    display: flex;
    align-items: center;
    gap: 0.4em;
    line-height: 1.2;
    font-weight: 700;
  }
  .tens {
    color: var(--tens-ink);
  }
  .ones {
    color: var(--ones-ink);
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
