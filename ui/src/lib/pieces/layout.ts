// How a lesson lies on the mat: a band for each zone, and one unit for the whole
// lesson, chosen from its fullest moment, so that nothing is resized midway. Pure
// functions of sizes and counts.
import {
  boxOf,
  fitHeap,
  heap,
  match,
  UNRINGED,
  type Hand,
  type Heap,
  type PlaceId,
  type Size,
  type Spot,
} from './units';

export type Counts = Record<PlaceId, number>;

/** What a lesson asks of its mat. */
export interface Work {
  hand: Hand;
  places: PlaceId[]; // highest first
  trays: string[]; // zones that are joined; empty where nothing is
  parts: string[]; // zones into which the number is taken apart; empty where it is not
  rest: boolean; // something is left over
  most: Record<string, Counts>; // the most that lies in each zone
  swaps: { from: PlaceId; to: PlaceId }[]; // of the higher place for the lower, or back
  group: number; // how many make a group; 0 where no groups are taken off
}

export interface Box extends Spot, Size {}

export interface Lane {
  place: PlaceId;
  x: number; // px
  width: number;
  fits: number; // how high a heap may be here, in units
}

export interface Band extends Box {
  lanes: Lane[];
  named: boolean; // whether the names of the places stand above
  rim: number; // how far cards reach into it from above, in px
}

export interface Layout {
  hand: Hand;
  unit: number;
  bands: Record<string, Band>; // by zone
  swapAt: Box; // px: where a swap is looked at before it is made
  floor: number; // px from the top: on it the stem hops from place to place
  group: number;
}

/** Fixed measures in px. */
export const MAT = {
  margin: 24, // around the trays
  rim: 38, // the half of the cards that stands within the rim, and air
  label: 38, // place names
  foot: 46, // the large cards' half within the rim
  gap: 20, // between lanes
  between: 44, // between the trays
  parted: 52, // between the number and what is taken from it: cards stand on both rims
  inset: 20, // within a tray
  biggest: 15,
  bigger: 19, // of tens and ones alone, which the youngest count
  air: 10, // below the pieces
  smallest: 1.2,
};

/** The width in px below which names and gaps are small. */
export const NARROW = 640;

const gapOf = (w: number): number => (w < NARROW ? 12 : MAT.gap);
/** The narrowest lane in px: its name must fit, where four of them do. */
const leastLane = (w: number): number => (w < NARROW ? Math.min(98, (w - 3 * gapOf(w)) / 4) : 112);

const count = (c: Counts | undefined, place: PlaceId): number => c?.[place] ?? 0;

/** Lanes of a band, one for each place; undefined where the width does not do. */
function lanes(
  places: PlaceId[],
  hand: Hand,
  counts: Counts[],
  unit: number,
  width: number,
  high: (place: PlaceId, nth: number) => number, // for the nth of counts
  least: (place: PlaceId) => number,
  from: number,
  gap = gapOf(width),
): Lane[] | undefined {
  const wide: number[] = [];
  for (const place of places) {
    let most = 0;
    for (const [nth, c] of counts.entries()) {
      const made = fitHeap(place, count(c, place), high(place, nth), hand);
      if (!made) return undefined;
      most = Math.max(most, made.width);
    }
    wide.push(Math.max(least(place), most * unit));
  }
  const gaps = gap * (places.length - 1);
  const spare = width - gaps - wide.reduce((a, b) => a + b, 0);
  if (spare < 0) return undefined;
  const air = Math.min(spare / places.length, 60);
  let x = from;
  return places.map((place, i) => {
    const lane = { place, x, width: wide[i]! + air, fits: high(place, 0) };
    x += lane.width + gap;
    return lane;
  });
}

/** What a band has beside its pieces: half a card and the names above, air below. */
const CHROME = MAT.rim + MAT.label + MAT.air;

/** A bead of fewer px is not counted any more. */
const COUNTABLE = 3;

/** How trays stand: in so many columns; alike, or as high as each needs. */
interface Way {
  columns: number;
  alike: boolean;
}

/** The ways in which so many trays may stand, better ones first; crowded: others do badly. */
function arrangements(trays: number, crowded: boolean): Way[] {
  const beside = (columns: number): Way => ({ columns, alike: true });
  if (trays > TWO_COLUMNS) return [beside(3)];
  if (trays > ONE_COLUMN) return [beside(2)];
  const below = [true, false].map((alike) => ({ columns: 1, alike }));
  return trays === ONE_COLUMN && crowded ? [...below, beside(2)] : below;
}

/** More trays than these stand in two columns, with marks instead of names. */
const ONE_COLUMN = 3;
/** More than these in three, without. */
const TWO_COLUMNS = 6;
/** The narrowest lane of a tray that stands beside another, in px. */
const MARKED = 40;

/** The least height in which all of a tray can lie, in units. */
const lowest = (counts: Counts, hand: Hand): number =>
  Math.max(0, ...Object.entries(counts).map(([place, n]) => heap(place, n, 1, hand).height));

/** How high the pieces of each tray may lie, in units, where all rows have so much together. */
function heights(counts: Counts[], all: number, way: Way, hand: Hand): number[] | undefined {
  if (way.alike) return counts.map(() => all / Math.ceil(counts.length / way.columns));
  const least = counts.map((c) => lowest(c, hand));
  const many = counts.map((c) => Object.values(c).reduce((a, b) => a + b, 0));
  const sum = (of: number[]): number => of.reduce((a, b) => a + b, 0);
  const spare = all - sum(least);
  return spare < 0
    ? undefined
    : least.map((l, i) => l + (spare * many[i]!) / Math.max(1, sum(many)));
}

/** The trays in rows and columns, all with the same lanes. */
function trayBands(work: Work, unit: number, w: number, h: number, way: Way): Band[] | undefined {
  const n = work.trays.length;
  const { columns } = way;
  const named = n <= TWO_COLUMNS;
  const rows = Math.ceil(n / columns);
  const top = MAT.margin + MAT.rim;
  const room = h - top - MAT.margin - MAT.between * (rows - 1);
  const width = (w - 2 * MAT.margin - MAT.gap * (columns - 1)) / columns;
  const inner = width - 2 * MAT.inset;
  const rim = named ? MAT.rim : PART.rim;
  const chrome = rim + (named ? MAT.label : 0) + MAT.air;
  const counts = work.trays.map((zone) => work.most[zone] ?? {});
  const all = (room - rows * chrome) / unit;
  const high = heights(counts, all, way, work.hand);
  if (!high) return undefined;
  const least = (): number => (columns > 1 ? (named ? MARKED : 1) : leastLane(inner));
  const bands = work.trays.map((_, i): Band | undefined => {
    const x = MAT.margin + (i % columns) * (width + MAT.gap);
    const from = x + MAT.inset;
    const set = lanes(
      work.places,
      work.hand,
      counts,
      unit,
      inner,
      (_, nth) => high[nth]!,
      least,
      from,
    );
    const fits = high[i]!;
    const height = fits * unit + chrome;
    const above = high.filter((_, k) => k % columns === 0 && k < i - (i % columns));
    const y = top + above.reduce((sum, fits) => sum + fits * unit + chrome + MAT.between, 0);
    return set && { x, y, width, height, lanes: set.map((l) => ({ ...l, fits })), named, rim };
  });
  return bands.every((b) => b !== undefined) ? bands : undefined;
}

/** The room beside a swap for the number counted, in px. */
const COUNTED = 84;

/**
 * The band on which the swaps are made, with room below its lower piles where one
 * piece lies beside ten before they are swapped. What is drawn needs none.
 */
function workBand(
  work: Work,
  zone: string,
  unit: number,
  at: Box,
  foot: number,
  least: (place: PlaceId) => number = () => 0,
) {
  const width = at.width - 2 * MAT.inset;
  const high = (at.height - CHROME - foot) / unit;
  const boxes = work.hand === 'laid' ? work.swaps.map((s) => match(s.from, s.to)) : [];
  const swapHigh = Math.max(0, ...boxes.map((b) => b.height));
  const swapWide = boxes.length
    ? Math.max(...boxes.map((b) => b.width)) * unit + (foot > MAT.foot ? 8 : COUNTED)
    : 0;
  const above = boxes.length ? high - swapHigh - 1 : high;
  const most = work.most[zone] ?? {};
  const made = lanes(
    work.places,
    work.hand,
    [most],
    unit,
    width,
    (place) => (place === 'ones' || place === 'tens' ? above : high),
    (place) => Math.max(leastLane(width), least(place)),
    at.x + MAT.inset,
  );
  if (!made) return undefined;
  const right = at.x + MAT.inset + width;
  const under = made.find((l) => l.place === 'tens' || l.place === 'ones')!;
  const x = Math.max(at.x + MAT.inset, Math.min(under.x, right - swapWide));
  if (right - x < swapWide) return undefined;
  // Every pile that the swap reaches under ends above it.
  for (const lane of made) {
    if (lane.x + lane.width > x) lane.fits = Math.min(lane.fits, above);
    if (!fitsLane(work, most, lane, unit)) return undefined;
  }
  const band: Band = { ...at, lanes: made, named: true, rim: MAT.rim };
  const y = at.y + at.height - foot - swapHigh * unit - 4;
  return { band, swapAt: { x, y, width: right - x, height: swapHigh * unit } };
}

function fitsLane(work: Work, most: Counts, lane: Lane, unit: number): boolean {
  const made = fitHeap(lane.place, count(most, lane.place), lane.fits, work.hand);
  return made !== undefined && made.width * unit <= lane.width + 1e-6;
}

/** The trays, and the band that all is pushed together on. */
function together(
  work: Work,
  unit: number,
  w: number,
  h: number,
  crowded: boolean,
): Layout | undefined {
  let trays: Band[] | undefined;
  for (const way of arrangements(work.trays.length, crowded))
    trays ??= trayBands(work, unit, w, h, way);
  const y = MAT.margin + MAT.rim;
  const at = { x: MAT.margin, y, width: w - 2 * MAT.margin, height: h - y - MAT.margin - MAT.foot };
  const joined = trays && workBand(work, 'joined', unit, at, MAT.foot);
  if (!trays || !joined) return undefined;
  const bands: Record<string, Band> = { joined: joined.band };
  for (const [i, zone] of work.trays.entries()) bands[zone] = trays[i]!;
  return { hand: work.hand, unit, bands, swapAt: joined.swapAt, floor: h, group: 0 };
}

/** The room below the pieces for the stem that hops from place to place, in px. */
export const HOP = 34;
/** And for the ways from the store and to it, above it. */
const TENDRIL = 30;
/** The width in px of the tray for what is left over. */
const REST = 132;
/** Of the trays of parts: how far small cards reach into them, and the room between them. */
const PART = { rim: 20, gap: 30, beside: 12, air: 8, inset: 8, lane: 6 };
/** The shares of the height that the number may have; the first that does best is taken. */
const UPPER = [0.64, 0.72, 0.56, 0.48, 0.4];

/** The number above, what it is taken apart into below: one tray or several alike. */
function apart(work: Work, unit: number, w: number, h: number): Layout | undefined {
  for (const share of UPPER) {
    for (let rows = 1; rows <= Math.min(3, Math.max(1, work.parts.length)); rows++) {
      const made = apartIn(work, unit, w, h, share, rows);
      if (made) return made;
    }
    if (work.parts.length === 0) break;
  }
  return undefined;
}

function apartIn(work: Work, unit: number, w: number, h: number, share: number, rows: number) {
  const y = MAT.margin + MAT.rim;
  const alone = work.parts.length === 0;
  const room = h - y - MAT.margin - MAT.rim / 2 - (alone ? 0 : MAT.parted);
  const upper = alone ? room : room * share;
  const width = w - 2 * MAT.margin;
  const rest = work.rest ? REST + MAT.gap : 0;
  const at = { x: MAT.margin, y, width: width - rest, height: upper };
  // What is taken away lies under its own place.
  const taken = work.parts.length === 1 && !work.group ? work.most[work.parts[0]!] : undefined;
  const low = (room - upper - MAT.rim - PART.air) / unit;
  const wide = new Map<PlaceId, number>();
  for (const place of taken ? work.places : []) {
    const made = fitHeap(place, count(taken, place), low, work.hand);
    if (!made) return undefined;
    wide.set(place, made.width * unit);
  }
  const ways = (work.hand === 'laid' ? HOP + TENDRIL : HOP) * Math.sign(work.swaps.length);
  // What is left over is written on the lower rim; shares have their own.
  const rim = taken || alone ? MAT.foot : MAT.air;
  const foot = rim + ways;
  const start = workBand(work, 'start', unit, at, foot, (place) => wide.get(place) ?? 0);
  if (!start) return undefined;
  const bands: Record<string, Band> = { start: start.band };
  if (work.rest) {
    const x = MAT.margin + width - REST;
    const high = (upper - CHROME) / unit;
    const counts = [work.most.remainder ?? {}];
    const made = lanes(
      ['ones'],
      work.hand,
      counts,
      unit,
      REST - 2 * MAT.inset,
      () => high,
      () => MARKED,
      x + MAT.inset,
    );
    if (!made) return undefined;
    bands.remainder = { ...at, x, width: REST, lanes: made, named: true, rim: MAT.rim };
  }
  const lower = { x: MAT.margin, y: y + upper + MAT.parted, width, height: room - upper };
  const parts = taken
    ? {
        [work.parts[0]!]: {
          ...lower,
          lanes: start.band.lanes.map((l) => ({ ...l, fits: low })),
          named: false,
          rim: MAT.rim,
        },
      }
    : alone
      ? {}
      : partBands(work, unit, lower, rows);
  return (
    parts && {
      hand: work.hand,
      unit,
      bands: { ...bands, ...parts },
      swapAt: start.swapAt,
      floor: y + upper - rim - 6,
      group: work.group,
    }
  );
}

/** The trays of the parts in so many rows, alike. */
function partBands(work: Work, unit: number, at: Box, rows: number) {
  const single = work.parts.length === 1;
  const columns = Math.ceil(work.parts.length / rows);
  const width = (at.width - PART.beside * (columns - 1)) / columns;
  const height = (at.height - PART.gap * (rows - 1)) / rows;
  const rim = single ? MAT.rim : PART.rim;
  const inset = single ? MAT.inset : PART.inset;
  const high = (height - rim - PART.air) / unit;
  const counts = work.parts.map((zone) => work.most[zone] ?? {});
  // A share has lanes for what it gets.
  const places = work.places.filter((p) => counts.some((c) => count(c, p)));
  if (work.group && !groupsFit(work, unit, width - 2 * inset, high)) return undefined;
  const bands: Record<string, Band> = {};
  for (const [i, zone] of work.parts.entries()) {
    const x = at.x + (i % columns) * (width + PART.beside);
    const y = at.y + Math.floor(i / columns) * (height + PART.gap);
    const made = work.group
      ? [{ place: 'ones', x: x + inset, width: width - 2 * inset, fits: high }]
      : lanes(
          places,
          work.hand,
          counts,
          unit,
          width - 2 * inset,
          () => high,
          () => 1,
          x + inset,
          PART.lane,
        );
    if (!made) return undefined;
    bands[zone] = { x, y, width, height, lanes: made, named: false, rim };
  }
  return bands;
}

/** The size of one group of ones with the room around it, in units. */
const groupSize = (size: number, hand: Hand): Size => {
  const made = heap('ones', size, 2, hand);
  return { width: made.width + 2.4, height: made.height + 1.8 };
};

function groupsFit(work: Work, unit: number, width: number, high: number): boolean {
  const one = groupSize(work.group, work.hand);
  const groups = count(work.most.groups, 'ones') / work.group;
  const across = Math.floor(width / unit / one.width);
  return across > 0 && Math.ceil(groups / across) * one.height <= high;
}

/** Where ones lie that were taken off in groups, in px. */
export function lieInGroups(lane: Lane, band: Band, plan: Layout, n: number): Spot[] {
  const one = groupSize(plan.group, plan.hand);
  const across = Math.max(1, Math.floor(lane.width / plan.unit / one.width));
  const group = heap('ones', plan.group, 2, plan.hand).spots;
  return Array.from({ length: n }, (_, i) => {
    const g = Math.floor(i / plan.group);
    const at = group[i % plan.group]!;
    return {
      x: lane.x + ((g % across) * one.width + 1 + at.x) * plan.unit,
      y: topOf(band) + (Math.floor(g / across) * one.height + 0.6 + at.y) * plan.unit,
    };
  });
}

const STEP = 0.1;
/** The mat on a laptop, in px. */
const USUAL = { w: 760, h: 704 };

/** The largest unit with which the whole lesson fits a mat of w × h px. */
/** So many places have numbers below a hundred. */
const TENS_AND_ONES = 2;

export function layout(work: Work, w: number, h: number): Layout {
  const fit = work.trays.length ? together : apart;
  // On a large screen, as before a class, the pieces are larger.
  const usual = work.places.length > TENS_AND_ONES ? MAT.biggest : MAT.bigger;
  const biggest = usual * Math.max(1, Math.min(w / USUAL.w, h / USUAL.h));
  const least = work.trays.length ? COUNTABLE : biggest;
  for (const crowded of [false, true])
    for (let unit = biggest; unit > (crowded ? MAT.smallest : least); unit -= STEP) {
      const made = fit(work, unit, w, h, crowded);
      if (made) return made;
    }
  return fit(work, MAT.smallest, Math.max(w, 900), Math.max(h, 900), true) ?? nothing(work);
}

const nothing = (work: Work): Layout => ({
  hand: work.hand,
  unit: MAT.smallest,
  bands: {},
  swapAt: { x: 0, y: 0, width: 0, height: 0 },
  floor: 0,
  group: 0,
});

/** Where the pieces of a band begin, in px from the top of the mat. */
export const topOf = (band: Band): number => band.y + band.rim + (band.named ? MAT.label : 0);

/** The heap of a lane: the spots in px on the mat. */
export function lie(
  lane: Lane,
  band: Band,
  plan: { unit: number; hand: Hand },
  n: number,
): { spots: Spot[]; heap: Heap } {
  const made = fitHeap(lane.place, n, lane.fits, plan.hand) ?? heap(lane.place, n, 5, plan.hand);
  const y = topOf(band);
  return {
    spots: made.spots.map((s) => ({ x: lane.x + s.x * plan.unit, y: y + s.y * plan.unit })),
    heap: made,
  };
}

/** The box around pieces of a place that lie at spots, with air px around. */
export function round(
  spots: Spot[],
  place: PlaceId,
  plan: { unit: number; hand: Hand },
  air = 4,
): Box {
  const one = boxOf(place, plan.hand);
  const x = Math.min(...spots.map((s) => s.x)) - air;
  const y = Math.min(...spots.map((s) => s.y)) - air;
  const right = Math.max(...spots.map((s) => s.x)) + one.width * plan.unit + air;
  const bottom = Math.max(...spots.map((s) => s.y)) + one.height * plan.unit + air;
  return { x, y, width: right - x, height: bottom - y };
}

const TEN = 10;

/** The rings around the tens of a pile that is too large to be seen at once, in px. */
export function rings(lane: Lane, band: Band, plan: Layout, n: number): Box[] {
  if (n <= UNRINGED) return [];
  const { spots } = lie(lane, band, plan, n);
  const air = Math.min(4, 0.75 * plan.unit); // rings side by side do not meet
  return Array.from({ length: Math.floor(n / TEN) }, (_, t) =>
    round(spots.slice(t * TEN, (t + 1) * TEN), lane.place, plan, air),
  );
}
