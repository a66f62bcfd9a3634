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
  }: { cards: number[]; cell?: number; steps?: boolean; large?: boolean } = $props();

  const PLACE = ['ones', 'tens', 'hundreds', 'thousands', 'ten-thousands'];
  const length = (n: number): number => String(n).length;
  const widest = $derived(Math.max(1, ...cards.map(length)));
  const high = $derived(cardHeight(cell, large));
  const drop = $derived(steps ? Math.round(high * 0.8) : 0);
</script>

<span
  class="cards kid"
  class:large
  role="img"
  aria-label={cards.length ? `cards ${cards.join(', ')}` : 'no card'}
  style:width="{widest * cell}px"
  style:height="{high + drop * Math.max(0, cards.length - 1)}px"
  style:font-size="{cell * 1.12}px"
>
  {#each cards as card, i (card)}
    <span
      class="card"
      style:width="{length(card) * cell}px"
      style:height="{high}px"
      style:top="{i * drop}px"
      style:color="var(--{PLACE[length(card) - 1]}-ink)"
      style:border-top-color="var(--{PLACE[length(card) - 1]})"
      >{#each String(card) as digit, d (d)}<i>{digit}</i>{/each}</span
    >
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
    right: 0;
    display: flex;
    align-items: center;
    border: 1px solid currentcolor;
    border-top-width: 5px;
    border-radius: 3px;
    background: #fff;
    line-height: 1;
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
