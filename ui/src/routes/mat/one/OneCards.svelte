<script lang="ts">
  // A number with its cards alone: one for each place, apart and then slid together.
  import { getContext } from 'svelte';
  import Aloud from '../../../lib/ones/Aloud.svelte';
  import Word from '../../../lib/ones/Word.svelte';
  import Cards from '../../../lib/pieces/Cards.svelte';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; w: number; h: number } = $props();

  const large = getContext<(() => boolean) | undefined>('large')?.() ?? false;
  const step = $derived(steps[index]!);
  const shown = $derived(one.shown === 'cards');
  const word = $derived(one.shown === 'word' || one.shown === 'said');
  /** They lie there once they are laid; at the end they are slid together. */
  const lie = $derived(shown || steps.slice(0, index + 1).some((s) => s.kind === 'label'));
  const apart = $derived(shown ? step.kind === 'ask' : step.kind === 'label');
  /** Apart, each card is as long as its number, and a sign stands between. */
  const PLUS = 26;
  const digits = $derived(one.cards.reduce((n, c) => n + String(c).length, 0));
  const cell = $derived(
    Math.max(14, Math.min(64, h * 0.24, (w - PLUS * (one.cards.length - 1)) / Math.max(1, digits))),
  );
  const size = $derived(Math.max(20, Math.min(60, h * 0.16, w / (one.given.length * 0.56))));
</script>

<div class="cards-alone" style:width="{w}px" style:height="{h}px" data-one="cards">
  {#if !shown}
    <p class="given kid" style:font-size="{size}px">
      {#if one.shown === 'said' && step.kind === 'ask'}<Aloud
          size={large ? h * 0.3 : size}
        />{:else if word}<Word parts={one.parts} plain />{:else}{one.given}{/if}
    </p>
  {/if}
  <div class="lie">
    {#if lie}
      <Cards cards={one.cards} {cell} large {apart} />
    {:else}
      <span class="slot" style:width="{one.digits.length * cell}px" style:height="{cell * 1.55}px"
      ></span>
    {/if}
  </div>
</div>

<style>
  .cards-alone {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 8%;
    text-align: center;
  }
  .given :global(.word) {
    white-space: normal;
  }
  .given {
    line-height: 1.2;
  }
  .lie {
    display: grid;
    place-items: center;
  }
  .slot {
    border: 3px dashed var(--gap);
    border-radius: var(--r2);
  }
</style>
