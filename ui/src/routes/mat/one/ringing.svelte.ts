// Rings that a child makes by touch: each thing is marked once, and a ring is closed when
// ten are in it. What was marked is kept on this device until the lesson is closed.

export interface Rings {
  now: number[]; // in the ring that is open, in the order of touching
  done: number[][];
}

export class Ringing {
  rings = $state.raw<Rings>({ now: [], done: [] });
  says = $state('');

  constructor(private readonly key: string) {
    try {
      const kept = sessionStorage.getItem(key);
      if (kept) this.rings = JSON.parse(kept) as Rings;
    } catch {
      // begun anew
    }
  }
  #keep(rings: Rings): void {
    this.rings = rings;
    try {
      sessionStorage.setItem(this.key, JSON.stringify(rings));
    } catch {
      // the page has it still
    }
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
    if (!this.marked(i)) this.#keep({ ...this.rings, now: [...this.rings.now, i] });
  }
  /** Takes back the last mark, or opens the last ring again. */
  rub(): void {
    this.says = '';
    const { now, done } = this.rings;
    if (now.length) this.#keep({ now: now.slice(0, -1), done });
    else if (done.length) this.#keep({ now: done[done.length - 1]!, done: done.slice(0, -1) });
  }
  /** Closes the ring where so many are in it as belong into one; says what is in it. */
  close(ten: number, says: string[]): void {
    const { now, done } = this.rings;
    this.says = says[now.length] ?? '';
    if (now.length === ten) this.#keep({ now: [], done: [...done, now] });
  }
}
