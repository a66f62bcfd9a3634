<script lang="ts">
  // What a child can do besides touching, and what is said of it.
  import type { Snippet } from 'svelte';

  let { children, says, wrong }: { children: Snippet; says: string; wrong: boolean } = $props();
</script>

<div class="acts">
  {@render children()}
  <p role="status" class:wrong>{says}</p>
</div>

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
    padding-top: 8px;
  }
  p {
    flex: 1 1 240px;
    min-height: 52px;
    display: grid;
    align-items: center;
    font: 400 20px/26px var(--kid);
  }
  .wrong {
    color: var(--clay-ink);
  }
</style>
