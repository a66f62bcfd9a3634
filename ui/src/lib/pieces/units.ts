// The measures of pieces, in units: one unit is one bead, one small cube, one dot.

export type PlaceId = string;

/** Places that have a piece, ones first. */
export const PIECES: readonly PlaceId[] = ['ones', 'tens', 'hundreds', 'thousands'];

const COS30 = Math.cos(Math.PI / 6);

/** True isometric foreshortening. */
const ISO = Math.sqrt(2 / 3);

/** The edge of a thousand cube as drawn, and the box that it fills. */
export const CUBE = { edge: 10 * ISO, width: 20 * ISO * COS30, height: 20 * ISO };

/** A line of a quick drawing, the side of its square, and the depth of its cube. */
export const SKETCH = { side: 5, depth: 2 };

/** Where a piece lies: the left upper corner of its box, in units. */
export interface Spot {
  x: number;
  y: number;
}

export interface Size {
  width: number;
  height: number;
}

/** A heap of one kind: its spots in order, and the box around them. */
export interface Heap extends Size {
  spots: Spot[];
}

/** How heaps of a kind are set: five to a group, groups below one another. */
interface Pattern {
  box: Size; // of one piece
  stepX: number; // within a group
  stepY: number;
  groupX: number; // between groups side by side
  groupY: number; // between groups below one another
  tenGap: number; // more between one ten and the next, where two groups make a ten
}

/** Whether pieces are things that are fetched, or are drawn. */
export type Hand = 'laid' | 'drawn';

export const handOf = (material: string): Hand => (material === 'drawings' ? 'drawn' : 'laid');

const { side, depth } = SKETCH;
const PATTERN: Record<Hand, Record<string, Pattern>> = {
  laid: {
    ones: pattern(1, 1, 1.8, 0, 10.4, 1.8, 1),
    tens: pattern(1, 10, 1.75, 0, 10.2, 12, 0),
    hundreds: pattern(10, 10, 0.6, 2, 14.2, 19.6, 0),
    thousands: pattern(CUBE.width, CUBE.height, 0, CUBE.edge * 1.25, CUBE.width + 1.5, 0, 0),
  },
  drawn: {
    ones: pattern(1, 1, 1.8, 0, 10.4, 1.8, 1),
    tens: pattern(1, side, 1.75, 0, 10.4, side + 1, 1),
    hundreds: pattern(side, side, side + 1, 0, 5 * side + 6.4, side + 1, 1),
    thousands: pattern(side + depth, side + depth, 0, side + depth + 1, side + depth + 1.6, 0, 0),
  },
};

function pattern(
  width: number,
  height: number,
  stepX: number,
  stepY: number,
  groupX: number,
  groupY: number,
  tenGap: number,
): Pattern {
  return { box: { width, height }, stepX, stepY, groupX, groupY, tenGap };
}

const patternOf = (place: PlaceId, hand: Hand): Pattern =>
  PATTERN[hand][place] ?? PATTERN[hand].thousands!;

/** The box of one piece. */
export const boxOf = (place: PlaceId, hand: Hand = 'laid'): Size => patternOf(place, hand).box;

/** So many are seen at a glance. */
export const FIVE = 5;

/**
 * Sets a heap of count pieces with at most rows groups below one another. For
 * thousands rows is how many cubes stand in a column, five at the most.
 */
export function heap(place: PlaceId, count: number, rows: number, hand: Hand = 'laid'): Heap {
  const key = `${hand} ${place} ${count} ${rows}`;
  const known = HEAPS.get(key);
  if (known) return known;
  const made = setHeap(place, count, rows, hand);
  HEAPS.set(key, made);
  return made;
}

/** Heaps that were set already: a unit is found by trying many. */
const HEAPS = new Map<string, Heap>();

function setHeap(place: PlaceId, count: number, rows: number, hand: Hand): Heap {
  const p = patternOf(place, hand);
  const group = place === 'thousands' ? Math.min(rows, FIVE) : FIVE;
  const below = place === 'thousands' ? 1 : Math.max(1, rows);
  const spots = Array.from({ length: count }, (_, i) => {
    const g = Math.floor(i / group);
    const k = i % group;
    const row = g % below;
    return {
      x: Math.floor(g / below) * p.groupX + k * p.stepX,
      y: row * p.groupY + k * p.stepY + Math.floor(row / 2) * p.tenGap,
    };
  });
  return { spots, ...around(spots, p.box) };
}

/** The box around pieces of one size that lie from 0, 0 on. */
function around(spots: Spot[], box: Size): Size {
  return {
    width: spots.reduce((w, s) => Math.max(w, s.x + box.width), 0),
    height: spots.reduce((h, s) => Math.max(h, s.y + box.height), 0),
  };
}

/** The rows that a heap may have, from one on. */
const MOST_ROWS = 16;

/** Up to so many of a kind are seen without rings around their tens. */
export const UNRINGED = 19;

/** The narrowest heap that is no higher than limit; undefined where none is. */
export function fitHeap(
  place: PlaceId,
  count: number,
  limit: number,
  hand: Hand = 'laid',
): Heap | undefined {
  let best: Heap | undefined;
  // Tens that are ringed lie in pairs of groups, and so does what is drawn: its
  // tens are ringed where they lie.
  const pairs = place !== 'thousands' && (count > UNRINGED || (hand === 'drawn' && count >= 10));
  const step = pairs ? 2 : 1;
  for (let rows = step; rows <= MOST_ROWS; rows += step) {
    const made = heap(place, count, rows, hand);
    if (made.height > limit + 1e-9) break;
    if (!best || made.width < best.width - 1e-9) best = made;
    if (rows * (place === 'thousands' ? 1 : FIVE) >= count) break; // more change nothing
  }
  return best;
}

const TEN = 10;

/** The place below one that has a piece. */
const below = (place: PlaceId): PlaceId => PIECES[PIECES.indexOf(place) - 1] ?? '';

/** One piece and the ten beside it at the same length, in units. */
export interface Match extends Size {
  one: Spot;
  ten: (Spot & { place: PlaceId })[];
}

/**
 * How one piece of a place lies beside ten of the place below. Where it is swapped
 * over zeros as one, the tenth of them is made of ten of the next below, and so on
 * down to the place to.
 */
export function match(from: PlaceId, to: PlaceId = below(from)): Match {
  const big = boxOf(from);
  const spread = SPREAD[below(from)]!;
  const ten = tenOf(from, to).map((s) => ({ ...s, x: s.x + spread.ten, y: s.y + spread.y }));
  const right = Math.max(...ten.map((s) => s.x + boxOf(s.place).width));
  const foot = Math.max(...ten.map((s) => s.y + boxOf(s.place).height), big.height + 0.5);
  const one = { x: spread.one, y: 0.5 };
  return { one, ten, width: Math.max(right, one.x + big.width) + 0.4, height: foot + 0.5 };
}

/** Where the ten and the one begin, and how one of the ten follows another. */
const SPREAD: Record<PlaceId, { ten: number; one: number; y: number; dx: number; dy: number }> = {
  ones: { ten: 3.4, one: 0.4, y: 0.5, dx: 0, dy: 1 },
  tens: { ten: 0, one: 13.9, y: 0.5, dx: 1.1, dy: 0 },
  hundreds: { ten: 0, one: 16.6, y: 0, dx: 0.4, dy: 0.8 },
};

function tenOf(from: PlaceId, to: PlaceId): (Spot & { place: PlaceId })[] {
  const place = below(from);
  const { dx, dy } = SPREAD[place]!;
  const ten = Array.from({ length: TEN }, (_, k) => ({ place, x: k * dx, y: k * dy }));
  if (place === to || !SPREAD[below(place)]) return ten;
  const last = ten.pop()!;
  return [...ten, ...tenOf(place, to).map((s) => ({ ...s, x: s.x + last.x, y: s.y + last.y }))];
}
