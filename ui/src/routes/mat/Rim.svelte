<script lang="ts">
  // Cards on the rim of a tray, or the place where they will lie.
  import type { Snippet } from 'svelte';
  import Cards, { cardHeight } from '../../lib/pieces/Cards.svelte';

  let {
    cards,
    digits = 1,
    cell,
    large = false,
    x,
    y,
    right = false,
    color = 'var(--ink-2)',
    none = 'no card',
    quiet = false,
    apart = false,
    children,
  }: {
    cards?: number[]; // undefined while none lie here
    digits?: number; // how wide the place is that is kept for them
    cell: number;
    large?: boolean;
    x: number; // from the left edge of the mat, or from the right
    y: number; // of the rim
    right?: boolean;
    color?: string;
    none?: string; // what is said where no card lies
    quiet?: boolean; // the same as another: ears hear it once
    apart?: boolean; // the cards are to lie apart; a touch turns it for this set
    children?: Snippet; // what stands beside the cards
  } = $props();

  let turned = $state(false);
  const open = $derived(turned !== apart);
  const high = $derived(cardHeight(cell, large));
</script>

<div
  class="rim"
  aria-hidden={quiet || undefined}
  style:top="{y - high / 2}px"
  style:left={right ? undefined : `${x}px`}
  style:right={right ? `${x}px` : undefined}
>
  {#if !cards}
    <span
      class="empty"
      style:border-color={color}
      style:width="{digits * cell}px"
      style:height="{high}px"
    ></span>
  {:else if cards.length}
    {#if cards.length > 1 && !quiet}
      <button
        class="turn reach"
        aria-pressed={open}
        aria-label="cards {cards.join(open ? ' + ' : ', ')}: slide them {open
          ? 'together'
          : 'apart'}"
        onclick={() => (turned = !turned)}
      >
        <Cards {cards} {cell} {large} apart={open} />
      </button>
    {:else}
      <Cards {cards} {cell} {large} />
    {/if}
  {:else}
    <span class="nocard kid" style:min-height="{high}px">{none}</span>
  {/if}
  {@render children?.()}
</div>

<style>
  .rim {
    position: absolute;
    display: flex;
    align-items: center;
    gap: 10px;
  }
  .turn {
    pointer-events: auto; /* the layer under it takes none */
    display: flex;
    padding: 0;
    min-height: 0;
    z-index: 1;
  }
  .empty {
    display: block;
    border: 1.5px dashed;
    border-radius: 3px;
    background: var(--paper);
  }
  .nocard {
    display: flex;
    align-items: center;
    padding: 0 6px;
    font-size: var(--t2);
    line-height: 22px;
    white-space: nowrap;
    background: linear-gradient(transparent 30%, var(--sheet) 30% 70%, transparent 70%);
    color: var(--ink-2);
  }
</style>
