// How taking away lies on the mat: what is there on one tray, what is taken on
// another below it, each place under itself. One unit for the whole lesson.
import type { Step } from '../wire.gen';
import { gapOf, leastLane, lie, MAT, type Band, type Counts, type Lane } from './layout';
import type { Placed } from './scene';
import type { Piece } from './track';
import { fitHeap, PIECES, type PlaceId } from './units';

export interface Taking {
  unit: number;
  start: Band;
  taken: Band;
}

/** The share of the height that the upper tray has. */
const UPPER = 0.64;
/** The room below the pieces for the stem that hops from place to place, in px. */
export const HOP = 34;

/** The most pieces of each place that lie in a zone at any step. */
export const fullest = (steps: Step[], zone: string): Counts => {
  const most: Counts = {};
  for (const s of steps)
    for (const [place, n] of Object.entries(s.zones[zone] ?? {}))
      most[place] = Math.max(most[place] ?? 0, n);
  return most;
};

function tryUnit(
  places: PlaceId[],
  start: Counts,
  taken: Counts,
  unit: number,
  w: number,
  h: number,
): Taking | undefined {
  const width = w - 2 * (MAT.margin + MAT.inset);
  const room = h - 2 * (MAT.margin + MAT.rim) - MAT.between;
  const upper = room * UPPER;
  const high = (upper - MAT.rim - MAT.label - MAT.foot - HOP) / unit;
  const low = (room - upper - MAT.rim - MAT.air) / unit;
  const wide: number[] = [];
  for (const place of places) {
    const a = fitHeap(place, start[place] ?? 0, high);
    const b = fitHeap(place, taken[place] ?? 0, low);
    if (!a || !b) return undefined;
    wide.push(Math.max(leastLane(width), a.width * unit, b.width * unit));
  }
  const gap = gapOf(width);
  const spare = width - gap * (places.length - 1) - wide.reduce((a, b) => a + b, 0);
  if (spare < 0) return undefined;
  const air = Math.min(spare / places.length, 60);
  let x = MAT.margin + MAT.inset;
  const lanes = places.map((place, i): Lane => {
    const lane = { place, x, width: wide[i]! + air, fits: high };
    x += lane.width + gap;
    return lane;
  });
  const y = MAT.margin + MAT.rim;
  return {
    unit,
    start: { x: MAT.margin, y, width: w - 2 * MAT.margin, height: upper, lanes },
    taken: {
      x: MAT.margin,
      width: w - 2 * MAT.margin,
      y: y + upper + MAT.between + MAT.rim / 2,
      height: room - upper,
      lanes: lanes.map((l) => ({ ...l, fits: low })),
    },
  };
}

/** The largest unit with which the whole lesson fits a mat of w × h px. */
export function takingLayout(places: PlaceId[], steps: Step[], w: number, h: number): Taking {
  const start = fullest(steps, 'start');
  const taken = fullest(steps, 'taken');
  for (let unit = MAT.biggest; unit > MAT.smallest; unit -= 0.1) {
    const made = tryUnit(places, start, taken, unit, w, h);
    if (made) return made;
  }
  const none: Band = { x: 0, y: 0, width: w, height: h, lanes: [] };
  return (
    tryUnit(places, start, taken, MAT.smallest, Math.max(w, 900), Math.max(h, 900)) ?? {
      unit: MAT.smallest,
      start: none,
      taken: none,
    }
  );
}

/** Every piece with its spot in px, those farther back first. */
export function lying(plan: Taking, pieces: Piece[]): Placed[] {
  const out: Placed[] = [];
  for (const zone of ['start', 'taken'] as const) {
    const band = plan[zone];
    // What is taken has no names above it: its pieces lie higher.
    const up = zone === 'taken' ? MAT.label - 4 : 0;
    for (const lane of band.lanes) {
      const mine = pieces.filter((p) => p.zone === zone && p.place === lane.place);
      const { spots } = lie(lane, band, plan.unit, mine.length);
      mine.forEach((p, i) => out.push({ ...p, x: spots[i]!.x, y: spots[i]!.y - up }));
    }
  }
  const back = (p: Placed): number => PIECES.indexOf(p.place) * 1e6 + p.order;
  return out.sort((a, b) => back(a) - back(b));
}

/** One hop of the stem: past, now, or still to come. */
export interface Hop {
  from: PlaceId;
  to: PlaceId;
  when: 'past' | 'now' | 'due';
}

/** The swaps down of the place at work: those made, the one just made, those to come. */
export function hops(steps: Step[], index: number): Hop[] {
  const same = (s: Step): boolean =>
    s.place === steps[index]!.place && s.at.split('/')[0] === steps[index]!.at.split('/')[0];
  const last = steps.findLastIndex((s, i) => i <= index && same(s) && s.kind === 'swap-down');
  const looked = steps[index]!.kind === 'look' || steps[index]!.kind === 'swap-down';
  return steps.flatMap((s, i) => {
    if (s.kind !== 'swap-down' || !same(s) || (!looked && i > index)) return [];
    const when =
      i < last || (i === last && i < index)
        ? 'past'
        : i === index
          ? 'now'
          : i > index
            ? 'due'
            : 'past';
    return [{ from: s.from!, to: s.to!, when }];
  });
}
