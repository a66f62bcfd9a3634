// The leaf of a stage: a lobe for each manner, in the order of leaving material
// behind. Pure geometry; the node on the wire is the origin and y points down.

/** The outlines of one leaf, each a path; empty where there is nothing of it. */
export interface Outline {
  blade: string; // all lobes, pale
  full: string; // secure lobes, and the short ones that are under way
  hollow: string; // to be checked again
  broken: string; // wobbling: a stub and a tip that hangs loose
  folded: string; // shown, beside manners that were worked
}

interface Shape {
  at: number[]; // degrees from straight up
  half: number; // half the width of a lobe, in degrees
  long: number[]; // lengths, as shares of the radius
}

const SHAPES: Shape[] = [
  { at: [0], half: 58, long: [1.1] },
  { at: [-46, 46], half: 34, long: [1.12, 1.12] },
  { at: [-84, 0, 84], half: 37, long: [0.92, 1.14, 0.92] },
  { at: [-98, -33, 33, 98], half: 31, long: [0.9, 1.1, 1.1, 0.9] },
  { at: [-100, -50, 0, 50, 100], half: 25, long: [0.88, 1.02, 1.2, 1.02, 0.88] },
];

const round = (n: number): number => Math.round(n * 100) / 100;
const point = (r: number, degrees: number): string => {
  const a = (degrees * Math.PI) / 180;
  return `${round(r * Math.sin(a))} ${round(-r * Math.cos(a))}`;
};

/** One lobe from the base to its tip; `from` starts it away from the base. */
function lobe(r: number, at: number, half: number, from = 0): string {
  const shoulder = r * 0.58;
  const begin = from ? `M${point(r * from, at - half * 0.9)}L` : 'M0 0L';
  const end = from ? `L${point(r * from, at + half * 0.9)}Z` : 'Z';
  return (
    begin +
    point(shoulder, at - half) +
    `C${point(r * 0.87, at - half)} ${point(r * 0.98, at - half * 0.4)} ${point(r, at)}` +
    `C${point(r * 0.98, at + half * 0.4)} ${point(r * 0.87, at + half)} ${point(shoulder, at + half)}` +
    end
  );
}

/** What is left at the base of a lobe that is broken across. */
const stub = (r: number, at: number, half: number): string =>
  `M0 0L${point(r * 0.42, at - half * 0.9)}L${point(r * 0.42, at + half * 0.9)}Z`;

/** The outlines of a leaf of radius r from the states of its lobes. */
export function outline(states: string[], r: number): Outline {
  const shape = SHAPES[Math.min(states.length, SHAPES.length) - 1];
  const out: Outline = { blade: '', full: '', hollow: '', broken: '', folded: '' };
  if (!shape) return out;
  states.forEach((state, i) => {
    const at = shape.at[i]!;
    const long = r * shape.long[i]!;
    const { half } = shape;
    out.blade += lobe(long, at, half);
    if (state === 'secure') out.full += lobe(long, at, half * 0.9);
    if (state === 'under-way') out.full += lobe(long * 0.66, at, half * 0.8);
    if (state === 'check-again') out.hollow += lobe(long * 0.93, at, half * 0.8);
    if (state === 'shown') out.folded += lobe(long * 0.6, at, half * 0.45);
    if (state === 'wobbling') {
      out.broken += stub(long, at, half * 0.92) + lobe(long * 1.1, at, half * 0.9, 0.6);
    }
  });
  return out;
}

/** States that stand instead of a leaf: nothing of it was worked. */
export const instead = ['', 'shown', 'ready', 'passed'];
