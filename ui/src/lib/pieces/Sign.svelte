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
  const drop = $derived(state === 'wobbling' ? -size * 0.36 : 0);
</script>

<svg
  width={size}
  height={size}
  viewBox="{-size / 2} {drop - size * 0.62} {size} {size}"
  aria-hidden="true"
>
  <g transform="translate(0 {drop})"><Leaf {state} lobes={LOBES[state] ?? []} {r} /></g>
</svg>
