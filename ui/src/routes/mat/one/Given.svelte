<script lang="ts">
  // What is asked in figures or words, as large as there is room; what is heard is not read.
  import Aloud from '../../../lib/ones/Aloud.svelte';
  import Word from '../../../lib/ones/Word.svelte';
  import type { One } from '../../../lib/wire.gen';

  let { one, w, h }: { one: One; w: number; h: number } = $props();

  const LETTER = 0.56; // of the size, on average
  const LINES = 3; // that long words may take
  const size = $derived(
    Math.min(h * 0.5, Math.max((w * 0.9) / (one.given.length * LETTER), h / (LINES * 1.6))),
  );
</script>

<p class="given kid" style:font-size="{size}px" data-given>
  {#if one.shown === 'said'}
    <Aloud size={h * 0.4} />
  {:else if one.shown === 'word'}
    <Word parts={one.parts} plain />
  {:else}
    {one.given}
  {/if}
</p>

<style>
  .given {
    max-width: 100%;
    line-height: 1.2;
    text-align: center;
    text-wrap: balance;
  }
  .given :global(.word) {
    white-space: normal;
  }
</style>
