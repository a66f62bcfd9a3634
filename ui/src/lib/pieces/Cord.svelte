<script lang="ts">
  // A whole cord, small: for a stage, a problem of the hand, the book.
  import { bridge, cord, type State } from './cord';
  import Strands from './Strands.svelte';

  let {
    places,
    states,
    hollow = [],
    made = [],
    opens = false,
    pitch = 34,
    s = 0.72,
    ground,
  }: {
    places: string[];
    states: State[];
    hollow?: boolean[];
    made?: boolean[];
    opens?: boolean; // swaps go down
    pitch?: number;
    s?: number;
    ground?: string;
  } = $props();

  const tail = $derived(opens || states[places.length - 1] === 'no' ? 0 : 27 * s);
  const height = $derived(Math.ceil(32 * s));
  const options = $derived({ places, states, hollow, opens, pitch, s, x: tail, y: 21 * s });
  const drawn = $derived(cord(options));
  const width = $derived(Math.ceil(tail + places.length * pitch - pitch * 0.28 + 5 * s));
</script>

<svg {width} {height} viewBox="0 0 {width} {height}" aria-hidden="true">
  <Strands strokes={drawn.strokes} {ground} />
  <circle
    cx={drawn.bead.x}
    cy={drawn.bead.y}
    r={drawn.bead.r}
    fill="var(--ones)"
    stroke="var(--ones-ink)"
    stroke-width={1.1 * s}
  />
  {#each made as yes, k (k)}
    {#if yes}
      <path
        d={bridge(options, k)}
        fill="none"
        stroke="var(--ink)"
        stroke-width={2.2 * s}
        stroke-linecap="round"
      />
    {/if}
  {/each}
</svg>
