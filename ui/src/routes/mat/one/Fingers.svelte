<script lang="ts">
  // Fingers that are up, five and some; what is missing to ten is put up last.
  import Hands from '../../../lib/ones/Hands.svelte';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const up = $derived(steps[index]!.zones.hands?.counter ?? 0);
</script>

<div data-one="fingers">
  <Hands n={up} width={Math.min(w, h * 1.7, 760)} gone={steps[index]!.kind === 'missing'} />
</div>
