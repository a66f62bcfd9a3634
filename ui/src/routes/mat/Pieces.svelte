<script lang="ts">
  // The pieces on the mat, each by its name from step to step, so that it travels.
  import { whenIdle } from '../../lib/idle';
  import type { Placed } from '../../lib/pieces/scene';
  import { Stage, type Look } from '../../lib/pieces/stage';

  let {
    pieces,
    next,
    look,
  }: {
    pieces: Placed[];
    next: Placed[]; // what lies there after the next step
    look: Look;
  } = $props();

  let root = $state<HTMLElement>();
  const stage = $derived(root && new Stage(root));
  $effect(() => stage?.draw(pieces, look));
  $effect(() => {
    const [of, to, as] = [stage, next, look];
    return whenIdle(() => of?.prepare(to, as));
  });
</script>

<div bind:this={root} class="pieces" aria-hidden="true"></div>

<style>
  .pieces {
    position: absolute;
    inset: 0;
    pointer-events: none;
  }
  .pieces :global(.piece) {
    position: absolute;
    top: 0;
    left: 0;
    overflow: visible;
    will-change: transform; /* each is drawn once, and then only moved */
  }
  @media (prefers-reduced-motion: no-preference) {
    .pieces :global(.piece) {
      transition: transform 0.5s cubic-bezier(0.3, 0.1, 0.2, 1);
    }
    .pieces :global(.coming) {
      animation: come 0.45s cubic-bezier(0.2, 0.1, 0.2, 1);
    }
  }
  .pieces :global(.going) {
    translate: var(--x) var(--y);
    opacity: 0;
    transition:
      transform 0.5s,
      translate 0.45s ease-in,
      opacity 0.45s ease-in;
  }
  @keyframes -global-come {
    from {
      translate: var(--x) var(--y);
      opacity: 0;
    }
  }
  .pieces :global(.gone use) {
    opacity: 0.5;
  }
  .pieces :global(.cross) {
    fill: none;
    stroke: var(--clay);
    stroke-width: 0.42;
    stroke-linecap: round;
  }
  .pieces :global(.cross.given) {
    stroke: var(--leaf);
  }
</style>
