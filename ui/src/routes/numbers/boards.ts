// The boards on which one looks for a stage: pictures that group for the eye. Strands and
// ids are those of the ladder; a board lists the kinds of task whose stages stand on it.
import type { Stage } from '../../lib/wire.gen';

export interface Board {
  id: string;
  name: string;
  has: (s: Stage) => boolean;
  always?: boolean; // it has no stage of its own
}

const places = (s: Stage): boolean => s.id.startsWith('places/');

export const BOARDS: Board[] = [
  { id: 'tens', name: 'Tens', has: (s) => s.kind === 'number' && !places(s) },
  { id: 'places', name: 'Places', has: places },
  { id: 'snakes', name: 'Snakes', has: (s) => s.kind === 'snake' },
  { id: 'sum', name: 'Adding', has: (s) => s.kind === 'sum' },
  { id: 'difference', name: 'Taking away', has: (s) => s.kind === 'difference' },
  { id: 'trays', name: 'Equal groups', has: (s) => s.kind === 'trays' },
  { id: 'share', name: 'Sharing', has: (s) => s.kind === 'share' },
  { id: 'chain', name: 'Chains', has: (s) => s.kind === 'chain' },
  { id: 'number-rods', name: 'Rods', has: () => false, always: true },
];

/** On these boards one number is asked alone, instead of a problem. */
export const isSingle = (board: string): boolean => board === 'tens' || board === 'places';

export const boardOf = (s: Stage): string => BOARDS.find((b) => b?.has(s))?.id ?? 'sum';

/** On these boards the questions of a kind are listed: chains, number rods. */
export const isBars = (board: string): boolean => board === 'chain' || board === 'number-rods';

/** On this board snakes of bead bars are planned. */
export const isSnakes = (board: string): boolean => board === 'snakes';
