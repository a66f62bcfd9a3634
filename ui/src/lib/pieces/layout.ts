// How a lesson lies on the mat: one unit for the whole lesson, chosen from its
// fullest moment, so that nothing is resized midway. Pure functions of sizes
// and counts.
import { boxOf, CUBE, fitHeap, heap, type Heap, type PlaceId, type Spot } from './units';

export type Counts = Record<PlaceId, number>;

/** What a lesson asks of its mat. */
export interface Work {
  places: PlaceId[]; // highest first
  trays: Counts[]; // what each tray holds
  fullest: Counts; // the most that lie together
  swaps: PlaceId[]; // the places that swap
}

export interface Lane {
  place: PlaceId;
  x: number; // px
  width: number;
  fits: number; // how high a heap may be here, in units
}

export interface Band {
  x: number; // px
  y: number;
  width: number;
  height: number;
  lanes: Lane[];
}

export interface Layout {
  unit: number;
  trays: Band[]; // while the numbers are built
  joined: Band; // from pushing together on
  swapAt: { x: number; y: number; width: number; height: number }; // px
}

/** Fixed measures in px. */
export const MAT = {
  margin: 24, // around the trays
  rim: 38, // the half of the cards that stands within the rim, and air
  label: 38, // place names
  foot: 46, // the large cards' half within the rim
  gap: 20, // between lanes
  between: 44, // between the trays
  inset: 20, // within a tray
  biggest: 15,
  air: 10, // below the pieces
  smallest: 2.2,
};

/** The width in px below which names and gaps are small. */
export const NARROW = 640;

/** The narrowest lane in px: its name must fit. */
export const leastLane = (w: number): number => (w < NARROW ? 98 : 112);
export const gapOf = (w: number): number => (w < NARROW ? 12 : MAT.gap);

/** The box of a swap, in units: the ten, and the new piece beside. */
export function swapBox(place: PlaceId): { width: number; height: number } {
  switch (place) {
    case 'ones':
      return { width: 5.4, height: 11 };
    case 'tens':
      return { width: 10.9 + 3 + 10, height: 11 };
    default:
      return { width: 10 + 9 * 0.4 + 3 + CUBE.width, height: 10 + 9 * 0.8 };
  }
}

/** Where the ten of a swap lie in its box: as long as the new piece. */
export function swapTen(place: PlaceId): Spot[] {
  return Array.from({ length: 10 }, (_, k) => {
    if (place === 'ones') return { x: 3.4, y: k + 0.5 };
    if (place === 'tens') return { x: k * 1.1, y: 0.5 };
    return { x: k * 0.4, y: k * 0.8 };
  });
}

/** Where the new piece of a swap lies in its box. */
export function swapNew(place: PlaceId): Spot {
  if (place === 'ones') return { x: 0.4, y: 0.5 };
  if (place === 'tens') return { x: 13.9, y: 0.5 };
  return { x: 10 + 9 * 0.4 + 3, y: 0.4 };
}

const count = (c: Counts, place: PlaceId): number => c[place] ?? 0;

/** Lanes of a band that is at most high units high; undefined where the width does not do. */
function lanes(
  work: Work,
  counts: Counts[],
  unit: number,
  width: number,
  high: (place: PlaceId) => number,
  least = leastLane(width),
  from = MAT.margin + MAT.inset,
): Lane[] | undefined {
  const wide: number[] = [];
  for (const place of work.places) {
    let most = 0;
    for (const c of counts) {
      const made = fitHeap(place, count(c, place), high(place));
      if (!made) return undefined;
      most = Math.max(most, made.width);
    }
    wide.push(Math.max(least, most * unit));
  }
  const gap = gapOf(width);
  const gaps = gap * (work.places.length - 1);
  const spare = width - gaps - wide.reduce((a, b) => a + b, 0);
  if (spare < 0) return undefined;
  const air = Math.min(spare / work.places.length, 60);
  let x = from;
  return work.places.map((place, i) => {
    const lane = { place, x, width: wide[i]! + air, fits: high(place) };
    x += lane.width + gap;
    return lane;
  });
}

/** What a band has beside its pieces: half a card and the names above, air below. */
const CHROME = MAT.rim + MAT.label + MAT.air;

/** More trays than these stand in two columns, with marks instead of names. */
const ONE_COLUMN = 3;
/** The narrowest lane of a tray that stands beside another, in px. */
const MARKED = 40;

/** The trays, below one another and alike, so that each place stands under itself. */
function trayBands(work: Work, unit: number, w: number, h: number): Band[] | undefined {
  const n = work.trays.length;
  const columns = n > ONE_COLUMN ? 2 : 1;
  const rows = Math.ceil(n / columns);
  const top = MAT.margin + MAT.rim;
  const height = (h - top - MAT.margin - MAT.between * (rows - 1)) / rows;
  const width = (w - 2 * MAT.margin - MAT.gap * (columns - 1)) / columns;
  const inner = width - 2 * MAT.inset;
  const high = (height - CHROME) / unit;
  const bands = work.trays.map((_, i): Band | undefined => {
    const x = MAT.margin + (i % columns) * (width + MAT.gap);
    const least = columns > 1 ? MARKED : leastLane(inner);
    const made = lanes(work, work.trays, unit, inner, () => high, least, x + MAT.inset);
    const y = top + Math.floor(i / columns) * (height + MAT.between);
    return made && { x, y, width, height, lanes: made };
  });
  return bands.every((b) => b !== undefined) ? bands : undefined;
}

/** The joined piles, with the place of a swap below the lower ones. */
function joinedBand(work: Work, unit: number, width: number, h: number) {
  const y = MAT.margin + MAT.rim;
  const height = h - y - MAT.margin - MAT.foot;
  const high = (height - CHROME - MAT.foot) / unit;
  const boxes = work.swaps.map(swapBox);
  const swapHigh = Math.max(0, ...boxes.map((b) => b.height));
  const swapWide = boxes.length ? Math.max(...boxes.map((b) => b.width)) * unit + COUNTED : 0;
  const above = boxes.length ? high - swapHigh - 2 : high;
  const made = lanes(work, [work.fullest], unit, width, (place) =>
    place === 'ones' || place === 'tens' ? above : high,
  );
  if (!made) return undefined;
  const right = MAT.margin + MAT.inset + width;
  const under = made.find((l) => l.place === 'tens' || l.place === 'ones')!;
  // Every pile that the swap reaches under ends above it.
  for (const lane of made) {
    if (lane.x + lane.width > right - swapWide) lane.fits = Math.min(lane.fits, above);
    if (!fitsLane(work, lane, unit)) return undefined;
  }
  const x = Math.min(under.x, right - swapWide);
  return {
    joined: { x: MAT.margin, y, width: width + 2 * MAT.inset, height, lanes: made },
    swapAt: {
      x,
      y: y + height - MAT.foot - swapHigh * unit - 4,
      width: right - x,
      height: swapHigh * unit,
    },
  };
}

/** The room beside a swap for the number counted, in px. */
const COUNTED = 84;

function tryUnit(work: Work, unit: number, w: number, h: number): Layout | undefined {
  const width = w - 2 * (MAT.margin + MAT.inset);
  const trays = trayBands(work, unit, w, h);
  const joined = trays && joinedBand(work, unit, width, h);
  return joined && { unit, trays, ...joined };
}

function fitsLane(work: Work, lane: Lane, unit: number): boolean {
  const made = fitHeap(lane.place, count(work.fullest, lane.place), lane.fits);
  return made !== undefined && made.width * unit <= lane.width + 1e-6;
}

/** The largest unit with which the whole lesson fits a mat of w × h px. */
export function layout(work: Work, w: number, h: number): Layout {
  for (let unit = MAT.biggest; unit > MAT.smallest; unit -= 0.1) {
    const made = tryUnit(work, unit, w, h);
    if (made) return made;
  }
  return (
    tryUnit(work, MAT.smallest, Math.max(w, 900), Math.max(h, 900)) ?? {
      unit: MAT.smallest,
      trays: [],
      joined: { x: 0, y: 0, width: w, height: h, lanes: [] },
      swapAt: { x: 0, y: 0, width: 0, height: 0 },
    }
  );
}

/** The heap of a lane: the spots in px on the mat. */
export function lie(
  lane: Lane,
  band: Band,
  unit: number,
  n: number,
): { spots: Spot[]; heap: Heap } {
  const made = fitHeap(lane.place, n, lane.fits) ?? heap(lane.place, n, 5);
  const y = band.y + MAT.rim + MAT.label;
  return {
    spots: made.spots.map((s) => ({ x: lane.x + s.x * unit, y: y + s.y * unit })),
    heap: made,
  };
}

/** The box of a piece in px. */
export function box(place: PlaceId, unit: number): { width: number; height: number } {
  const b = boxOf(place);
  return { width: b.width * unit, height: b.height * unit };
}

/** Up to so many of a kind are seen without a ring. */
const UNRINGED = 19;
const TEN = 10;

/** The rings around the tens of a pile that is too large to be seen at once, in px. */
export function rings(
  lane: Lane,
  band: Band,
  unit: number,
  n: number,
): { x: number; y: number; width: number; height: number }[] {
  if (n <= UNRINGED) return [];
  const { spots } = lie(lane, band, unit, n);
  const one = box(lane.place, unit);
  return Array.from({ length: Math.floor(n / TEN) }, (_, t) => {
    const ten = spots.slice(t * TEN, (t + 1) * TEN);
    const x = Math.min(...ten.map((s) => s.x)) - 4;
    const y = Math.min(...ten.map((s) => s.y)) - 4;
    const right = Math.max(...ten.map((s) => s.x)) + one.width + 4;
    const bottom = Math.max(...ten.map((s) => s.y)) + one.height + 4;
    return { x, y, width: right - x, height: bottom - y };
  });
}
