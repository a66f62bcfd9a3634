// What lies where after a step of a lesson: every piece with its spot in px, and
// what is shown beside while ten are gathered. Pure functions of the trace and
// the layout; the state is the trace's, and nothing is computed again.
import type { Lesson, Step } from '../wire.gen';
import { lie, MAT, swapBox, swapNew, swapTen, type Lane, type Layout, type Work } from './layout';
import type { Piece } from './track';
import { PIECES, type PlaceId, type Spot } from './units';

export interface Placed extends Piece, Spot {}

export interface Scene {
  pieces: Placed[]; // those farther back first, in an order that no step changes
  ghosts: Spot[]; // where the ten lay before they were lifted out
  fetched?: Placed; // the new piece beside the ten
  landing?: Spot; // where it is going to lie
  arrived?: Placed; // the piece that a swap has just laid
  counted?: Spot & { n: number }; // what was counted; y is the line of writing
  upper: PlaceId; // the place that a swap gives to; empty without one
}

const TEN = 10;

/** What a lesson asks of its mat. */
export function workOf(lesson: Lesson, places: PlaceId[]): Work {
  const full = lesson.steps.findLast((s) => s.kind === 'label');
  return {
    places,
    trays: lesson.link.sum.numbers.map((_, i) => full?.zones[tray(i)] ?? {}),
    fullest: Object.fromEntries(lesson.link.sum.pieces.map((p) => [p.place, p.count])),
    swaps: lesson.steps.filter((s) => s.kind === 'swap').map((s) => s.place!),
  };
}

export const tray = (i: number): string => `tray-${i + 1}`;

const find = (lanes: Lane[], place: string | undefined): Lane | undefined =>
  lanes.find((l) => l.place === place);

/** Where the box of a swap begins: the ones' stands under their own pile. */
function swapAt(plan: Layout, place: PlaceId): Spot {
  const lane = place === 'ones' ? find(plan.joined.lanes, place) : undefined;
  return { x: Math.max(plan.swapAt.x, lane?.x ?? 0), y: plan.swapAt.y };
}

const within = (plan: Layout, place: PlaceId, at: Spot): Spot => {
  const box = swapAt(plan, place);
  return { x: box.x + at.x * plan.unit, y: box.y + at.y * plan.unit };
};

/** The pieces of one pile; ten of them lifted out where they are gathered. */
function pile(
  plan: Layout,
  lane: Lane,
  band: Layout['joined'],
  mine: Piece[],
  lifted: boolean,
): Placed[] {
  const spots = lie(lane, band, plan.unit, mine.length).spots;
  const ten = swapTen(lane.place);
  return mine.map((p, i) => ({
    ...p,
    ...(lifted && i < TEN ? within(plan, lane.place, ten[i]!) : spots[i]!),
  }));
}

function lying(plan: Layout, step: Step, pieces: Piece[], zones: string[]): Placed[] {
  return zones.flatMap((zone, i) => {
    const band = zone === 'joined' ? plan.joined : plan.trays[i]!;
    return band.lanes.flatMap((lane) => {
      const mine = pieces.filter((p) => p.zone === zone && p.place === lane.place);
      return pile(plan, lane, band, mine, step.kind === 'stop' && step.place === lane.place);
    });
  });
}

/** The number beside the pile at work, or beside the ten. */
function counted(plan: Layout, step: Step): Scene['counted'] {
  const lane = find(plan.joined.lanes, step.place);
  if (!lane || !['count', 'stop', 'swap'].includes(step.kind)) return undefined;
  if (step.kind === 'stop') {
    const box = within(plan, lane.place, { x: swapBox(lane.place).width, y: 0 });
    return { n: TEN, x: box.x + 14, y: plan.swapAt.y + plan.swapAt.height / 2 + 16 };
  }
  const n = step.zones.joined?.[lane.place] ?? 0;
  const heap = lie(lane, plan.joined, plan.unit, n).heap;
  const top = plan.joined.y + MAT.rim + MAT.label + 34;
  const beside = heap.width * plan.unit + 14;
  return beside + 46 > lane.width
    ? { n, x: lane.x, y: top + heap.height * plan.unit + 12 }
    : { n, x: lane.x + beside, y: top };
}

export function scene(lesson: Lesson, index: number, plan: Layout, tracked: Piece[][]): Scene {
  const step = lesson.steps[index]!;
  const joined = index >= lesson.steps.findIndex((s) => s.kind === 'join');
  const zones = joined ? ['joined'] : lesson.link.sum.numbers.map((_, i) => tray(i));
  const upper = PIECES[PIECES.indexOf(step.place ?? '') + 1] ?? '';
  const pieces = lying(plan, step, tracked[index] ?? [], zones);
  const out: Scene = { pieces, ghosts: [], upper, counted: counted(plan, step) };
  if (step.kind === 'stop') gather(out, plan, step, tracked[index] ?? [], tracked[index + 1] ?? []);
  if (step.kind === 'swap') out.arrived = pieces.findLast((p) => p.place === upper);
  const back = (p: Placed): number => PIECES.indexOf(p.place) * 1e6 + p.order;
  pieces.sort((a, b) => back(a) - back(b));
  return out;
}

/** Adds what is seen while ten are gathered: the new piece, its landing, the gaps. */
function gather(out: Scene, plan: Layout, step: Step, now: Piece[], next: Piece[]): void {
  const place = step.place!;
  const here = new Set(now.map((p) => p.id));
  const piece = next.find((p) => !here.has(p.id));
  if (piece) {
    out.fetched = { ...piece, ...within(plan, place, swapNew(place)) };
    out.pieces.push(out.fetched);
  }
  const count = (p: string): number => step.zones.joined?.[p] ?? 0;
  const to = find(plan.joined.lanes, out.upper);
  if (to) out.landing = lie(to, plan.joined, plan.unit, count(out.upper) + 1).spots.at(-1);
  const from = find(plan.joined.lanes, place);
  if (from && place === 'ones')
    out.ghosts = lie(from, plan.joined, plan.unit, count(place)).spots.slice(0, TEN);
}
