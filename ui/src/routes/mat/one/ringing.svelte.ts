// Rings that a child makes by touch: each thing is marked once, and a ring is closed when
// ten are in it.
import { Kept } from './kept.svelte';

export interface Rings {
  now: number[]; // in the ring that is open, in the order of touching
  done: number[][];
}

export class Ringing {
  says = $state('');
  #kept: Kept<Rings>;

  constructor(key: string) {
    this.#kept = new Kept(`rings ${key}`, { now: [], done: [] });
  }
  get rings(): Rings {
    return this.#kept.now;
  }

  marked(i: number): boolean {
    return this.rings.now.includes(i) || this.ringed(i);
  }
  ringed(i: number): boolean {
    return this.rings.done.some((r) => r.includes(i));
  }
  /** Marks a thing; one that is marked stays marked. */
  mark(i: number): void {
    this.says = '';
    if (!this.marked(i)) this.#kept.now = { ...this.rings, now: [...this.rings.now, i] };
  }
  /** Takes back the last mark, or opens the last ring again. */
  rub(): void {
    this.says = '';
    const { now, done } = this.rings;
    if (now.length) this.#kept.now = { now: now.slice(0, -1), done };
    else if (done.length) this.#kept.now = { now: done[done.length - 1]!, done: done.slice(0, -1) };
  }
  /** Closes the ring where so many are in it as belong into one; says what is in it. */
  close(ten: number, says: string[]): void {
    const { now, done } = this.rings;
    this.says = says[now.length] ?? '';
    if (now.length === ten) this.#kept.now = { now: [], done: [...done, now] };
  }
}
