<script lang="ts">
  // 45 sticks in the compartments from 0 to 9: as many in each as it says. In the 0 lies
  // nothing.
  import type { One, Step } from '../../../lib/wire.gen';
  import BoxSet from './BoxSet.svelte';

  let {
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const boxes = $derived(Array.from({ length: 10 }, (_, k) => step.zones[`box-${k}`]?.stick ?? 0));
  const now = $derived(step.kind === 'sort' ? step.count : step.kind === 'zero' ? 0 : undefined);
</script>

<BoxSet {boxes} heap={step.zones.heap?.stick ?? 0} {now} {w} {h} />
