<script lang="ts">
  // A crowd in the child's hands: touched things are marked, ten make a ring.
  import type { One } from '../../../lib/wire.gen';
  import Plain from '../../../lib/parts/Plain.svelte';
  import Acts from './Acts.svelte';
  import { Ringing } from './ringing.svelte';

  let {
    one,
    kept,
    w,
    h,
    ontold,
  }: { one: One; kept: string; w: number; h: number; ontold: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const hands = new Ringing(kept);

  const crowd = $derived(one.crowd!);
  let foot = $state(60);
  const scale = $derived(Math.min(w / crowd.width, (h - foot) / crowd.height));
  const left = $derived((w - crowd.width * scale) / 2);
  const gap = $derived(crowd.apart * 0.46);
  /** A ring goes round its things in the order in which they were touched. */
  const path = (ring: number[]): string =>
    ring.map((i) => `${crowd.things[i]!.x},${crowd.things[i]!.y}`).join(' ');
  let at = $state(0);
  let group = $state<SVGGElement>();
  function close(): void {
    if (hands.rings.now.length !== crowd.ten) ontold();
    hands.close(crowd.ten, one.inRing);
  }
  function keys(event: KeyboardEvent): void {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step) {
      at = (at + step + crowd.things.length) % crowd.things.length;
      group?.querySelectorAll<SVGElement>('[role=checkbox]')[at]?.focus();
    } else if (event.key === ' ' || event.key === 'Enter') hands.mark(at);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<div class="ringed" data-one="crowd" data-rings={hands.rings.done.length}>
  <svg width={w} height={h - foot} viewBox="0 0 {w} {h - foot}">
    <g transform="translate({left} 0) scale({scale})" bind:this={group}>
      <rect class="sheet" x="1" y="1" width={crowd.width - 2} height={crowd.height - 2} rx="8" />
      {#each hands.rings.done as ring (ring.join())}
        <polyline class="line" points={path(ring)} stroke-width={2 * gap} />
        <polyline class="inside" points={path(ring)} stroke-width={2 * gap - 6} />
      {/each}
      {#if hands.rings.now.length > 1}
        <polyline class="open" points={path(hands.rings.now)} />
      {/if}
      {#each crowd.things as t, i (i)}
        <g
          role="checkbox"
          tabindex={i === at ? 0 : -1}
          aria-checked={hands.marked(i)}
          aria-label="thing {i + 1}"
          onclick={() => ((at = i), hands.mark(i))}
          onkeydown={keys}
        >
          <circle class="hit" cx={t.x} cy={t.y} r={crowd.apart / 2} />
          <use
            class:marked={hands.marked(i)}
            href="#thing-{one.thing}"
            x={t.x - t.r * 1.1}
            y={t.y - t.r * 1.1}
            width={2.2 * t.r}
            height={2.2 * t.r}
          />
          {#if hands.marked(i)}
            <path
              class="mark"
              d="M{t.x - t.r * 0.7} {t.y + t.r * 0.7}L{t.x + t.r * 0.7} {t.y - t.r * 0.7}"
            />
          {/if}
        </g>
      {/each}
      {#each hands.rings.done as ring (ring.join())}
        {@const t = crowd.things[ring[0]!]!}
        <text class="ten" x={t.x} y={t.y} font-size={t.r * 1.2}>10</text>
      {/each}
    </g>
  </svg>
  <div bind:clientHeight={foot}>
    <Acts says={hands.says} wrong={hands.rings.now.length > 0}>
      <Plain
        onclick={() => hands.rub()}
        disabled={!hands.rings.now.length && !hands.rings.done.length}>Rub out</Plain
      >
      <Plain disabled={!hands.rings.now.length} onclick={close}>Close the ring</Plain>
    </Acts>
  </div>
</div>

<style>
  .sheet {
    fill: var(--sheet);
    stroke: var(--tray);
    stroke-width: 1.6;
  }
  polyline {
    fill: none;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .line {
    stroke: var(--leaf);
  }
  .inside {
    stroke: var(--leaf-tint);
  }
  .open {
    stroke: var(--leaf);
    stroke-width: 3;
    stroke-dasharray: 6 7;
  }
  .hit {
    fill: transparent;
  }
  [role='checkbox'] {
    cursor: pointer;
  }
  [role='checkbox']:focus-visible {
    outline: 3px solid var(--leaf);
    outline-offset: -2px;
  }
  .marked {
    opacity: 0.45;
  }
  .mark {
    stroke: var(--ink);
    stroke-width: 2.4;
    stroke-linecap: round;
  }
  .ten {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    dominant-baseline: central;
    fill: var(--tens-ink);
    paint-order: stroke;
    stroke: var(--leaf-tint);
    stroke-width: 7px;
  }
</style>
