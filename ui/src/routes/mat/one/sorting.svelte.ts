// Sticks that a child lays in the boxes from 0 to 9, one at a touch and in any order. What
// is wrong is not said until the last box is looked at.
import type { BoxesSay } from '../../../lib/wire.gen';
import { Kept } from './kept.svelte';

export const LAST = 9;
const NONE: number[] = Array<number>(LAST + 1).fill(0);
const BACK = 200; // so many touches can be taken back

export class Sorting {
  says = $state('');
  looked = $state(false); // whether the last box was looked at since the last touch
  counted = $state(false); // whether how many lie in each is shown
  #kept: Kept<number[][]>; // how many lay in each box after each touch

  constructor(
    key: string,
    private readonly sticks: number,
    private readonly lines: BoxesSay,
  ) {
    this.#kept = new Kept(`sticks ${key}`, [NONE]);
  }
  get boxes(): number[] {
    return this.#kept.now.at(-1)!;
  }
  get heap(): number {
    return this.sticks - this.boxes.reduce((sum, n) => sum + n, 0);
  }
  get touched(): boolean {
    return this.#kept.now.length > 1;
  }
  get right(): boolean {
    return this.boxes.every((n, k) => n === k);
  }
  #say(line: string, looked = false): void {
    this.says = line;
    this.looked = looked;
  }
  #lay(next: number[]): void {
    this.#say('');
    this.#kept.now = [...this.#kept.now.slice(-BACK), next];
  }
  /** Puts a stick from the heap into a box, or takes one out of it. */
  move(box: number, by: 1 | -1): void {
    if (box === 0) this.#say(this.lines.zero);
    else if (by > 0 ? this.heap > 0 : this.boxes[box]! > 0)
      this.#lay(this.boxes.map((n, k) => (k === box ? n + by : n)));
  }
  undo(): void {
    this.#say('');
    if (this.touched) this.#kept.now = this.#kept.now.slice(0, -1);
  }
  /** All sticks go back; undo brings them again. */
  clear(): void {
    this.counted = false;
    if (this.heap < this.sticks) this.#lay(NONE);
  }
  look(): void {
    const { last, heap, alone } = this.lines;
    const nine = this.boxes[LAST]!;
    if (this.heap > 0) this.#say(heap[this.heap] ?? '', true);
    else this.#say((nine === LAST && !this.right ? alone : last[nine]) ?? '', true);
  }
}
