<script lang="ts">
  // One leaf in an SVG: every state has a shape of its own, so that it reads
  // without colour. The node on the wire is the origin.
  import { instead, outline } from './leaf';

  let {
    state,
    best = state,
    lobes,
    explained = false,
    r = 14,
  }: {
    state: string; // of the least settled manner
    best?: string; // of the most settled one
    lobes: string[];
    explained?: boolean;
    r?: number;
  } = $props();

  const shape = $derived(outline(lobes, r));
  const lift = $derived(r * 0.36);
  const k = $derived(r / 14);
</script>

{#if state === 'passed'}
  <circle r={3.4 * k} class="knot" />
{:else if state === 'ready'}
  <g transform="scale({k * 0.95})">
    <path class="bud" d="M0 0C-6.4 -2.8 -5.6 -9.4 0 -17C5.6 -9.4 6.4 -2.8 0 0Z" />
    <path class="bract" d="M-7 -6C-6.4 -.6 -3 1.8 0 1.8C3 1.8 6.4 -.6 7 -6" />
  </g>
{:else if state === 'shown' && best === 'shown'}
  <g transform="rotate(22) scale({k * 0.95})">
    <path class="folded" d="M0 0C-6.6 -5.2 -5.8 -12.4 0 -19.6C5.8 -12.4 6.6 -5.2 0 0Z" />
    <path class="folded" d="M0 1.5V-13" />
  </g>
{:else if !instead.includes(best)}
  <g
    class={state}
    transform={state === 'wobbling' ? `translate(0 ${lift}) scale(1 -1)` : `translate(0 ${-lift})`}
  >
    <path class="ground" d={shape.blade} />
    <path class="blade" d={shape.blade} />
    {#if shape.broken}<path class="gap" d={shape.blade} />{/if}
    {#if shape.full}<path class="full" d={shape.full} />{/if}
    {#if shape.hollow}<path class="hollow" d={shape.hollow} />{/if}
    {#if shape.broken}<path class="broken" d={shape.broken} />{/if}
    {#if shape.folded}<path class="folded" d={shape.folded} />{/if}
  </g>
  {#if state === 'check-again'}
    <path
      class="curl"
      transform="translate({2 * k} {1.5 * k}) scale({k * 0.9})"
      d="M0 0C3 3.4 8.4 4.6 10.8 1.4C12.8 -1.4 10.6 -4.8 7.8 -4.3C5.3 -3.8 5.2 -.8 7.3 -.6"
    />
  {/if}
  {#if explained}
    <g
      class="berries"
      transform="translate({-9.5 * k} {(state === 'wobbling' ? -9 : 6) * k}) scale({k})"
    >
      <circle r="2.6" /><circle cx="5" r="2.6" /><circle cx="2.5" cy="4.3" r="2.6" />
    </g>
  {/if}
{/if}

<style>
  .knot {
    fill: var(--wood);
  }
  .bud {
    fill: var(--leaf);
  }
  .bract,
  .folded,
  .curl {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 1.8;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .folded {
    fill: var(--paper);
  }
  .curl {
    stroke: var(--ink-2);
    stroke-width: 1.6;
  }
  .ground {
    fill: var(--paper);
    stroke: var(--paper);
    stroke-width: 3;
    stroke-linejoin: round;
  }
  .blade {
    fill: var(--leaf-tint);
    stroke: #7ea47d;
    stroke-width: 1;
    stroke-linejoin: round;
  }
  .full {
    fill: var(--leaf);
  }
  .check-again .blade {
    fill: #f3eee1;
    stroke: #9a937d;
  }
  .check-again .full {
    fill: var(--ink-2);
  }
  .hollow {
    fill: var(--paper);
    stroke: var(--ink-2);
    stroke-width: 1.5;
    stroke-linejoin: round;
  }
  .wobbling .blade,
  .wobbling .gap {
    fill: #f1e4ea;
    stroke: var(--plum);
    stroke-width: 1;
  }
  .wobbling .full,
  .broken {
    fill: var(--plum);
  }
  .broken {
    stroke: #f1e4ea;
    stroke-width: 0.6;
  }
  .berries circle {
    fill: #a8690a;
    stroke: var(--paper);
    stroke-width: 0.8;
  }
</style>
