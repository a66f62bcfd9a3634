// The geometry of cords and knots: one cord per place, a knot on each boundary.
// Lengths in px for a scale s; x grows to the right, the ones lie right.

export type State = 'no' | 'yes' | 'any';

export interface Stroke {
  d: string;
  place: string;
  width: number;
  hollow?: boolean;
  dash?: string;
  gap?: boolean; // a paper-coloured casing that lets this strand pass over
}

const CORD = 4.2;
const HALF: Record<State, number> = { no: 6, yes: 13, any: 16.6 };

const r = (n: number): number => Math.round(n * 100) / 100;

const loop = (cx: number, cy: number, rx: number, ry: number): string =>
  `M${r(cx - rx)} ${r(cy)}A${r(rx)} ${r(ry)} 0 1 1 ${r(cx + rx)} ${r(cy)}A${r(rx)} ${r(ry)} 0 1 1 ${r(cx - rx)} ${r(cy)}Z`;

function arc(cx: number, cy: number, rx: number, ry: number, from: number, to: number): string {
  const a = (from * Math.PI) / 180;
  const b = (to * Math.PI) / 180;
  return `M${r(cx + rx * Math.cos(a))} ${r(cy + ry * Math.sin(a))}A${r(rx)} ${r(ry)} 0 0 1 ${r(cx + rx * Math.cos(b))} ${r(cy + ry * Math.sin(b))}`;
}

/** How far a knot reaches to each side of its boundary. */
export const reach = (state: State, s: number): number => HALF[state] * s;

/** A knot between the place on its left and the place on its right. */
export function knot(
  x: number,
  y: number,
  state: State,
  left: string,
  right: string,
  s: number,
  hollow: { left?: boolean; right?: boolean } = {},
): Stroke[] {
  const width = CORD * s;
  if (state === 'no') {
    const whip = (at: number, place: string): Stroke => ({
      d: `M${r(at)} ${r(y - 5.2 * s)}V${r(y + 5.2 * s)}`,
      place,
      width: 2.4 * s,
      dash: 'none',
    });
    return [whip(x - 6 * s, left), whip(x + 6 * s, right)];
  }
  if (state === 'any') {
    const dash = `${r(2.6 * s)} ${r(3.6 * s)}`;
    return [
      { d: loop(x - 8.6 * s, y, 8 * s, 6.4 * s), place: left, width: width * 0.5, dash },
      { d: loop(x + 8.6 * s, y, 8 * s, 6.4 * s), place: right, width: width * 0.5, dash },
    ];
  }
  const rx = 8.4 * s;
  const ry = 6.6 * s;
  const dx = 4.6 * s;
  return [
    { d: loop(x - dx, y, rx, ry), place: left, width, hollow: hollow.left },
    { d: loop(x + dx, y, rx, ry), place: right, width, hollow: hollow.right, gap: true },
    { d: arc(x - dx, y, rx, ry, -96, -12), place: left, width, hollow: hollow.left, gap: true },
  ];
}

/** How far a knot that opens to the right reaches to each side. */
const OPEN = { left: 9.6, right: 15 };

/** A knot of taking: the ring of the higher place is cut open to the right, and
 * the strands of the lower place run into it, the way the pieces go. */
export function opening(
  x: number,
  y: number,
  state: State,
  left: string,
  right: string,
  s: number,
  hollow: { left?: boolean; right?: boolean } = {},
): Stroke[] {
  if (state === 'no') return knot(x, y, 'no', left, right, s);
  const width = CORD * s;
  const cx = x - 2 * s;
  const rr = 7.6 * s;
  const ex = cx + rr * Math.cos((50 * Math.PI) / 180);
  const ey = rr * Math.sin((50 * Math.PI) / 180);
  const end = (up: number): string => `${r(ex + 3.4 * s)} ${r(y + up * (ey + 1.6 * s))}`;
  const ring: Stroke = {
    d: `M${end(1)}L${r(ex)} ${r(y + ey)}A${r(rr)} ${r(rr)} 0 1 1 ${r(ex)} ${r(y - ey)}L${end(-1)}`,
    place: left,
    width,
    hollow: hollow.left,
  };
  const strands = [-3.6, 0, 3.6].map((dy): Stroke => ({
    d: `M${r(x + OPEN.right * s)} ${r(y)}L${r(x - 3.2 * s)} ${r(y + dy * s)}`,
    place: right,
    width: width * 0.5,
    hollow: hollow.right,
  }));
  if (state === 'yes') return [ring, ...strands];
  const dash = `${r(2.6 * s)} ${r(3.4 * s)}`;
  return [
    { ...ring, width: width * 0.5, dash },
    ...strands.map((k) => ({ ...k, width: width * 0.4, dash })),
  ];
}

/** Where a cord ends at a boundary: on its left side, or on its right. */
function ends(state: State, s: number, opens: boolean | undefined, side: 'left' | 'right'): number {
  return opens && state !== 'no' ? OPEN[side] * s : reach(state, s);
}

/** The place above each. */
const ABOVE: Record<string, string> = {
  ones: 'tens',
  tens: 'hundreds',
  hundreds: 'thousands',
  thousands: 'ten-thousands',
  'ten-thousands': 'hundred-thousands',
  'hundred-thousands': 'millions',
};

export interface CordOptions {
  places: string[]; // ones first
  states: State[]; // ones first
  pitch: number; // px per place
  s: number;
  x: number; // the left end of the highest place
  y: number;
  hollow?: boolean[]; // nothing stays in this place
  opens?: boolean; // swaps go down: the knots open to the right, and the highest place ends plainly
}

/** A whole cord, read from the right: a bead starts the ones. */
export function cord(o: CordOptions): {
  strokes: Stroke[];
  bead: { x: number; y: number; r: number };
} {
  const { pitch, s, x, y } = o;
  const n = o.places.length;
  const width = CORD * s;
  const strokes: Stroke[] = [];
  const beadX = x + n * pitch - pitch * 0.28;
  for (let k = 0; k < n; k++) {
    const right = x + (n - k) * pitch;
    const last = k === n - 1;
    const state = o.opens && last ? 'no' : o.states[k]!;
    const from = k === 0 ? beadX : right - ends(o.states[k - 1]!, s, o.opens, 'left');
    const to = right - pitch + (last && state === 'no' ? 6 * s : ends(state, s, o.opens, 'right'));
    if (from > to)
      strokes.push({
        d: `M${r(to)} ${y}H${r(from)}`,
        place: o.places[k]!,
        width,
        hollow: o.hollow?.[k],
      });
  }
  for (let k = 0; k < n; k++) {
    const at = x + (n - k - 1) * pitch;
    const state = o.opens && k === n - 1 ? 'no' : o.states[k]!;
    const here = o.places[k]!;
    if (k === n - 1 && state === 'no') {
      strokes.push({
        d: `M${r(at + 6 * s)} ${r(y - 5.2 * s)}V${r(y + 5.2 * s)}`,
        place: here,
        width: 2.4 * s,
        dash: 'none',
      });
      continue;
    }
    const left = o.places[k + 1] ?? ABOVE[here]!;
    if (k === n - 1 && state === 'yes') {
      strokes.push({ d: `M${r(at - 25 * s)} ${y}H${r(at - 13 * s)}`, place: left, width });
    }
    const tie = o.opens ? opening : knot;
    strokes.push(
      ...tie(at, y, state, left, here, s, { left: o.hollow?.[k + 1], right: o.hollow?.[k] }),
    );
  }
  return { strokes, bead: { x: beadX, y, r: CORD * s } };
}

/** The bridge from a swap to the one that makes it. */
export const bridge = (o: CordOptions, k: number): string => {
  const n = o.places.length;
  const left = o.x + (n - k - 1) * o.pitch;
  const right = left + o.pitch;
  return `M${r(left + 8 * o.s)} ${r(o.y - 8.5 * o.s)}Q${r((left + right) / 2)} ${r(o.y - 15 * o.s)} ${r(right - 8 * o.s)} ${r(o.y - 8.5 * o.s)}`;
};
