<script lang="ts">
  // Worked examples side by side, in one of which a slip may be planted.
  import Column from '../../lib/pieces/Column.svelte';
  import type { Sheet, SpotSlip, Words } from '../../lib/wire.gen';

  let {
    spot,
    words,
    w,
    h,
    found = false,
  }: { spot: SpotSlip; words: Words; w: number; h: number; found?: boolean } = $props();

  const placesOf = (sheet: Sheet): string[] =>
    words.places
      .map((p) => p.id)
      .filter((id) => sheet.marks.some((m) => m.place === id))
      .reverse();
  const most = $derived(Math.max(...spot.examples.map((e) => placesOf(e.sheet).length)));
  const rows = $derived(
    Math.max(...spot.examples.map((e) => e.sheet.numbers + 1 + e.sheet.over + 1)),
  );
  /** Three columns with their letters fit side by side. */
  const cell = $derived(
    Math.max(24, Math.min((w / 3 - 60) / (most + 1), (h - 120) / (rows * 1.15), 150)),
  );
</script>

<div class="all">
  {#each spot.examples as e (e.letter)}
    <figure class:planted={found && e.letter === spot.planted} data-example={e.letter}>
      <figcaption class="kid" style:font-size="{cell * 0.7}px">{e.letter}</figcaption>
      <Column
        places={placesOf(e.sheet)}
        words={words.places}
        sheet={e.sheet}
        due={[]}
        now=""
        names={{}}
        {cell}
        size={cell * 0.82}
      />
    </figure>
  {/each}
</div>

<style>
  .all {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    align-items: center;
    gap: 2%;
    height: 100%;
    padding: 1% 2%;
  }
  figure {
    display: grid;
    justify-items: center;
    gap: 8px;
    padding: 12px 4px 20px;
    border: 2px solid var(--line);
    border-radius: var(--r3);
    background: var(--sheet);
  }
  figure.planted {
    border: 5px solid var(--leaf);
    background: var(--leaf-tint);
  }
  figcaption {
    color: var(--ink-2);
    font-weight: 700;
    line-height: 1;
  }
</style>
