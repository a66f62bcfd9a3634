<script lang="ts">
  // One ten of a snake in a line: its number, the bar at which it ends, and what is left.
  import type { Snake } from '../wire.gen';
  import Bar from './Bar.svelte';

  let { snake, nth, hidden = false }: { snake: Snake; nth: number; hidden?: boolean } = $props();

  const U = 8.4;
  const ten = $derived(snake.tens[nth]!);
  const last = $derived(snake.bars[ten.to - 1]!);
  const x = $derived((last - ten.left) * U + 2);
</script>

<b class="kid">{10 * (nth + 1)}</b>
{#if hidden}<span class="due"></span>{:else}
  <svg width={10 * U + 4} height="28" viewBox="0 0 {10 * U + 4} 28" aria-hidden="true">
    <g transform="translate(2 18)"><Bar n={last} u={U} eyes={false} /></g>
    {#if ten.left}
      <path d="M{x} 3V26" stroke="var(--ink)" stroke-width="2" stroke-linecap="round" />
      <g transform="translate({x + 1} 7)">
        <Bar n={ten.left} kind="remainder" u={U * 0.96} cased={false} />
      </g>
    {:else}
      <path
        d="M{x - 1.6} 5V27M{x + 2.2} 5V27"
        stroke="var(--ink)"
        stroke-width="1.6"
        stroke-linecap="round"
      />
    {/if}
  </svg>
  <span class="says">{ten.says}</span>
{/if}

<style>
  b {
    color: var(--tens-ink);
    font-size: 20px;
    line-height: 28px;
  }
  .says {
    line-height: 18px;
  }
  .due {
    grid-column: span 2;
    height: 22px;
    border: 2px dashed var(--leaf);
    border-radius: 11px;
  }
</style>
