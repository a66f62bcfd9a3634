<script lang="ts">
  // A sheet over the whole mat that is shown or not. What it holds stays there, so
  // that showing it makes nothing anew.
  import type { Snippet } from 'svelte';

  let { off, children }: { off: boolean; children: Snippet } = $props();
</script>

<div class="layer" class:off>{@render children()}</div>

<style>
  .layer {
    position: absolute;
    inset: 0;
    contain: strict;
    pointer-events: none;
  }
  .off {
    opacity: 0;
    content-visibility: hidden; /* neither for ears nor for the tab key */
  }
  @supports not (content-visibility: hidden) {
    .off {
      visibility: hidden;
    }
  }
</style>
