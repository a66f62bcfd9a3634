<script lang="ts">
  // A manner as the leaf with one lobe full.
  import Leaf from './Leaf.svelte';

  let {
    manner,
    manners,
    size = 34,
  }: { manner: string; manners: string[]; size?: number } = $props();

  const lobes = $derived(manners.map((m) => (m === manner ? 'secure' : '')));
</script>

<svg width={size} height={size} viewBox="-17 -26 34 34" aria-hidden="true">
  <Leaf state="secure" {lobes} r={16} />
</svg>
