<script lang="ts">
  // Two boxes of five compartments from 0 to 9, and a heap of sticks.
  interface Hands {
    to: (box: number, by?: -1) => void; // a stick goes into a box, or out of it
    missing: number; // so many are seen to be missing in the last box
    counts: boolean; // how many lie in each is written, and what is wrong is marked
  }
  let {
    boxes,
    heap,
    now,
    w,
    h,
    hands,
  }: {
    boxes: number[];
    heap: number;
    now?: number; // the box that the step is about
    w: number;
    h: number;
    hands?: Hands; // they are laid by touch
  } = $props();

  const LAST = 9;
  const heapHigh = $derived(Math.min(96, h * 0.14));
  const high = $derived((h - heapHigh - 16) / 2);
  const wide = $derived((w - 28) / 5);
  const LABEL = 0.3;
  const tilt = (i: number): number => (((i * 37) % 5) - 2) * 0.55;
  /** From one stick to the next; they stand apart even where there is little room. */
  const pitchOf = (n: number): number => Math.min(22, (wide - 20) / Math.max(5, n + 0.6));
  /** Five are seen: a gap after the fifth. */
  const at = (i: number, n: number): number => {
    const pitch = pitchOf(n);
    const gap = n > 5 ? Math.min(8, pitch * 0.7) : 0;
    const width = (n - 1) * pitch + gap;
    return wide / 2 - width / 2 + i * pitch + (i > 4 ? gap : 0);
  };
  const missing = $derived(hands?.missing ?? 0);
  /** A box with what is missing keeps the room for it. */
  const room = (k: number): number => boxes[k]! + (k === LAST ? missing : 0);
  const line = (k: number, s: number): string =>
    `M${at(s, room(k))} ${high * LABEL + 24}V${high * 0.96 - 24}`;

  let first = $state(1);
  let group = $state<SVGSVGElement>();
  function keys(event: KeyboardEvent): void {
    const steps: Record<string, number> = {
      ArrowRight: 1,
      ArrowLeft: -1,
      ArrowDown: 5,
      ArrowUp: -5,
    };
    const step = steps[event.key];
    if (step) {
      first = (first + step + boxes.length) % boxes.length;
      group?.querySelectorAll<SVGElement>('[role=button]')[first]?.focus();
    } else if (event.key === ' ' || event.key === 'Enter' || event.key === 'Backspace') {
      // A held key lays one stick, not the heap.
      if (!event.repeat) hands?.to(first, event.key === 'Backspace' ? -1 : undefined);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

{#snippet box(k: number)}
  <text x={wide / 2} y={high * LABEL - 6} font-size={high * 0.18} class:now={k === now}>{k}</text>
  <rect
    class="place"
    class:now={k === now}
    class:wrong={hands?.counts && boxes[k] !== k}
    x="2"
    y={high * LABEL + 8}
    width={wide - 4}
    height={high * (0.96 - LABEL) - 16}
    rx="5"
  />
  {#each { length: boxes[k]! }, s (s)}
    <path
      class="stick"
      stroke-width={Math.min(9, 0.74 * pitchOf(room(k)))}
      transform="rotate({tilt(s + k)} {at(s, room(k))} {high * 0.6})"
      d={line(k, s)}
    />
  {/each}
  {#if k === LAST}
    {#each { length: missing }, s (s)}<path class="missing" d={line(k, boxes[k]! + s)} />{/each}
  {/if}
  {#if k === 0 && now === 0}
    <text class="nothing" x={wide / 2} y={high * 0.64} font-size="22">nothing</text>
  {/if}
{/snippet}

<svg width={w} height={h} viewBox="0 0 {w} {h}" data-one="boxes" bind:this={group}>
  {#each [0, 1] as row (row)}
    {@const y = row * high}
    <rect
      class="box"
      x="1"
      y={y + high * LABEL}
      width={w - 2}
      height={high * (0.96 - LABEL)}
      rx="8"
    />
    {#each { length: 5 }, i (i)}
      {@const k = 5 * row + i}
      {@const name = `${k}: ${boxes[k]} ${boxes[k] === 1 ? 'stick' : 'sticks'}`}
      {@const moved = `translate(${10 + i * (wide + 2)} ${y})`}
      {#if hands}
        <g
          class="touched"
          role="button"
          tabindex={k === first ? 0 : -1}
          aria-label={name}
          transform={moved}
          onclick={() => ((first = k), hands.to(k))}
          onkeydown={keys}
        >
          {@render box(k)}
        </g>
        {#if hands.counts}
          <text
            class="count"
            class:wrong={boxes[k] !== k}
            transform={moved}
            x={wide - 22}
            y={high * LABEL - 6}
            font-size="20">{boxes[k]}</text
          >
        {/if}
      {:else}
        <g role="img" aria-label={name} transform={moved}>{@render box(k)}</g>
      {/if}
    {/each}
  {/each}
  <g role="img" aria-label="the heap: {heap} {heap === 1 ? 'stick' : 'sticks'}">
    <text class="small" x="4" y={h - heapHigh + 22}>{heap ? 'the heap' : 'the heap is empty'}</text>
    {#each { length: heap }, i (i)}
      <path
        class="stick thin"
        stroke-width={Math.min(6, ((w - 150) / 45) * 0.7)}
        transform="rotate({tilt(i) * 4} {110 + i * ((w - 130) / 45)} {h - heapHigh / 2})"
        d="M{130 + i * ((w - 150) / 45)} {h - heapHigh + 8}V{h - 8}"
      />
    {/each}
  </g>
</svg>

<style>
  .box {
    fill: #e6d9b6;
    stroke: var(--edge);
    stroke-width: 1.6;
  }
  .place {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1.2;
  }
  .place.now {
    stroke: var(--leaf);
    stroke-width: 4;
  }
  .place.wrong {
    stroke: var(--clay);
    stroke-width: 3;
  }
  .touched {
    cursor: pointer;
    touch-action: manipulation;
  }
  .touched:focus-visible {
    outline: 3px solid var(--leaf);
    outline-offset: -2px;
  }
  .missing {
    stroke: var(--clay);
    stroke-width: 2.4;
    stroke-dasharray: 6 6;
    stroke-linecap: round;
  }
  .count {
    fill: var(--ink-2);
  }
  .count.wrong {
    font-weight: 700;
    fill: var(--clay-ink);
  }
  text {
    font-family: var(--kid);
    text-anchor: middle;
    fill: var(--ink);
  }
  text.now {
    font-weight: 700;
    fill: var(--leaf-deep);
  }
  .nothing,
  .small {
    fill: var(--ink-2);
  }
  .small {
    font-size: 17px;
    text-anchor: start;
  }
  .stick {
    stroke: #c98a3f;
    stroke-linecap: round;
  }
  .thin {
    stroke: #b97a34;
  }
</style>
