// Which piece is which from step to step, so that each can travel: the moves of
// the trace replayed with a name for every piece.
import type { Step } from '../wire.gen';

export interface Piece {
  id: string;
  place: string;
  zone: string;
  order: number; // in which it came to the mat: later pieces lie before earlier ones
}

const STORE = 'store';

/** The pieces on the mat after each step, in the order in which they lie. */
export function track(steps: Step[]): Piece[][] {
  let made = 0;
  let lying: Piece[] = [];
  return steps.map((step) => {
    let next = lying.slice();
    for (const move of step.moves) {
      if (move.from === STORE) {
        for (let k = 0; k < move.count; k++) {
          made++;
          next.push({ id: `${move.place}-${made}`, place: move.place, zone: move.to, order: made });
        }
        continue;
      }
      const going = next.filter((p) => p.zone === move.from && p.place === move.place);
      const moved = new Set(going.slice(0, move.count));
      const rest = next.filter((p) => !moved.has(p));
      next =
        move.to === STORE ? rest : [...rest, ...[...moved].map((p) => ({ ...p, zone: move.to }))];
    }
    lying = next;
    return lying;
  });
}
