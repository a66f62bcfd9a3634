// Where the bars of a snake lie: one unit for the whole lesson, found from its fullest moment.
// Golden rows above, the line in which is counted, the tail that waits, and the tray at the
// bottom for what is laid aside; once all is counted, the golden snake spreads out.
import type { Snake, SnakeView } from '../../../lib/wire.gen';

export interface Spot {
  x: number;
  y: number;
  turn: number; // in degrees
}

const TEN = 10;
const X0 = 3.4; // units before the first bead: the head
const LINE = 20; // beads in a row
const AFTER = 1.5; // units behind a row, for the wire
const STEEP = Math.sin((28 * Math.PI) / 180);
const BAND = 3; // units that the slanting tail is high
const LANE = 1.42; // units from one row of the tray to the next
const GOLDEN = 2.35; // units from one golden row to the next, at least
const DIGITS = 30;
const EDGE = 14;

export interface Plan {
  u: number;
  rows: number; // golden rows
  pitch: number; // from one to the next
  line: number; // where the line lies
  below: number; // and the golden bar beneath it
  tail: number; // the middle of the tail's first band
  tray: number; // where the tray's rows begin, counted from below
  w: number;
  h: number;
}

/** The tail's bars from one on, slanting in turn from right to left, in bands. */
function slant(bars: number[], from: number, u: number, w: number): Spot[] {
  const spots: Spot[] = [];
  const right = w - 1.2 * u;
  const left = 2 * u;
  let x = right;
  let band = 0;
  const half = ((BAND - 1.3) * u) / 2;
  let y = half;
  for (const n of bars.slice(from)) {
    const long = n * u + 0.22 * u;
    // Up or down to the other side of the band, as far as it may slant.
    const way = y > 0 ? -1 : 1;
    const rise = Math.min(STEEP, (half - way * y) / long) * way;
    const along = long * Math.sqrt(1 - rise * rise);
    if (x - along < left && x < right) {
      band++;
      x = right;
    }
    spots.push({ x, y: band * BAND * u + y, turn: 180 - (Math.asin(rise) * 180) / Math.PI });
    x -= along;
    y += long * rise;
  }
  return spots;
}
const bandsOf = (spots: Spot[], u: number): number =>
  spots.length ? Math.round(Math.max(...spots.map((s) => s.y)) / (BAND * u)) + 1 : 0;

/** The tray's bars up to one, in rows. */
function laid(bars: number[], u: number, w: number): Spot[] {
  let x = 0.8 * u;
  let y = 0;
  return bars.map((n) => {
    if (x + n * u > w - 0.6 * u && x > u) {
      x = 0.8 * u;
      y += LANE * u;
    }
    const at = { x, y, turn: 0 };
    x += n * u + 0.3 * u;
    return at;
  });
}
const rowsOf = (spots: Spot[], u: number): number =>
  spots.length ? Math.round(spots.at(-1)!.y / (LANE * u)) + 1 : 0;

/** The unit and the bands of a snake on a mat. */
export function planOf(s: Snake, w: number, h: number): Plan {
  const rows = Math.ceil((s.golden + (s.last ? 1 : 0)) / 2);
  let u = Math.min(w / (X0 + LINE + AFTER), h / 16);
  for (; u > 4; u -= 0.5) {
    if (height(s, rows, u, w) <= h) break;
  }
  const room = h - height(s, rows, u, w);
  const pitch = GOLDEN * u + Math.max(0, Math.min(1.3 * u, room / (rows + 1)));
  const line = EDGE + rows * pitch + 2.1 * u;
  const below = line + 0.7 * u + DIGITS + 0.75 * u;
  return { u, rows, pitch, line, below, tail: below + (0.75 + BAND / 2) * u, tray: h - EDGE, w, h };
}
function height(s: Snake, rows: number, u: number, w: number): number {
  let region = 0;
  for (const [aside, waits] of [[0, 0], ...s.tens.map((t) => [t.from, t.to])]) {
    const tail = bandsOf(slant(s.bars, waits!, u, w), u) * BAND * u;
    const tray = rowsOf(laid(s.bars.slice(0, aside), u, w), u) * LANE * u;
    region = Math.max(region, tail + tray);
  }
  region = Math.max(region, rowsOf(laid(s.bars, u, w), u) * LANE * u);
  return 2 * EDGE + rows * GOLDEN * u + 4.2 * u + DIGITS + region + 26;
}

/** The k-th golden bar in its row. */
export const goldenRow = (p: Plan, k: number): Spot => ({
  x: X0 * p.u + (k % 2) * (TEN * p.u + 6),
  y: EDGE + Math.floor(k / 2) * p.pitch + p.pitch - 0.75 * p.u,
  turn: 0,
});
export const lineStart = (p: Plan): number => X0 * p.u;

/** How the golden snake spreads out to be read and checked: its own unit, the golden bars with
    a pair first, then the rest in one line. */
export interface Spread {
  u: number;
  pitch: number;
  pairs: number; // rows of golden bars with a pair
  rest: number; // golden bars in the last row
  top: number;
}
export function spreadOf(s: Snake, p: Plan): Spread {
  const rest = s.golden - s.pairs.length;
  const long = Math.max(LINE, TEN * rest + s.last);
  const u = Math.min(p.u, p.w / (X0 + long + AFTER));
  const rows = Math.ceil(s.pairs.length / 2) + (rest || s.last ? 1 : 0);
  const tray = rowsOf(laid(s.bars, u, p.w), u) * LANE * u + 40;
  const pitch = Math.min(5.2 * u, (p.h - tray - EDGE) / Math.max(1, rows));
  return { u, pitch, pairs: Math.ceil(s.pairs.length / 2), rest, top: EDGE + 1.6 * u };
}
export function goldenSpread(s: Snake, d: Spread, k: number): Spot {
  const over = k - s.pairs.length;
  if (over >= 0) return { x: X0 * d.u + over * TEN * d.u, y: d.top + d.pairs * d.pitch, turn: 0 };
  return {
    x: X0 * d.u + (k % 2) * (TEN * d.u + 0.9 * d.u),
    y: d.top + Math.floor(k / 2) * d.pitch,
    turn: 0,
  };
}
/** How far below its golden bar a pair lies. */
export const under = (d: Spread): number => Math.min(1.42 * d.u, d.pitch * 0.42);

/** Where each coloured bar lies after a step. */
export function barsAt(s: Snake, v: SnakeView, p: Plan, d?: Spread): Spot[] {
  const u = d?.u ?? p.u;
  const out: Spot[] = [];
  // In the check: the pairs, and then the rest, lie under the golden snake.
  const paired: Record<number, Spot> = {};
  if (d) {
    s.pairs.slice(0, v.paired).forEach(([a, b], k) => {
      const g = goldenSpread(s, d, k);
      paired[a!] = { ...g, y: g.y + under(d) };
      paired[b!] = { x: g.x + s.bars[a!]! * u, y: g.y + under(d), turn: 0 };
    });
    if (v.rest) {
      let x = X0 * u;
      for (const i of s.rest) {
        paired[i] = { x, y: d.top + d.pairs * d.pitch + under(d), turn: 0 };
        x += s.bars[i]! * u;
      }
    }
  }
  const waits = s.bars.map((_, i) => i).filter((i) => i < v.aside && !paired[i]);
  const tray = laid(
    waits.map((i) => s.bars[i]!),
    u,
    p.w,
  );
  const lift = rowsOf(tray, u);
  waits.forEach((i, k) => {
    const at = tray[k]!;
    out[i] = { x: at.x, y: p.tray - (lift - 0.5) * LANE * u + at.y, turn: 0 };
  });
  for (const [i, at] of Object.entries(paired)) out[Number(i)] = at;
  let x = X0 * u + v.old * u;
  for (let i = v.aside; i < v.to; i++) {
    out[i] = { x, y: p.line - (v.in ? 1.45 * u : 0), turn: 0 };
    x += s.bars[i]! * u;
  }
  slant(s.bars, v.to, u, p.w).forEach((at, k) => {
    out[v.to + k] = { x: at.x, y: p.tail + at.y, turn: at.turn };
  });
  return out;
}

/** The end of the tail: where its last bar points. */
export function tailEnd(s: Snake, at: Spot[], u: number): Spot {
  const last = at.at(-1)!;
  const rad = (last.turn * Math.PI) / 180;
  const long = s.bars.at(-1)! * u;
  return { x: last.x + long * Math.cos(rad), y: last.y + long * Math.sin(rad), turn: last.turn };
}
