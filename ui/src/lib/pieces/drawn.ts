// Quick drawings as by a steady hand: strokes that waver a little, and the same at
// every visit, since the wavering is made from a seed. Pure functions; measures in
// units, as of every piece.
import { SKETCH, type PlaceId, type Spot } from './units';

/** How many ways there are to draw a sign; a piece keeps its own. */
export const HANDS = 6;

/** The way in which the nth piece that came is drawn. */
const handNo = (order: number): number => ((order * 7) % ROUND) % HANDS;

/** After so many pieces the signs begin again. */
export const ROUND = 11;

/** A source of numbers from 0 to 1: the same for the same seed (mulberry32). */
function source(seed: number): () => number {
  let a = (seed * 2654435761) >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const fixed = (n: number): string => String(Math.round(n * 100) / 100);
const at = (s: Spot): string => `${fixed(s.x)} ${fixed(s.y)}`;

/** A stroke from one spot to another that bows and overshoots by at most waver. */
export function stroke(from: Spot, to: Spot, waver: number, next: () => number): string {
  const off = (): number => (next() - 0.5) * 2 * waver;
  const a = { x: from.x + off() * 0.5, y: from.y + off() * 0.5 };
  const b = { x: to.x + off() * 0.5, y: to.y + off() * 0.5 };
  const bow = (t: number): Spot => ({
    x: a.x + (b.x - a.x) * t + off(),
    y: a.y + (b.y - a.y) * t + off(),
  });
  return `M${at(a)}C${at(bow(0.33))} ${at(bow(0.67))} ${at(b)}`;
}

/** A closed line around a box, as one draws it: corners round, ends that cross. */
export function loop(width: number, height: number, waver: number, seed: number): string {
  const next = source(seed);
  const off = (): number => (next() - 0.5) * 2 * waver;
  const r = Math.min(width, height, 4 * waver + 12) / 2.4;
  const p = (x: number, y: number): string => at({ x: x + off(), y: y + off() });
  return (
    `M${p(r * 0.6, 0)}L${p(width - r, 0)}Q${p(width, 0)} ${p(width, r)}L${p(width, height - r)}` +
    `Q${p(width, height)} ${p(width - r, height)}L${p(r, height)}Q${p(0, height)} ${p(0, height - r)}` +
    `L${p(0, r)}Q${p(0, 0)} ${p(r + 2 * waver, -waver)}`
  );
}

const { side, depth } = SKETCH;

/** The strokes of a sign. Its area is closed by area, so that signs can cover one another. */
export function sign(place: PlaceId, hand: number): { strokes: string; area: string } {
  const next = source(hand * 97 + place.length * 31 + 1);
  const line = (x1: number, y1: number, x2: number, y2: number): string =>
    stroke({ x: x1, y: y1 }, { x: x2, y: y2 }, 0.14, next);
  switch (place) {
    case 'ones': {
      const x = 0.5 + (next() - 0.5) * 0.12;
      const y = 0.5 + (next() - 0.5) * 0.12;
      const r = 0.36 + next() * 0.06;
      return {
        strokes: '',
        area: `M${at({ x: x - r, y })}a${fixed(r)} ${fixed(r * 0.94)} 0 1 0 ${fixed(2 * r)} 0a${fixed(r)} ${fixed(r)} 0 1 0 ${fixed(-2 * r)} 0z`,
      };
    }
    case 'tens':
      return { strokes: line(0.5, 0, 0.5, side), area: '' };
    case 'hundreds':
      return { strokes: square(0, 0, line), area: `M0 0H${side}V${side}H0Z` };
    default: {
      const back =
        line(0, depth, depth, 0) +
        line(depth, 0, side + depth, 0) +
        line(side, depth, side + depth, 0) +
        line(side + depth, 0, side + depth, side) +
        line(side, side + depth, side + depth, side);
      const area = `M0 ${depth}L${depth} 0H${side + depth}V${side}L${side} ${side + depth}H0Z`;
      return { strokes: square(0, depth, line) + back, area };
    }
  }
}

type Line = (x1: number, y1: number, x2: number, y2: number) => string;
const square = (x: number, y: number, line: Line): string =>
  line(x, y, x + side, y) +
  line(x + side, y, x + side, y + side) +
  line(x + side, y + side, x, y + side) +
  line(x, y + side, x, y);

/**
 * The stroke that crosses a sign out: up to the right what is taken away, down to the
 * right what is given for ten.
 */
export function cross(width: number, height: number, order: number, given = false): string {
  const next = source(order * 131 + 7);
  const narrow = width < 2;
  const over = narrow ? 0.25 : 0.5;
  const lean = narrow && height > 2 ? 0.5 : 0;
  const [low, high] = narrow && height > 2 ? [height * 0.72, height * 0.28] : [height, 0];
  const [from, to] = given ? [high - over, low + over] : [low + over, high - over];
  const left = { x: -over - lean, y: from };
  return stroke(left, { x: width + over + lean, y: to }, 0.12, next);
}

/** The id of the picture of a piece; of what is drawn the nth has its own. */
export const picture = (material: string, place: PlaceId, nth: number): string =>
  `${material}-${place}${material === 'drawings' ? `-${handNo(nth)}` : ''}`;
