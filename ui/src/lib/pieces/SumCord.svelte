<script lang="ts">
  // The cord of a problem: which of its places swap, where nothing stays or a zero
  // stands, and which swap is made by another.
  import type { Sum } from '../wire.gen';
  import Cord from './Cord.svelte';
  import type { State } from './cord';

  let { sum, pitch, s, ground }: { sum: Sum; pitch: number; s: number; ground?: string } = $props();

  const opens = $derived(sum.kind === 'difference' || sum.kind === 'share');
  /** Sharing swaps from a place down: its knot lies at its right end. */
  const shift = $derived(sum.kind === 'share' ? 1 : 0);
  const states = $derived(
    sum.columns.map((_, i): State => (sum.columns[i + shift]?.swaps ? 'yes' : 'no')),
  );
</script>

<Cord
  places={sum.columns.map((c) => c.place)}
  {states}
  hollow={sum.columns.map((c) => (opens ? c.zero : c.swaps && c.stays === 0))}
  made={sum.columns.map((c) => c.made)}
  {opens}
  {pitch}
  {s}
  {ground}
/>
