// How a bead rack is drawn, in units of one bead's pitch along a row.
export const POST = 0.7; // width of a side post
export const WIRE = 16.6; // length of a row between the posts
export const WIDE = WIRE + 2 * POST;
const LINE = 1.08; // from row to row
const AFTER_FIVE = 0.42; // more, between the fifth row and the sixth
const ABOVE = 0.75;

/** The middle of a row. */
export const rowAt = (row: number): number => ABOVE + row * LINE + (row >= 5 ? AFTER_FIVE : 0);
/** How high a rack of so many rows is. */
export const tallOf = (rows: number): number => rowAt(rows - 1) + ABOVE;
/** Whether a bead is of the first colour, by its row and its place from the side to which beads are pushed. */
export const isFirst = (row: number, bead: number): boolean => bead < 5 !== row >= 5;
/** Where a bead lies along its row, from the side to which beads are pushed. */
export const beadAt = (bead: number, pushed: number): number =>
  POST + 0.06 + (bead < pushed ? bead + 0.5 : WIRE - 0.12 - (10 - bead) + 0.5);
