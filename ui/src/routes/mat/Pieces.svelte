<script lang="ts">
  // The pieces on the mat, each by its name from step to step, so that it travels.
  // Each is an element of its own: a browser moves it without drawing it again.
  import type { TransitionConfig } from 'svelte/transition';
  import { cross, picture } from '../../lib/pieces/drawn';
  import type { Placed } from '../../lib/pieces/scene';
  import { boxOf, type Hand } from '../../lib/pieces/units';

  let {
    pieces,
    unit,
    material,
    hand,
    ms,
    store,
  }: {
    pieces: Placed[];
    unit: number;
    material: string;
    hand: Hand;
    ms: number;
    store: (place: string) => { x: number; y: number }; // where a piece comes from and goes
  } = $props();

  /** From the store's board to the spot, or back; what is drawn appears where it is. */
  function fetch(_: Element, p: Placed): TransitionConfig {
    const from = store(p.place);
    const [dx, dy] = hand === 'drawn' ? [0, 0] : [from.x - p.x, from.y - p.y];
    return {
      duration: ms,
      css: (t, u) => `opacity: ${t * t}; translate: ${u * dx}px ${u * dy}px`,
    };
  }
</script>

{#each pieces as p (p.id)}
  {@const box = boxOf(p.place, hand)}
  <svg
    class="piece {p.place}"
    class:still={ms === 0}
    class:gone={p.gone}
    width={box.width * unit}
    height={box.height * unit}
    viewBox="0 0 {box.width} {box.height}"
    aria-hidden="true"
    style:transform="translate({p.x}px, {p.y}px)"
    in:fetch={p}
    out:fetch={p}
  >
    <use href="#{picture(material, p.place, p.order)}" />
    {#if p.gone === 'taken' || p.gone === 'given'}
      <path class="cross {p.gone}" d={cross(box.width, box.height, p.order)} />
    {/if}
  </svg>
{/each}

<style>
  .piece {
    position: absolute;
    top: 0;
    left: 0;
    overflow: visible;
    pointer-events: none;
    transition: transform 0.5s cubic-bezier(0.3, 0.1, 0.2, 1);
  }
  .piece.still {
    transition: none;
  }
  .gone use {
    opacity: 0.5;
  }
  .cross {
    fill: none;
    stroke: var(--clay);
    stroke-width: 0.42;
    stroke-linecap: round;
  }
  .cross.given {
    stroke: var(--leaf);
  }
</style>
