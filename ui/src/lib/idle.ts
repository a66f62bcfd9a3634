// Work for when nothing else is to be done. Not every browser tells: where it does
// not, the work is done a little later.

/** A time at which nothing seems to happen, and how long it lasts, in ms. */
const LATER = 80;
const SPELL = 4;

/** Does the work when the page is idle, told how many ms are left; returns how to call it off. */
export function whenIdle(work: (left: () => number) => void): () => void {
  if ('requestIdleCallback' in window) {
    const waits = requestIdleCallback((idle) => work(() => idle.timeRemaining()));
    return () => cancelIdleCallback(waits);
  }
  const waits = setTimeout(() => {
    const end = performance.now() + SPELL;
    work(() => end - performance.now());
  }, LATER);
  return () => clearTimeout(waits);
}
