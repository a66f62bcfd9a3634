<script lang="ts">
  // A hand of drawn sums, each with its swaps and pieces; one of them is picked.
  import Written from '../../lib/parts/Written.svelte';
  import Mark from '../../lib/pieces/Mark.svelte';
  import SumCord from '../../lib/pieces/SumCord.svelte';
  import type { Sum } from '../../lib/wire.gen';
  import { along } from './hand';

  let { sums, picked, onpick }: { sums: Sum[]; picked?: string; onpick: (sum: Sum) => void } =
    $props();

  const at = $derived(sums.findIndex((s) => s.text === picked));
  let group = $state<HTMLElement>();

  const arrows = (event: KeyboardEvent): void => along(event, group!, sums, at, onpick);
</script>

<div
  class="hand"
  role="radiogroup"
  aria-label="Problems to choose from"
  data-hand
  bind:this={group}
>
  {#each sums as sum, i (sum.text)}
    <button
      role="radio"
      aria-checked={i === at}
      tabindex={i === Math.max(at, 0) ? 0 : -1}
      aria-label="{sum.text}, {sum.swaps}"
      onclick={() => onpick(sum)}
      onkeydown={arrows}
    >
      <SumCord
        {sum}
        pitch={sum.columns.length > 4 ? 24 : 32}
        s={sum.columns.length > 4 ? 0.55 : 0.68}
        ground={i === at ? 'var(--sheet)' : 'var(--paper)'}
      />
      {#if sum.numbers.length > 2 || sum.kind === 'share' || sum.kind === 'trays'}
        <span
          class="line kid"
          class:long={sum.said.length > 11}
          class:longest={sum.said.length > 26}>{sum.said.replaceAll('\u00a0', ' ')}</span
        >
      {:else}
        <Written
          numbers={sum.numbers}
          sign={sum.sign}
          size={sum.text.length > 10 ? 28 : 36}
          cell={sum.text.length > 10 ? 22 : 32}
        />
      {/if}
      {#if sum.laidOut && sum.numbers.length <= 3}
        <span class="pieces">
          {#each sum.pieces as piece (piece.place)}
            <span style:color="var(--{piece.place}-ink)">
              <Mark place={piece.place} size={12} />{piece.count}
            </span>
          {/each}
        </span>
      {/if}
    </button>
  {/each}
</div>

<style>
  .hand {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    grid-template-rows: repeat(3, minmax(min-content, 1fr));
    gap: 4px 8px;
    overflow-y: auto;
  }
  button {
    display: flex;
    flex-direction: column;
    align-items: flex-end;
    justify-content: center;
    gap: 1px;
    padding: 2px 8px 2px 2px;
    border: 2.5px solid var(--none);
    border-radius: var(--r2);
    overflow: hidden;
  }
  button > :global(svg) {
    flex: none;
  }
  button:hover {
    border-color: var(--line);
  }
  button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--sheet);
  }
  .line {
    font-size: 32px;
    line-height: 38px;
    text-align: right;
  }
  .line.long {
    font-size: 21px;
    line-height: 26px;
  }
  .line.longest {
    font-size: 17px;
    line-height: 20px;
  }
  .pieces {
    display: flex;
    gap: 8px;
    font-size: var(--t1);
    font-weight: 600;
    line-height: 18px;
  }
  .pieces span {
    display: flex;
    align-items: center;
    gap: 3px;
  }
  @media (max-width: 1100px) {
    .hand {
      grid-template-rows: repeat(3, minmax(104px, 1fr));
    }
    button > :global(svg),
    button > :global(.written) {
      zoom: 0.74;
    }
    .line,
    .line.long {
      font-size: 20px;
      line-height: 24px;
    }
    .line.longest {
      font-size: 15px;
      line-height: 18px;
    }
    .pieces {
      gap: 5px;
    }
  }
  @media (max-width: 700px) {
    .hand {
      grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
      grid-template-rows: none;
      grid-auto-rows: auto;
      overflow: visible;
    }
    button {
      min-height: 64px;
    }
  }
</style>
