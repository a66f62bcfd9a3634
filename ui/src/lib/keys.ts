// Single-key shortcuts of a view: they act on the view alone, where no control that has
// the focus takes the key, and can be turned off.
import { shared } from './state.svelte';

export type Shortcuts = Record<string, () => void>;

/** The name that a key has in a view's list. */
const nameOf = (event: KeyboardEvent): string =>
  event.key === ' ' ? 'space' : event.key.toLowerCase();

const on = (target: EventTarget | null, what: string): boolean =>
  target instanceof Element && target.closest(what) !== null;

const TYPED_IN = 'input, select, textarea';
const PRESSED = 'button, a, summary, [role="radio"]';

const presses = (event: KeyboardEvent): boolean => event.key === 'Enter' || event.key === ' ';

// A control that was touched or clicked keeps the focus, and does not show it: the space
// bar then means what the view says of it, until a key moves the focus.
let pointing = false; // the last thing that was used was a finger or a mouse
let pointed = false; // and it was so when the focus came where it is
export const point = (): void => void (pointing = pointed = true);
export const focused = (): void => void (pointed = pointing);

/** Whether a key belongs to the control that has the focus. */
function taken(event: KeyboardEvent): boolean {
  if (event.defaultPrevented || on(event.target, TYPED_IN)) return true;
  return presses(event) && !(pointed && event.key === ' ') && on(event.target, PRESSED);
}

/** A key handler for <svelte:window>. A key that is held acts once. */
export function shortcuts(keys: Shortcuts): (event: KeyboardEvent) => void {
  return (event) => {
    const act = keys[nameOf(event)];
    if (!act || !shared.shortcuts || event.ctrlKey || event.metaKey || event.altKey) return;
    if (taken(event) || document.querySelector('dialog[open]')) return;
    event.preventDefault();
    if (!event.repeat) act();
  };
}

/** Keeps a key that is held from pressing the control that has the focus again and again. */
export function once(event: KeyboardEvent): void {
  pointing = false;
  if (event.repeat && presses(event) && on(event.target, PRESSED)) event.preventDefault();
}
