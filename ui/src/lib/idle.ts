// Work for when nothing else is to be done. Not every browser tells: where it does
// not, the work is done a little later.

/** After so many ms nothing seems to happen. */
const LATER = 80;

/** Does the work when the page is idle; returns how to call it off. */
export function whenIdle(work: () => void): () => void {
  if ('requestIdleCallback' in window) {
    const waits = requestIdleCallback(work);
    return () => cancelIdleCallback(waits);
  }
  const waits = setTimeout(work, LATER);
  return () => clearTimeout(waits);
}
