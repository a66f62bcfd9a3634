// What lies where after a step of a lesson: every piece with its spot in px, the
// swap that is looked at before it is made, what has just come and gone. Pure
// functions of the trace and the layout; the state is the trace's, and nothing is
// computed again.
import type { Step, Sum } from '../wire.gen';
import {
  lie,
  lieInGroups,
  rings,
  round,
  topOf,
  type Box,
  type Counts,
  type Lane,
  type Layout,
  type Work,
} from './layout';
import type { Piece } from './track';
import { boxOf, FIVE, match, PIECES, type Hand, type PlaceId, type Spot } from './units';

export interface Placed extends Piece, Spot {
  nth: number; // in its heap, from 0
}

/** One piece beside ten at the same length, before they are swapped. */
export interface Swap {
  one: Placed;
  ten: Placed[];
  from: PlaceId; // the higher place
  up: boolean; // the ten are given for the one
  gaps: Spoken[]; // where what is lifted lay
  landing: Spoken[]; // where what is fetched will lie
}

export interface Spoken extends Spot {
  place: PlaceId;
}

/** A line around pieces. */
export interface Ring extends Box {
  key: string;
  place: PlaceId;
  how: 'ten' | 'due' | 'done' | 'group';
}

export interface Scene {
  zones: string[]; // whose trays are seen
  pieces: Placed[]; // those farther back first, in an order that no step changes
  swap?: Swap;
  arrived: Box[][]; // what a swap has just laid: a box for each five, which together make one ring
  back?: Spoken & { n: number }; // what a swap has just given back to the store
  drawn?: { from: Spot; to: Spot }; // from what was ringed or crossed out to what was drawn for it
  rings: Ring[];
  counted?: Spot & { n: number; place: PlaceId }; // y is the line of writing
}

const TEN = 10;
const START = 'start';
const JOINED = 'joined';

const upper = (place: string | undefined): PlaceId => PIECES[PIECES.indexOf(place ?? '') + 1] ?? '';

/** The zones into which a number is taken apart. */
function partsOf({ kind, numbers }: Sum, hand: Hand): string[] {
  if (kind === 'difference') return hand === 'drawn' ? [] : ['taken'];
  if (kind === 'share') return Array.from({ length: numbers[1]! }, (_, i) => `share-${i + 1}`);
  return kind === 'group' ? ['groups'] : [];
}

/** What a lesson asks of its mat, by all that ever lies in each zone. */
export function workOf(
  sum: Sum,
  steps: Step[],
  places: PlaceId[],
  tracked: Piece[][],
  hand: Hand,
): Work {
  const joins = steps.some((s) => s.kind === 'join');
  const most: Record<string, Counts> = {};
  for (const lying of tracked) {
    const now: Record<string, Counts> = {};
    for (const p of lying) {
      const zone = (now[p.zone] ??= {});
      zone[p.place] = (zone[p.place] ?? 0) + 1;
    }
    for (const [zone, counts] of Object.entries(now))
      for (const [place, n] of Object.entries(counts)) {
        const all = (most[zone] ??= {});
        all[place] = Math.max(all[place] ?? 0, n);
      }
  }
  return {
    hand,
    places,
    trays: joins ? steps.filter((s) => s.kind === 'label').map((s) => `tray-${s.tray}`) : [],
    parts: partsOf(sum, hand),
    rest: most.remainder !== undefined,
    most,
    swaps: steps.flatMap((s) => {
      if (s.kind === 'swap') return [{ from: upper(s.place), to: s.place! }];
      return s.kind === 'swap-down' ? [{ from: s.from!, to: s.to! }] : [];
    }),
    group: sum.kind === 'group' ? sum.numbers[1]! : 0,
  };
}

const laneOf = (plan: Layout, zone: string, place: PlaceId): Lane | undefined =>
  plan.bands[zone]?.lanes.find((l) => l.place === place);

/** Which trays are seen at a step. */
function zonesAt(steps: Step[], index: number, plan: Layout): string[] {
  const all = Object.keys(plan.bands);
  if (!all.includes(JOINED)) return all;
  const joined = index >= steps.findIndex((s) => s.kind === 'join');
  return all.filter((zone) => (zone === JOINED) === joined);
}

/** Every piece of the zones in its heap. */
function heaps(plan: Layout, zones: string[], pieces: Piece[]): Placed[] {
  return zones.flatMap((zone) =>
    plan.bands[zone]!.lanes.flatMap((lane) => {
      const mine = pieces.filter((p) => p.zone === zone && p.place === lane.place);
      const spots = spotsOf(plan, zone, lane, mine.length);
      return mine.map((p, i) => ({ ...p, ...spots[i]!, nth: i }));
    }),
  );
}

const spotsOf = (plan: Layout, zone: string, lane: Lane, n: number): Spot[] =>
  zone === 'groups'
    ? lieInGroups(lane, plan.bands[zone]!, plan, n)
    : lie(lane, plan.bands[zone]!, plan, n).spots;

const without = (pieces: Piece[], others: Piece[]): Piece[] => {
  const ids = new Set(others.map((p) => p.id));
  return pieces.filter((p) => !ids.has(p.id));
};

export function scene(steps: Step[], index: number, plan: Layout, tracked: Piece[][]): Scene {
  const step = steps[index]!;
  const zones = zonesAt(steps, index, plan);
  const zone = zones.includes(JOINED) ? JOINED : START;
  const now = tracked[index] ?? [];
  const pieces = heaps(plan, zones, now);
  const swap = plan.hand === 'laid' ? lift(steps, index, plan, tracked, pieces) : undefined;
  const swapped = ['swap', 'swap-down', 'swap-up'].includes(step.kind);
  const before = tracked[index - 1] ?? [];
  const fresh = swapped ? without(now, before).map((p) => p.id) : [];
  const lifted = new Set([swap?.one, ...(swap?.ten ?? [])].map((p) => p?.id));
  const arrived = PIECES.flatMap((place) => {
    const mine = pieces.filter(
      (p) => p.place === place && fresh.includes(p.id) && !lifted.has(p.id),
    );
    return mine.length ? [ringOf(mine, place, plan)] : [];
  });
  const back = (p: Placed): number => PIECES.indexOf(p.place) * 1e6 + p.order;
  return {
    zones,
    pieces: pieces.sort((a, b) => back(a) - back(b)),
    swap,
    arrived,
    back: swapped && plan.hand === 'laid' ? given(step, plan, without(before, now)) : undefined,
    drawn: swapped && plan.hand === 'drawn' ? drawnFor(pieces, before, fresh) : undefined,
    rings: ringsOf(steps, index, plan, zones, pieces),
    counted: counted(step, plan, zone, swap, now),
  };
}

/** A ring around pieces and nothing else: they may begin in the midst of a row. */
function ringOf(pieces: Placed[], place: PlaceId, plan: Layout): Box[] {
  const fives = new Set(pieces.map((p) => Math.floor(p.nth / FIVE)));
  const boxes = [...fives]
    .map((five) => pieces.filter((p) => Math.floor(p.nth / FIVE) === five))
    .map((row) => round(row, place, plan, 6))
    .sort((a, b) => a.y - b.y);
  for (const box of boxes) {
    const next = boxes.find((b) => b.y > box.y && b.x < box.x + box.width && box.x < b.x + b.width);
    if (next) box.height = Math.max(box.height, next.y + 2 - box.y);
  }
  return boxes;
}

/** Where the box of a swap begins: on the floor, the ones' under their own pile. */
function swapAt(plan: Layout, from: PlaceId, to: PlaceId): Spot {
  const zone = plan.bands.joined ? JOINED : START;
  const lane = to === 'ones' ? laneOf(plan, zone, to) : undefined;
  const { x, y, width, height } = plan.swapAt;
  const box = match(from, to);
  return {
    x: Math.min(Math.max(x, lane?.x ?? 0), x + width - box.width * plan.unit),
    y: y + Math.max(0, height - box.height * plan.unit),
  };
}

/**
 * Looks at the swap that the next step makes: what is given is lifted out of its
 * pile, what is fetched lies beside it. Pieces are moved and added in place.
 */
function lift(
  steps: Step[],
  index: number,
  plan: Layout,
  tracked: Piece[][],
  pieces: Placed[],
): Swap | undefined {
  const next = steps[index + 1];
  if (next?.kind !== 'swap' && next?.kind !== 'swap-down') return undefined;
  const up = next.kind === 'swap';
  const from = up ? upper(next.place) : next.from!;
  const to = up ? next.place! : next.to!;
  if (!PIECES.includes(from)) return undefined;
  const gone = without(tracked[index] ?? [], tracked[index + 1] ?? []);
  const fetched = without(tracked[index + 1] ?? [], tracked[index] ?? []);
  const lying = gone.flatMap((g) => pieces.filter((p) => p.id === g.id));
  const gaps = lying.map(({ place, x, y }) => ({ place, x, y }));
  const at = swapAt(plan, from, to);
  const px = (s: Spot): Spot => ({ x: at.x + s.x * plan.unit, y: at.y + s.y * plan.unit });
  const spots = match(from, to);
  const put = (p: Placed, s: Spot): Placed => Object.assign(p, px(s));
  const coming = fetched.map((p): Placed => ({ ...p, x: 0, y: 0, nth: 0 }));
  pieces.push(...coming);
  const [ones, tens] = up ? [coming, lying] : [lying, coming];
  if (ones.length !== 1 || tens.length !== spots.ten.length) return undefined;
  const one = put(ones[0]!, spots.one);
  const ten = tens.map((p, i) => put(p, spots.ten[i]!));
  return { one, ten, from, up, gaps, landing: landings(plan, steps[index]!, up, fetched) };
}

/** Where pieces that are fetched will lie in their piles. */
function landings(plan: Layout, step: Step, up: boolean, fetched: Piece[]): Spoken[] {
  const zone = up ? JOINED : START;
  return PIECES.flatMap((place) => {
    const n = fetched.filter((p) => p.place === place).length;
    const lane = laneOf(plan, zone, place);
    if (!n || !lane) return [];
    const all = (step.zones[zone]?.[place] ?? 0) + n;
    return lie(lane, plan.bands[zone]!, plan, all)
      .spots.slice(-n)
      .map((s) => ({ ...s, place }));
  });
}

/** What a swap gave back to the store, and where it lay. */
function given(step: Step, plan: Layout, gone: Piece[]): Scene['back'] {
  const place = gone[0]?.place;
  if (!place || step.kind === 'swap-up') return undefined;
  const up = step.kind === 'swap';
  const from = up ? upper(place) : place;
  const to = up ? place : step.to!;
  const at = swapAt(plan, from, to);
  const spots = match(from, to);
  const left = up ? spots.ten[0]! : spots.one;
  const foot = Math.max(...spots.ten.map((s) => s.y + boxOf(s.place).height));
  return {
    place,
    n: gone.length,
    x: at.x + (left.x + (up ? 0.5 : 1)) * plan.unit,
    y: at.y + foot * plan.unit,
  };
}

/** The way from what a swap has ringed or crossed out to what was drawn for it. */
function drawnFor(pieces: Placed[], before: Piece[], fresh: string[]): Scene['drawn'] {
  const was = new Set(before.filter((p) => p.gone).map((p) => p.id));
  const from = pieces.filter((p) => p.gone && !was.has(p.id));
  const to = pieces.filter((p) => fresh.includes(p.id));
  if (!from.length || !to.length) return undefined;
  const low = from.reduce((a, b) => (b.y > a.y ? b : a));
  const first = to.reduce((a, b) => (b.y < a.y ? b : a));
  return { from: { x: low.x, y: low.y }, to: { x: first.x, y: first.y } };
}

/** Rings: around tens of large piles, around what is drawn and swapped, around groups. */
function ringsOf(
  steps: Step[],
  index: number,
  plan: Layout,
  zones: string[],
  pieces: Placed[],
): Ring[] {
  const out: Ring[] = [];
  const step = steps[index]!;
  const add = (key: string, of: Placed[], how: Ring['how']): void => {
    if (of.length) out.push({ ...round(of, of[0]!.place, plan, 5), key, place: of[0]!.place, how });
  };
  const groups = pieces.filter((p) => p.zone === 'groups');
  for (let g = 0; g * plan.group < groups.length; g++)
    add(`group-${g}`, groups.slice(g * plan.group, (g + 1) * plan.group), 'group');
  if (plan.hand === 'drawn') {
    for (const ten of new Set(pieces.map((p) => p.ten).filter((t) => t !== undefined)))
      add(
        `ten-${ten}`,
        pieces.filter((p) => p.ten === ten),
        'done',
      );
    if (step.kind === 'stop')
      add('due', pieces.filter((p) => p.place === step.place && !p.gone).slice(0, TEN), 'due');
    return out;
  }
  for (const zone of zones.filter((z) => z !== 'groups'))
    for (const lane of plan.bands[zone]!.lanes) {
      const n = step.zones[zone]?.[lane.place] ?? 0;
      rings(lane, plan.bands[zone]!, plan, n).forEach((r, t) =>
        out.push({ ...r, key: `${zone}-${lane.place}-${t}`, place: lane.place, how: 'ten' }),
      );
    }
  return out;
}

const COUNTING = ['count', 'stop', 'swap', 'look', 'swap-down', 'take-away'];

/** The number beside the pile at work, or beside the ten. */
function counted(
  step: Step,
  plan: Layout,
  zone: string,
  swap: Swap | undefined,
  pieces: Piece[],
): Scene['counted'] {
  const place = step.kind === 'swap-down' ? step.to : step.place;
  const lane = place ? laneOf(plan, zone, place) : undefined;
  if (!lane || !COUNTING.includes(step.kind)) return undefined;
  if (step.kind === 'stop' && swap) {
    const edge = swapAt(plan, swap.from, lane.place).x + match(swap.from).width * plan.unit;
    return {
      n: TEN,
      place: lane.place,
      x: edge + 14,
      y: plan.swapAt.y + plan.swapAt.height - 4 * plan.unit,
    };
  }
  const n = step.zones[zone]?.[lane.place] ?? 0;
  const all = pieces.filter((p) => p.zone === zone && p.place === lane.place).length;
  const { heap } = lie(lane, plan.bands[zone]!, plan, all);
  const top = topOf(plan.bands[zone]!) + 34;
  const beside = heap.width * plan.unit + 14;
  return beside + 46 > lane.width
    ? { n, place: lane.place, x: lane.x, y: top + heap.height * plan.unit + 12 }
    : { n, place: lane.place, x: lane.x + beside, y: top };
}

/** One hop of the stem: past, now, or still to come. */
export interface Hop {
  from: PlaceId;
  to: PlaceId;
  when: 'past' | 'now' | 'due';
}

/** The swaps down of the place at work: those made, the one just made, those to come. */
export function hops(steps: Step[], index: number): Hop[] {
  const here = steps[index]!;
  const same = (s: Step): boolean =>
    s.place === here.place && s.at.split('/')[0] === here.at.split('/')[0];
  const looks = here.kind === 'look' || here.kind === 'swap-down';
  const since = steps.findLastIndex((s, i) => i < index && s.kind === 'take-group');
  const until = steps.findIndex((s, i) => i > index && s.kind === 'take-group');
  return steps.flatMap((s, i): Hop[] => {
    if (s.kind !== 'swap-down' || !same(s) || (!looks && i > index)) return [];
    if (i < since || (until >= 0 && i > until)) return [];
    return [{ from: s.from!, to: s.to!, when: i < index ? 'past' : i === index ? 'now' : 'due' }];
  });
}
