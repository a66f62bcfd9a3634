// Which piece is which from step to step, so that each can travel: the moves of
// the trace replayed with a name for every piece. What is drawn does not travel:
// it stays where it is, crossed out or ringed, and is drawn anew elsewhere.
import type { Move, Step } from '../wire.gen';
import type { Hand } from './units';

/** Why a drawn piece counts no more: taken away, given for ten, ringed with ten. */
export type Gone = 'taken' | 'given' | 'ringed';

export interface Piece {
  id: string;
  place: string;
  zone: string;
  order: number; // in which it came to the mat: later pieces lie before earlier ones
  gone?: Gone;
  ten?: number; // which ring it lies in
}

const STORE = 'store';
const START = 'start';
const TAKEN = 'taken';
const TEN = 10;

/** The pieces on the mat after each step, in the order in which they lie. */
export function track(steps: Step[], hand: Hand = 'laid'): Piece[][] {
  const count: Counter = { made: 0, rings: 0 };
  let lying: Piece[] = [];
  return steps.map((step) => {
    for (const move of step.moves)
      lying = hand === 'drawn' ? draw(lying, move, count) : shift(lying, move, count);
    return lying;
  });
}

interface Counter {
  made: number;
  rings: number;
}

function fresh(move: Move, count: Counter): Piece[] {
  return Array.from({ length: move.count }, () => {
    count.made++;
    return {
      id: `${move.place}-${count.made}`,
      place: move.place,
      zone: move.to,
      order: count.made,
    };
  });
}

/** Those that a move takes: the first of a pile that gives tens, else the last. */
function going(lying: Piece[], move: Move): Piece[] {
  const there = lying.filter((p) => !p.gone && p.zone === move.from && p.place === move.place);
  return move.count >= TEN ? there.slice(0, move.count) : there.slice(-move.count);
}

function shift(lying: Piece[], move: Move, count: Counter): Piece[] {
  if (move.from === STORE) return [...lying, ...fresh(move, count)];
  const moved = new Set(going(lying, move));
  const rest = lying.filter((p) => !moved.has(p));
  return move.to === STORE ? rest : [...rest, ...[...moved].map((p) => ({ ...p, zone: move.to }))];
}

function draw(lying: Piece[], move: Move, count: Counter): Piece[] {
  const joined = move.from.startsWith('tray');
  if (move.from === STORE || joined) return shift(lying, move, count);
  if (move.to === START) return rub(lying, move);
  const moved = going(lying, move);
  const first = count.rings;
  const tens = move.to === STORE && move.count >= TEN;
  if (tens) count.rings += Math.ceil(moved.length / TEN);
  const marked = lying.map((p) => {
    const i = moved.indexOf(p);
    if (i < 0) return p;
    if (tens) return { ...p, gone: 'ringed' as const, ten: first + 1 + Math.floor(i / TEN) };
    return { ...p, gone: move.to === STORE ? ('given' as const) : ('taken' as const) };
  });
  const elsewhere = move.to !== STORE && move.to !== TAKEN;
  return elsewhere ? [...marked, ...fresh(move, count)] : marked;
}

/** What goes back is no longer crossed out; what was drawn elsewhere is rubbed out. */
function rub(lying: Piece[], move: Move): Piece[] {
  const away = new Set(going(lying, move));
  let back = move.count;
  return lying
    .filter((p) => !away.has(p))
    .map((p) => {
      if (back === 0 || p.zone !== START || p.place !== move.place || p.gone !== 'taken') return p;
      back--;
      return { ...p, gone: undefined };
    });
}
