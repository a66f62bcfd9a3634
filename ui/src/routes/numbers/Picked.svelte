<script lang="ts">
  // The picked sum in the book: written with what comes up, the swaps that it
  // causes, its fullest moment and its stage.
  import Column from '../../lib/pieces/Column.svelte';
  import Mark from '../../lib/pieces/Mark.svelte';
  import Piece from '../../lib/pieces/Piece.svelte';
  import type { Sum, Words } from '../../lib/wire.gen';

  let { sum, words, material }: { sum: Sum; words: Words; material: string } = $props();

  const places = $derived(sum.columns.map((c) => c.place).reverse());
  const rows = $derived(sum.sheet.over + sum.sheet.numbers);
  const caused = $derived(sum.columns.filter((c) => c.caused));
  const piece = (place: string, n: number): string => {
    const names = words.materials.find((m) => m.id === material)?.pieces;
    const name = names?.[words.places.findIndex((p) => p.id === place)];
    return (n === 1 ? name?.one : name?.many) ?? '';
  };
</script>

<div class="picked">
  <div class="paper" class:tall={rows > 3} class:taller={rows > 5}>
    <Column
      {places}
      words={words.places}
      sheet={sum.sheet}
      heads={false}
      cell={places.length > 5 ? 32 : 40}
      size={places.length > 5 ? 30 : 40}
    />
  </div>
  <div class="about">
    <p class="kid words">{sum.words}</p>
    <h2>{sum.stage.name}</h2>
    <p class="small">{sum.stage.asks}</p>
    {#if caused.length}
      <h2 class="next">
        {words.swaps.charAt(0).toUpperCase() + words.swaps.slice(1)} it causes
      </h2>
      <ul>
        {#each caused as c (c.place)}
          <li>
            <Mark place={c.place} size={18} /><span class="small ink">{c.caused}</span>
          </li>
        {/each}
      </ul>
    {/if}
  </div>
  {#if sum.laidOut}
    <div class="about">
      <h2 class="next">Most pieces at once, in {material}</h2>
      <ul class="pieces">
        {#each sum.pieces as p (p.place)}
          <li>
            <Piece {material} place={p.place} unit={p.place === 'ones' ? 14 : 1.7} />
            <b class="kid" style:color="var(--{p.place}-ink)">{p.count}</b>
            <span class="small">{piece(p.place, p.count)}</span>
          </li>
        {/each}
      </ul>
    </div>
  {/if}
</div>

<style>
  .paper {
    zoom: var(--zoom, 1);
    margin: var(--s3) 0 var(--s2);
    padding: 0 8px 6px 0;
    background:
      linear-gradient(var(--line) 1px, transparent 1px) 0 -1px / 40px 40px,
      linear-gradient(90deg, var(--line) 1px, transparent 1px) -1px 0 / 40px 40px,
      var(--paper);
  }
  .words {
    line-height: 21px;
    margin-bottom: var(--s3);
  }
  .next {
    margin-top: var(--s3);
  }
  li {
    display: flex;
    align-items: center;
    gap: var(--s2);
    margin-top: 6px;
  }
  li :global(svg) {
    flex: none;
  }
  .paper.tall {
    --zoom: 0.85;
  }
  .paper.taller {
    --zoom: 0.75;
  }
  @media (max-height: 780px) {
    .paper {
      --zoom: 0.72;
    }
    .paper.taller {
      --zoom: 0.6;
    }
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .picked {
      display: grid;
      grid-template-columns: auto 1fr auto;
      gap: var(--s4);
    }
    .paper {
      --zoom: 0.72;
      margin: 0;
      padding-left: 8px;
    }
    .paper.tall {
      --zoom: 0.6;
    }
    .paper.taller {
      --zoom: 0.6;
    }
    .next {
      margin-top: 0;
    }
  }
  .ink {
    color: var(--ink);
  }
  .pieces {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .pieces b {
    font-size: var(--t3);
    line-height: 24px;
  }
</style>
