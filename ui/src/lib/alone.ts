// What has a mat and a book of its own, instead of trays, cards and a column: a number that
// is asked alone, and what is laid with bars of beads or with number rods.
import type { Sum } from './wire.gen';

export const isOfBars = (sum?: Sum): boolean => !!(sum?.snake ?? sum?.chain ?? sum?.rods);
export const isAlone = (sum?: Sum): boolean => !!sum?.one || isOfBars(sum);
/** What is asked of it. */
export const askedOf = (sum?: Sum): string =>
  sum?.one?.question ?? (sum?.snake ?? sum?.chain ?? sum?.rods)?.ask ?? '';
