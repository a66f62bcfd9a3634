<script lang="ts">
  // A tray on the mat, as a part of its picture: its rim, the names of its places,
  // a pile for each that ears can find, and rings around the tens of a large one.
  import { MAT, rings, type Band } from '../../lib/pieces/layout';
  import type { Words } from '../../lib/wire.gen';

  let {
    band,
    says,
    counts = {},
    words,
    material,
    unit,
    now = '',
    named = true,
  }: {
    band: Band;
    says: string; // what the tray is: "tray 1", "pushed together"
    counts?: Record<string, number>;
    words: Words;
    material: string;
    unit: number;
    now?: string; // the place at work
    named?: boolean;
  } = $props();

  /** A lane that is narrower has its mark alone. */
  const NAME = 98;

  const many = (place: string): string => words.places.find((p) => p.id === place)?.many ?? place;
  const pieces = $derived(words.materials.find((m) => m.id === material)?.pieces ?? []);
  const pieceName = (place: string): string => {
    const n = counts[place] ?? 0;
    const name = pieces[words.places.findIndex((p) => p.id === place)];
    return `${n} ${(n === 1 ? name?.one : name?.many) ?? place}`;
  };
  const top = $derived(band.y + MAT.rim);
</script>

<rect class="tray" x={band.x} y={band.y} width={band.width} height={band.height} rx="12" />
{#each band.lanes as lane (lane.place)}
  {#if named}
    <g class="label" class:now={now === lane.place} aria-hidden="true">
      <use href="#mark-{lane.place}" transform="translate({lane.x} {top + 5})" />
      {#if lane.width >= NAME}
        <text x={lane.x + 22} y={top + 20} fill="var(--{lane.place}-ink)">{many(lane.place)}</text>
      {/if}
    </g>
  {/if}
  <rect
    class="pile"
    role="img"
    aria-label="{says}: {pieceName(lane.place)}"
    x={lane.x}
    y={top + MAT.label}
    width={lane.width}
    height={Math.max(1, lane.fits * unit)}
  />
  {#each rings(lane, band, unit, counts[lane.place] ?? 0) as r, i (i)}
    <rect
      class="ring"
      x={r.x}
      y={r.y}
      width={r.width}
      height={r.height}
      rx="7"
      stroke="var(--{lane.place}-ink)"
    />
  {/each}
{/each}

<style>
  .tray {
    fill: var(--sheet);
    stroke: #b8aa86;
  }
  .pile {
    fill: none;
  }
  .label text {
    font: 400 var(--t3) var(--kid);
  }
  :global(.narrow) .label text {
    font-size: var(--t2);
  }
  .label.now text {
    font-weight: 700;
  }
  .ring {
    fill: none;
    stroke-width: 1.6;
    stroke-dasharray: 5 3;
  }
</style>
