<script lang="ts">
  // Two hands with some fingers up, five and some: the one hand is full before the other begins.
  let { n, width, gone = false }: { n: number; width: number; gone?: boolean } = $props();

  const WIDE = 25.2;
  const TALL = 12.6;
  /** The fingers of a hand from the thumb on: where they stand, how long they are, and how far they lean. */
  const FINGERS = [
    { x: 1.6, long: 3, y: 8.6, lean: -38 },
    { x: 3.3, long: 4.4, y: 6, lean: -6 },
    { x: 5.1, long: 5, y: 5.8, lean: -1 },
    { x: 6.9, long: 4.6, y: 5.8, lean: 3 },
    { x: 8.7, long: 3.5, y: 6.2, lean: 8 },
  ];
  const left = $derived(Math.min(5, n));
  const right = $derived(Math.max(0, n - 5));
</script>

<svg
  {width}
  height={(width / WIDE) * TALL}
  viewBox="0 0 {WIDE} {TALL}"
  role="img"
  aria-label="fingers that are up: {n}"
  data-fingers={n}
>
  {#each [left, right] as up, hand (hand)}
    <g transform={hand === 0 ? 'translate(11 0) scale(-1 1)' : 'translate(14.2 0)'}>
      {#each FINGERS as f, i (i)}
        <g transform="rotate({f.lean} {f.x} {f.y + 1.6})">
          {#if i < up}
            <rect
              class="finger"
              x={f.x - 0.82}
              y={f.y - f.long}
              width="1.64"
              height={f.long + 2.6}
              rx="0.82"
            />
            <path class="nail" d="M{f.x - 0.4} {f.y - f.long + 0.75}q0.4 -0.5 0.8 0" />
          {:else}
            <rect
              class="finger down"
              class:gone
              x={f.x - 0.82}
              y={f.y - 0.5}
              width="1.64"
              height="2.4"
              rx="0.82"
            />
          {/if}
        </g>
      {/each}
      <path class="palm" d="M2.3 6.6V10.4q.3 2 2.3 2h3q2 0 2 -2V6.2H6z" />
      <path class="edge" d="M2.4 6.4V10.4q.3 1.9 2.2 1.9h3q1.95 0 1.95 -2V6" />
    </g>
  {/each}
</svg>

<style>
  .finger,
  .palm {
    fill: var(--leaf-tint);
    stroke: var(--ink);
    stroke-width: 0.16;
    stroke-linejoin: round;
  }
  .palm {
    stroke: none;
  }
  .edge {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.16;
  }
  .finger.down {
    fill: var(--sheet);
  }
  .finger.down.gone {
    stroke-dasharray: 0.4 0.3;
  }
  .nail {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 0.1;
  }
</style>
