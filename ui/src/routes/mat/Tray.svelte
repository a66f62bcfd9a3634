<script lang="ts">
  // A tray on the mat, as a part of its picture: its rim, the names of its places,
  // and a pile for each that ears can find.
  import { topOf, type Band } from '../../lib/pieces/layout';
  import type { Words } from '../../lib/wire.gen';

  let {
    band,
    says,
    title = '',
    counts = {},
    words,
    material,
    unit,
    w,
    h,
    now = '',
  }: {
    band: Band;
    says: string; // what the tray is: "tray 1", "pushed together"
    title?: string; // what stands on its rim
    counts?: Record<string, number>;
    words: Words;
    material: string;
    unit: number;
    w: number; // of the mat
    h: number;
    now?: string; // the place at work
  } = $props();

  /** In a lane that is narrower a name is small. */
  const NARROW = 112;
  const narrow = $derived(band.lanes.some((l) => l.width < NARROW));
  /** A lane that is narrower has its mark alone. */
  const NAME = 98;

  const many = (place: string): string => words.places.find((p) => p.id === place)?.many ?? place;
  const pieces = $derived(words.materials.find((m) => m.id === material)?.pieces ?? []);
  const pieceName = (place: string): string => {
    const n = counts[place] ?? 0;
    const name = pieces[words.places.findIndex((p) => p.id === place)];
    return `${n} ${(n === 1 ? name?.one : name?.many) ?? place}`;
  };
</script>

<svg width={w} height={h} viewBox="0 0 {w} {h}" class:narrow>
  <rect
    class="tray"
    x={band.x}
    y={band.y}
    width={Math.max(0, band.width)}
    height={Math.max(0, band.height)}
    rx="12"
  />
  {#if title}
    <text class="title" x={band.x + band.width - 12} y={band.y - 7} text-anchor="end">{title}</text>
  {/if}
  {#each band.lanes as lane (lane.place)}
    {#if band.named}
      <g class="label" class:now={now === lane.place} aria-hidden="true">
        <use href="#mark-{lane.place}" transform="translate({lane.x} {band.y + band.rim + 5})" />
        {#if lane.width >= NAME}
          <text
            x={lane.x + 22}
            y={band.y + band.rim + 20}
            fill="currentcolor"
            color="var(--{lane.place}-ink)">{many(lane.place)}</text
          >
        {/if}
      </g>
    {/if}
    <rect
      class="pile"
      role="img"
      aria-label="{says}: {pieceName(lane.place)}"
      x={lane.x}
      y={topOf(band)}
      width={lane.width}
      height={Math.max(1, lane.fits * unit)}
    />
  {/each}
</svg>

<style>
  .tray {
    fill: var(--sheet);
    stroke: var(--tray);
  }
  .pile {
    fill: none;
  }
  .title {
    font: 400 var(--t1) var(--text);
    fill: var(--ink-2);
  }
  .label text {
    font: 400 var(--t3) var(--kid);
  }
  .narrow .label text {
    font-size: var(--t2);
  }
  /* Bold by its line: another weight would be laid out anew. */
  .label.now text {
    stroke: currentcolor;
    stroke-width: 0.8px;
  }
</style>
