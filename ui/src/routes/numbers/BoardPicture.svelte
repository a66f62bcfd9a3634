<script lang="ts">
  // The picture of a board: what its work looks like.
  import Bar from '../../lib/bars/Bar.svelte';
  import Rod from '../../lib/bars/Rod.svelte';
  import StairBar from '../../lib/pieces/StairBar.svelte';
  import Frame from '../../lib/ones/Frame.svelte';

  let { id }: { id: string } = $props();
</script>

<svg width="52" height="32" viewBox="0 0 52 32" aria-hidden="true">
  {#if id === 'tens'}
    <Frame n={7} cell={9.4} x={1.5} y={5} counter />
  {:else if id === 'places'}
    {#each [{ at: 2, w: 47, p: 'hundreds', d: '3' }, { at: 18, w: 31, p: 'tens', d: '4' }, { at: 33, w: 16, p: 'ones', d: '2' }] as c (c.p)}
      <rect class="card" x={c.at} y="5" width={c.w} height="22" rx="2" />
      <path stroke="var(--{c.p})" stroke-width="3" d="M{c.at + 1} 6.500H{c.at + c.w - 1}" />
      <text x={c.at + 7.5} y="23" fill="var(--{c.p}-ink)">{c.d}</text>
    {/each}
  {:else if id === 'sum'}
    <circle class="plum" cx="18" cy="16" r="10" /><circle class="gold" cx="32" cy="16" r="10" />
    <path class="plum" d="M26.500 10.500A10 10 0 0 1 28 16" />
  {:else if id === 'difference'}
    <path class="plum" d="M28 8a10 10 0 1 0 0 16" /><path
      class="teal"
      d="M26 16h20M27 12c6 0 10-3 18-4M27 20c6 0 10 3 18 4"
    />
  {:else if id === 'trays'}
    {#each [3, 19, 35] as x (x)}
      <rect class="tray" {x} y="6" width="14" height="20" rx="2" /><circle
        class="dot"
        cx={x + 5}
        cy="13"
        r="2"
      /><circle class="dot" cx={x + 10} cy="13" r="2" /><circle
        class="dot"
        cx={x + 7}
        cy="20"
        r="2"
      />
    {/each}
  {:else if id === 'share'}
    <rect class="bar" x="10" y="3" width="32" height="6" rx="3" />
    <path class="dash" d="M18 10l-7 8M26 10v8M34 10l7 8" />
    {#each [4, 20, 36] as x (x)}<rect
        class="tray"
        {x}
        y="19"
        width="12"
        height="10"
        rx="2"
      />{/each}
  {:else if id === 'chain'}
    {#each { length: 3 }, i (i)}
      <g transform="translate({2 + i * 17} 14)"><Bar n={3} u={5} eyes={false} /></g>
    {/each}
    <path d="M17 22v6M34 22v6M51 22v6" stroke="var(--ink)" stroke-width="1.6" />
  {:else if id === 'number-rods'}
    {#each [2, 3, 4] as n, i (n)}
      <g transform="translate(3 {3 + i * 10})"><Rod {n} unit={11} high={8} /></g>
    {/each}
  {:else if id === 'snakes'}
    <g transform="translate(3 10) rotate(14)"><StairBar n={4} size={5} /></g>
    <g transform="translate(23 20) rotate(-24)"><StairBar n={3} size={5} /></g>
    <g transform="translate(36 10) rotate(26)"><StairBar n={2} size={5} /></g>
  {/if}
</svg>

<style>
  .plum,
  .gold,
  .teal {
    fill: none;
    stroke-width: 4.5;
    stroke-linecap: round;
  }
  .plum {
    stroke: var(--tens);
  }
  .gold {
    stroke: var(--ones);
  }
  .teal {
    stroke: var(--ones);
    stroke-width: 2.6;
  }
  .card {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1;
  }
  text {
    font: 700 15px var(--kid);
    text-anchor: middle;
  }
  .tray {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1.2;
  }
  .dot {
    fill: var(--ones);
    stroke: var(--ones-ink);
    stroke-width: 0.6;
  }
  .bar {
    fill: var(--tens);
  }
  .dash {
    fill: none;
    stroke: var(--tens-ink);
    stroke-width: 1.6;
    stroke-dasharray: 2 2;
  }
</style>
