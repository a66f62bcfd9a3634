<script lang="ts">
  // Sticks in bundles of ten, counted by tens and then by ones.
  import Sticks from '../../../lib/ones/Sticks.svelte';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const kind = $derived(steps[index]!.kind);
</script>

<div data-one="bundles">
  <Sticks
    tens={one.tens}
    ones={one.ones}
    width={w}
    height={h * 0.9}
    looked={kind === 'tens' || kind === 'ones' ? kind : ''}
  />
</div>
