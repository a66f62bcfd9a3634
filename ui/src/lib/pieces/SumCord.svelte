<script lang="ts">
  // The cord of a sum: which of its places swap, where nothing stays, and which
  // swap is made by another.
  import type { Sum } from '../wire.gen';
  import Cord from './Cord.svelte';

  let { sum, pitch, s, ground }: { sum: Sum; pitch: number; s: number; ground?: string } = $props();
</script>

<Cord
  places={sum.columns.map((c) => c.place)}
  states={sum.columns.map((c) => (c.out ? 'yes' : 'no'))}
  hollow={sum.columns.map((c) => c.out > 0 && c.stays === 0)}
  made={sum.columns.map((c) => c.made)}
  {pitch}
  {s}
  {ground}
/>
