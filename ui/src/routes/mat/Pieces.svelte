<script lang="ts">
  // The pieces on the mat, each by its name from step to step, so that it travels.
  import { fade } from 'svelte/transition';
  import type { Placed } from '../../lib/pieces/scene';

  let {
    pieces,
    unit,
    material,
    ms,
  }: { pieces: Placed[]; unit: number; material: string; ms: number } = $props();
</script>

{#each pieces as p (p.id)}
  <g
    class="piece"
    class:still={ms === 0}
    style:transform="translate({p.x}px, {p.y}px) scale({unit})"
    in:fade={{ duration: ms }}
    out:fade={{ duration: ms / 2 }}
  >
    <use href="#{material}-{p.place}" />
  </g>
{/each}

<style>
  .piece {
    transition: transform 0.55s cubic-bezier(0.3, 0.1, 0.2, 1);
  }
  .piece.still {
    transition: none;
  }
</style>
