// Where the cells of a ten frame lie: five to a row, the tenth last. Filled by pairs a
// column of two is filled before the next.

export interface Cell {
  x: number;
  y: number;
}

const ROW = 5;

/** The column and row of the i-th cell that is filled, from 0. */
export const cellOf = (i: number, pairs: boolean): Cell =>
  pairs ? { x: Math.floor(i / 2), y: i % 2 } : { x: i % ROW, y: Math.floor(i / ROW) };
