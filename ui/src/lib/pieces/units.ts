// The measures of pieces, in units: one unit is one bead, one small cube.

export type PlaceId = string;

/** Places that have a piece, ones first. */
export const PIECES: readonly PlaceId[] = ['ones', 'tens', 'hundreds', 'thousands'];

const COS30 = Math.cos(Math.PI / 6);

/** True isometric foreshortening. */
const ISO = Math.sqrt(2 / 3);

/** The edge of a thousand cube as drawn, and the box that it fills. */
export const CUBE = { edge: 10 * ISO, width: 20 * ISO * COS30, height: 20 * ISO };

/** Where a piece lies: the left upper corner of its box, in units. */
export interface Spot {
  x: number;
  y: number;
}

/** A heap of one kind: its spots in order, and the box around them. */
export interface Heap {
  spots: Spot[];
  width: number;
  height: number;
}

/** The box of one piece. */
export function boxOf(place: PlaceId): { width: number; height: number } {
  switch (place) {
    case 'ones':
      return { width: 1, height: 1 };
    case 'tens':
      return { width: 1, height: 10 };
    case 'hundreds':
      return { width: 10, height: 10 };
    default:
      return { width: CUBE.width, height: CUBE.height };
  }
}

/** How heaps of a kind are set: five to a group, groups below one another. */
interface Pattern {
  stepX: number; // within a group
  stepY: number;
  groupX: number; // between groups side by side
  groupY: number; // between groups below one another
  group: number; // pieces in a group
}

const PATTERN: Record<string, Pattern> = {
  ones: { stepX: 1.8, stepY: 0, groupX: 10.4, groupY: 1.8, group: 5 },
  tens: { stepX: 1.75, stepY: 0, groupX: 10.2, groupY: 12, group: 5 },
  hundreds: { stepX: 0.6, stepY: 2, groupX: 14.2, groupY: 19.6, group: 5 },
  thousands: { stepX: 0, stepY: CUBE.edge * 1.25, groupX: CUBE.width + 1.5, groupY: 0, group: 5 },
};

/** Ones lie in tens: two rows of five, then a gap. */
const TEN_GAP = 1;

/**
 * Sets a heap of count pieces with at most rows groups below one another. For
 * thousands rows is how many cubes stand in a column, five at the most.
 */
export function heap(place: PlaceId, count: number, rows: number): Heap {
  const p = PATTERN[place] ?? PATTERN.thousands!;
  const group = place === 'thousands' ? Math.min(rows, p.group) : p.group;
  const below = place === 'thousands' ? 1 : Math.max(1, rows);
  const box = boxOf(place);
  const spots = Array.from({ length: count }, (_, i) => {
    const g = Math.floor(i / group);
    const k = i % group;
    const row = g % below;
    const gap = place === 'ones' ? Math.floor(row / 2) * TEN_GAP : 0;
    return {
      x: Math.floor(g / below) * p.groupX + k * p.stepX,
      y: row * p.groupY + k * p.stepY + gap,
    };
  });
  return {
    spots,
    width: spots.reduce((w, s) => Math.max(w, s.x + box.width), 0),
    height: spots.reduce((h, s) => Math.max(h, s.y + box.height), 0),
  };
}

/** The rows that a heap may have, from one on. */
const MOST_ROWS = 8;

/** Above so many the tens of a heap are ringed: they lie in pairs of groups. */
const RINGED = 19;

/** The narrowest heap that is no higher than limit; undefined where none is. */
export function fitHeap(place: PlaceId, count: number, limit: number): Heap | undefined {
  let best: Heap | undefined;
  const step = count > RINGED && place !== 'thousands' ? 2 : 1;
  for (let rows = step; rows <= MOST_ROWS; rows += step) {
    const made = heap(place, count, rows);
    if (made.height > limit + 1e-9) break;
    if (!best || made.width < best.width - 1e-9) best = made;
  }
  return best;
}
