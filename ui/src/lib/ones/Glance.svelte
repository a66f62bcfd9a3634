<script lang="ts">
  // A number as it is shown, small: for the hand of questions, the gather list, the record.
  import Cards from '../pieces/Cards.svelte';
  import Piece from '../pieces/Piece.svelte';
  import type { One } from '../wire.gen';
  import Frame from './Frame.svelte';
  import Hands from './Hands.svelte';
  import Rack from './Rack.svelte';
  import Sticks from './Sticks.svelte';
  import Word from './Word.svelte';

  let {
    one,
    material = 'beads',
    size = 1,
    flat = false,
  }: { one: One; material?: string; size?: number; flat?: boolean } = $props();

  const frames = $derived(Math.max(1, Math.ceil(one.number / 10)));
  const cell = $derived((frames > 2 ? 9 : 12) * size);
  const drawn = $derived(one.shown === 'drawn' ? 'drawings' : material);
  const tall = $derived(one.shown === 'drawn' ? 9 : 4);
  /** How large one piece of each place is shown, in px for a unit. */
  const LAID: Record<string, number> = { ones: 8, tens: 2.4, hundreds: 2.2, thousands: 1.7 };
  const DRAWN: Record<string, number> = { ones: 5, tens: 5, hundreds: 4.4, thousands: 4 };
  /** One of each kind up to this one, or ten of the kind below. */
  const ORDER = ['ones', 'tens', 'hundreds', 'thousands'];
  const kinds = $derived.by(() => {
    const top = one.digits.length - 1;
    return one.shown === 'ten-of'
      ? [{ digit: 10, place: ORDER[top - 1]! }]
      : ORDER.slice(0, top + 1).map((place) => ({ digit: 1, place }));
  });
  /** A longer word stands in several lines. */
  const LONG = 14;
  const few = $derived(one.crowd?.things ?? []);
  /** What lies of each place of several numbers, or of one that is large or renamed. */
  const piles = $derived(
    one.shown === 'pieces' || one.shown === 'drawn' || one.shown === 'unswapped'
      ? one.rows.length
        ? one.rows.map((r) => r.digits.filter((d) => d.digit))
        : one.number > 100 || one.shown === 'unswapped'
          ? [one.piles]
          : []
      : [],
  );
</script>

{#if one.given}
  {#if one.rows.length}
    <span
      class="given several kid"
      class:flat
      style:font-size="{(one.rows.some((r) => one.shown !== 'numeral' || r.numeral.length > 4)
        ? 16
        : 22) * size}px"
    >
      {#if one.answered === 'join'}{one.given}{:else}
        {#each one.rows as r, i (i)}<span>{one.shown === 'numeral' ? r.numeral : r.word}</span
          >{/each}
      {/if}
    </span>
  {:else if one.shown === 'word' || one.shown === 'said'}
    <span
      class="given"
      class:words={one.given.length > LONG}
      style:font-size="{(one.given.length > LONG ? 16 : 24) * size}px"
    >
      {#if one.shown === 'said'}<svg
          width={20 * size}
          height={18 * size}
          viewBox="0 0 20 18"
          aria-hidden="true"><path class="ear" d="M3 7h4l5-5v14l-5-5H3zM15 5c2 2 2 6 0 8" /></svg
        >{/if}
      <Word parts={one.parts} plain />
    </span>
  {:else}
    <span
      class="given kid"
      class:long={one.given.length > 9}
      style:font-size="{(one.given.length > 9 ? 16 : one.given.length > 4 ? 22 : 32) * size}px"
      >{one.given}</span
    >
  {/if}
{:else if one.rack}
  <Rack
    pushed={one.rack.rows}
    width={(one.rack.size > 20 ? 96 : 116) * size}
    right={one.rack.right}
    rest={false}
  />
{:else if one.shown === 'fingers'}
  <Hands n={one.number} width={96 * size} />
{:else if one.shown === 'bundles'}
  <Sticks tens={one.tens} ones={one.ones} width={116 * size} height={52 * size} />
{:else if one.shown === 'frames' || one.shown === 'covered'}
  <svg
    width={5.4 * cell}
    height={frames * 2.5 * cell}
    viewBox="0 0 {5.4 * cell} {frames * 2.5 * cell}"
    role="img"
    aria-label="{one.number} in ten frames"
  >
    {#each { length: frames }, f (f)}
      <Frame
        n={Math.max(0, Math.min(10, one.number - 10 * f))}
        {cell}
        y={f * 2.5 * cell}
        x={0.05 * cell}
        counter
        pairs={one.pairs}
      />
      {#if one.shown === 'covered' && one.number > 10 * (f + 1)}
        <rect
          class="cover"
          x={0.3 * cell}
          y={(f * 2.5 + 0.25) * cell}
          width={4.8 * cell}
          height={1.75 * cell}
          rx={cell * 0.3}
        />
      {/if}
    {/each}
  </svg>
{:else if one.shown === 'cards' && one.rows.length}
  <span class="several">
    {#each one.rows as r, i (i)}
      <Cards cards={r.cards} cell={Math.max(13, Math.min(16, 44 / one.rows.length)) * size} />
    {/each}
  </span>
{:else if one.shown === 'cards'}
  <Cards cards={one.cards} cell={Math.min(20, 84 / one.digits.length) * size} steps />
{:else if one.shown === 'kinds' || one.shown === 'ten-of'}
  <span class="piles kid" role="img" aria-label="{one.shownName}: {one.number}">
    {#each kinds as d (d.place)}
      <span style:color="var(--{d.place}-ink)">
        {d.digit}<Piece {material} place={d.place} unit={LAID[d.place]! * size} />
      </span>
    {/each}
  </span>
{:else if piles.length}
  <span class="several">
    {#each piles as pile, i (i)}
      <span
        class="piles kid"
        role="img"
        aria-label={pile.map((d) => `${d.digit} ${d.place}`).join(', ')}
      >
        {#each pile as d (d.place)}
          <span style:color="var(--{d.place}-ink)">
            {d.digit}<Piece
              material={drawn}
              place={d.place}
              unit={(one.shown === 'drawn' ? DRAWN : LAID)[d.place]! *
                size *
                (piles.length > 1 ? 0.6 : 1)}
            />
          </span>
        {/each}
      </span>
    {/each}
  </span>
{:else if one.shown === 'pieces' || one.shown === 'drawn'}
  <span class="tens" role="img" aria-label="{one.number} in tens and ones">
    {#if one.tens}<Piece
        material={drawn}
        place="tens"
        unit={tall * size}
        n={one.tens}
        dx={one.shown === 'drawn' ? 1 : 1.5}
      />{/if}
    <span
      class="ones"
      style:gap="{2 * size}px"
      style:grid-template-columns="repeat({Math.min(5, Math.max(1, one.ones))}, auto)"
    >
      {#each { length: one.ones }, i (i)}<Piece
          material={drawn}
          place="ones"
          unit={(one.shown === 'drawn' ? 4.6 : 8) * size}
        />{/each}
    </span>
  </span>
{:else if one.crowd}
  <svg
    width={84 * size}
    height={64 * size}
    viewBox="0 0 {one.crowd.width} {one.crowd.height}"
    role="img"
    aria-label="{one.number} {one.things}"
  >
    {#each few as t, i (i)}<circle class="dot" cx={t.x} cy={t.y} r={t.r * 0.95} />{/each}
  </svg>
{:else if one.shown === 'sticks'}
  <svg
    width={84 * size}
    height={40 * size}
    viewBox="0 0 84 40"
    role="img"
    aria-label="sticks in boxes"
  >
    {#each { length: 5 }, i (i)}
      <rect class="box" x={2 + i * 16} y="2" width="15" height="36" rx="2" />
      {#each { length: i }, k (k)}<path class="stick" d="M{5 + i * 16 + k * 3.2} 9v22" />{/each}
    {/each}
  </svg>
{:else}
  <svg
    width={(10 + 17 * Math.min(5, Math.max(1, one.number))) * size}
    height={(one.number > 5 ? 38 : 20) * size}
    viewBox="0 0 {10 + 17 * Math.min(5, Math.max(1, one.number))} {one.number > 5 ? 38 : 20}"
    role="img"
    aria-label="{one.number} {one.things}"
  >
    {#if one.number === 0}<rect class="none" x="1.5" y="1.5" width="24" height="17" rx="4" />{/if}
    {#each { length: one.number }, i (i)}<circle
        class="counter"
        cx={11 + 17 * (i % 5)}
        cy={10 + 18 * Math.floor(i / 5)}
        r="7"
      />{/each}
  </svg>
{/if}

<style>
  .given {
    display: inline-flex;
    align-items: center;
    gap: 4px;
    line-height: 1.2;
    text-align: center;
  }
  .several.flat {
    flex-direction: row;
    gap: 10px;
  }
  .several {
    display: flex;
    flex-direction: column;
    align-items: flex-end;
    gap: 2px;
    max-width: 148px;
  }
  .given.words {
    max-width: 148px;
  }
  .given.words :global(.word) {
    white-space: normal;
  }
  .given.long {
    max-width: 112px;
    white-space: normal;
  }
  .given svg {
    flex: none;
  }
  .ear {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.6;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .tens {
    display: inline-flex;
    align-items: center;
    gap: 6px;
  }
  .ones {
    display: grid;
  }
  .piles {
    display: inline-flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: center;
    gap: 2px 7px;
    max-width: 112px;
    font-size: 17px;
  }
  .piles span {
    display: inline-flex;
    align-items: center;
    gap: 2px;
  }
  .dot,
  .counter {
    fill: var(--ones);
    stroke: var(--ones-ink);
  }
  .dot {
    stroke-width: 5;
  }
  .counter {
    stroke-width: 1.2;
  }
  .box,
  .none {
    fill: var(--sheet);
    stroke: var(--edge);
  }
  .none {
    stroke-dasharray: 3 3;
  }
  .stick {
    fill: none;
    stroke: #8a5a22;
    stroke-width: 2;
  }
  .cover {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
  }
</style>
