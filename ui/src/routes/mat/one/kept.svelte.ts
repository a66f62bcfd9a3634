/** What a child has done with its own hands: kept on this device over a reload. */
export class Kept<T> {
  #now: T = $state.raw(undefined as T);

  constructor(
    private readonly key: string,
    first: T,
  ) {
    this.#now = first;
    try {
      const kept = sessionStorage.getItem(key);
      if (kept) this.#now = JSON.parse(kept) as T;
    } catch {
      // begun anew
    }
  }
  get now(): T {
    return this.#now;
  }
  set now(next: T) {
    this.#now = next;
    try {
      sessionStorage.setItem(this.key, JSON.stringify(next));
    } catch {
      // the page has it still
    }
  }
}
