<script lang="ts">
  // One thing that is fetched: its picture, how many, what it is called.
  import Rod from '../bars/Rod.svelte';
  import Lying from '../bars/Lying.svelte';
  import Piece from '../pieces/Piece.svelte';
  import type { Fetch, Words } from '../wire.gen';
  import Frame from './Frame.svelte';

  let { f, material, words }: { f: Fetch; material: string; words: Words } = $props();

  const place = $derived(words.places.findIndex((p) => p.id === f.id));
  const bar = $derived(/^(bar|remainder|golden)-(\d+)$/.exec(f.id));
  const piece = $derived(words.materials.find((m) => m.id === material)?.pieces[place]);
  const name = $derived(f.placed ? ((f.count === 1 ? piece?.one : piece?.many) ?? f.id) : f.name);
</script>

<span class="fetched">
  <span class="pic">
    {#if f.id.startsWith('rod-')}
      <svg width="42" height="12" aria-hidden="true"
        ><Rod n={Number(f.id.slice(4))} unit={4.2} high={10} /></svg
      >
    {:else if bar}
      <Lying
        n={Number(bar[2])}
        kind={bar[1] === 'bar' ? 'stair' : (bar[1] as 'remainder' | 'golden')}
        u={bar[1] === 'golden' ? 3.9 : 4.2}
        cased={false}
      />
    {:else if f.placed}
      <Piece
        {material}
        place={f.id}
        unit={{ ones: 12, tens: 3.4, hundreds: 2.6, thousands: 2 }[f.id] ?? 12}
      />
    {:else}
      <svg width="40" height="28" viewBox="0 0 40 28" aria-hidden="true">
        {#if f.id === 'frame'}<Frame n={0} cell={7.4} y={5} />
        {:else if f.id === 'counter'}<circle class="counter" cx="20" cy="14" r="9" />
        {:else if f.id === 'stick'}<path class="stick" d="M14 3v22M21 3v22M28 3v22" />
        {:else if f.id === 'box'}<path
            class="line"
            d="M3 5h34v18H3zM10 5v18M17 5v18M24 5v18M31 5v18"
          />
        {:else if f.id === 'cover'}<path
            class="cloth"
            d="M3 4h34v18c-6 4-11-2-17 1-6 3-11-2-17 0z"
          />
        {:else if f.id === 'card'}<path class="line" d="M3 5h34v18H3zM22 5v18M30 5v18" />
        {:else if f.id.startsWith('rack')}<path
            class="line"
            d="M3 4h34v20H3zM3 11h34M3 18h34"
          /><path class="beads" d="M8 11h12M8 18h7" />
        {:else if f.id === 'band'}<ellipse class="line" cx="20" cy="14" rx="11" ry="7" />
        {:else if f.id === 'pencil'}<path class="line" d="M8 22l2-6L28 3l4 4-17 14z" />
        {:else}<path class="line" d="M6 3h28v22H6zM11 9h18M11 14h13" />{/if}
      </svg>
    {/if}
  </span>
  <b class="kid">{f.count}</b>
  <span>{name}</span>
</span>

<style>
  .fetched {
    display: grid;
    grid-template-columns: 44px 26px minmax(0, 1fr);
    align-items: center;
    gap: 5px;
    line-height: 19px;
  }
  .pic {
    display: grid;
    place-items: center;
  }
  b {
    font-size: var(--t3);
  }
  .beads {
    stroke: var(--plum);
    stroke-width: 5;
    stroke-dasharray: 0.1 5;
    stroke-linecap: round;
  }
  .counter {
    fill: var(--ones);
    stroke: var(--ones-ink);
    stroke-width: 1.4;
  }
  .stick {
    stroke: #c98a3f;
    stroke-width: 4;
    stroke-linecap: round;
  }
  .line {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1.4;
    stroke-linejoin: round;
  }
  .cloth {
    fill: var(--rug);
    stroke: var(--tens-ink);
    stroke-width: 1.4;
  }
</style>
