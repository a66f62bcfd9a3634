// A flash on the class's window: shown for its time, then covered. Light never changes faster
// than this: after each showing it stays covered for a while, whatever the guide touches.
import type { Flash } from '../../lib/wire.gen';

export class Flasher {
  on = $state(false);
  /** Whether something was shown of this task. */
  was = $state(false);
  #waits: number[] = []; // showings to come, in ms
  #free = 0; // from when on the next may begin
  #frame = 0;
  #until = 0;
  #lasts = 0; // ms that the one begun is to be seen
  #covered = 0;

  /** Shows a flash as often as it is to be shown. */
  show(flash: Flash): void {
    this.#covered = flash.covered ?? 1000;
    for (let i = 0; i < flash.times; i++) this.#waits.push(flash.tenths * 100);
    if (!this.#frame) this.#frame = requestAnimationFrame((now) => this.#tick(now));
  }

  /** Covers at once, and forgets what was to come. */
  cover(): void {
    this.#waits = [];
    if (this.on) this.#off(performance.now());
    cancelAnimationFrame(this.#frame);
    this.#frame = 0;
  }
  /** Another task: nothing of it was seen. */
  fresh(): void {
    this.cover();
    this.was = false;
  }

  #off(now: number): void {
    this.on = false;
    this.#free = now + this.#covered;
  }

  // What a frame changes is seen from the next frame on: the time begins there, and the cover
  // comes a frame before it ends. Half a frame is the least that it can be missed by.
  static readonly FRAME = 1000 / 60;
  #tick(now: number): void {
    if (this.on && this.#lasts) {
      this.#until = now + this.#lasts - 1.5 * Flasher.FRAME;
      this.#lasts = 0;
    } else if (this.on && now >= this.#until) {
      this.#off(now);
    } else if (!this.on && this.#waits.length && now >= this.#free) {
      this.on = this.was = true;
      this.#lasts = this.#waits.shift()!;
    }
    const goes = this.on || this.#waits.length > 0;
    this.#frame = goes ? requestAnimationFrame((next) => this.#tick(next)) : 0;
  }
}
