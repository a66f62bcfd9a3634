<script lang="ts">
  // A state as one small leaf, for lists.
  import Leaf from './Leaf.svelte';

  let { state, size = 26 }: { state: string; size?: number } = $props();

  const LOBES: Record<string, string[]> = {
    'under-way': ['under-way', '', ''],
    secure: ['secure', 'secure', ''],
    'check-again': ['check-again', 'check-again', ''],
    wobbling: ['secure', 'wobbling', 'secure'],
  };
  const r = $derived(size * 0.42);
  const top = $derived(size * (state === 'wobbling' ? -0.16 : -0.74));
</script>

<svg width={size} height={size} viewBox="{-size / 2} {top} {size} {size}" aria-hidden="true">
  <Leaf {state} lobes={LOBES[state] ?? []} {r} />
</svg>
