<script module lang="ts">
  /** The height of a card whose digits are cell px wide. */
  export const cardHeight = (cell: number, large: boolean): number =>
    Math.round(cell * (large ? 1.55 : 1.4));
</script>

<script lang="ts">
  // Number cards: laid on one another with their right edges flush, or below
  // one another in steps. A place with nothing in it has no card.
  let {
    cards,
    cell = 24,
    steps = false,
    large = false,
    apart = false,
  }: {
    cards: number[];
    cell?: number;
    steps?: boolean;
    large?: boolean;
    apart?: boolean; // side by side, as the number's expanded form
  } = $props();

  const PLACE = [
    'ones',
    'tens',
    'hundreds',
    'thousands',
    'ten-thousands',
    'hundred-thousands',
    'millions',
  ];
  const length = (n: number): number => String(n).length;
  /** The room for the sign between cards that lie apart, in px. */
  const PLUS = 26;
  /** How far the right edge of each card lies from that of the last, in px. */
  const shift = $derived(
    cards.map((_, i) =>
      apart ? cards.slice(i + 1).reduce((x, n) => x + length(n) * cell + PLUS, 0) : 0,
    ),
  );
  const wide = $derived(
    apart && cards.length
      ? shift[0]! + length(cards[0]!) * cell
      : Math.max(1, ...cards.map(length)) * cell,
  );
  const high = $derived(cardHeight(cell, large));
  const drop = $derived(steps ? Math.round(high * 0.8) : 0);
</script>

<span
  class="cards kid"
  class:large
  role="img"
  aria-label={cards.length ? `cards ${cards.join(apart ? ' + ' : ', ')}` : 'no card'}
  style:width="{wide}px"
  style:height="{high + drop * Math.max(0, cards.length - 1)}px"
  style:font-size="{cell * 1.12}px"
>
  {#each cards as card, i (card)}
    <span
      class="card"
      style:width="{length(card) * cell}px"
      style:height="{high}px"
      style:top="{i * drop}px"
      style:right="{shift[i]}px"
      style:color="var(--{PLACE[length(card) - 1]}-ink)"
      style:border-top-color="var(--{PLACE[length(card) - 1]})"
      >{#each String(card) as digit, d (d)}<i>{digit}</i>{/each}</span
    >
    {#if apart && i > 0}
      <span class="plus" style:right="{shift[i]! + length(card) * cell}px" style:width="{PLUS}px"
        >+</span
      >
    {/if}
  {/each}
</span>

<style>
  .cards {
    position: relative;
    display: inline-block;
    flex: none;
  }
  .card {
    position: absolute;
    display: flex;
    transition: right 0.4s cubic-bezier(0.3, 0.1, 0.2, 1);
    align-items: center;
    border: 1px solid currentcolor;
    border-top-width: 5px;
    border-radius: 3px;
    background: var(--card);
    line-height: 1;
  }
  .plus {
    position: absolute;
    top: 0;
    height: 100%;
    display: grid;
    place-items: center;
    font-size: 20px;
    font-weight: 700;
  }
  @media (prefers-reduced-motion: reduce) {
    .card {
      transition: none;
    }
  }
  .large .card {
    font-weight: 700;
  }
  .card i {
    flex: 1;
    font-style: normal;
    text-align: center;
  }
</style>
