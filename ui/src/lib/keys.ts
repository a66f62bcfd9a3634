// Single-key shortcuts of a view: they act on the view alone, where no control that has
// the focus takes the key, and can be turned off.
import { shared } from './state.svelte';

export type Shortcuts = Record<string, () => void>;

/** The name that a key has in a view's list. */
const nameOf = (event: KeyboardEvent): string =>
  event.key === ' ' ? 'space' : event.key.toLowerCase();

const on = (target: EventTarget | null, what: string): boolean =>
  target instanceof Element && target.closest(what) !== null;

const TICKED = 'input[type="radio"], input[type="checkbox"]';
const TYPED_IN = 'input, select, textarea';
const PRESSED = 'button, a, summary, [role="radio"]';

const presses = (event: KeyboardEvent): boolean => event.key === 'Enter' || event.key === ' ';

/** Whether a key belongs to the control that has the focus. */
const taken = (event: KeyboardEvent): boolean =>
  event.defaultPrevented ||
  on(event.target, TYPED_IN) ||
  (presses(event) && on(event.target, PRESSED));

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

/** Gives the focus back to the view after a touch or a click, so that its keys mean what
    the view says of them. What a key reached keeps it, and so does what is typed in. */
export function release(event: MouseEvent): void {
  const focused = document.activeElement;
  const pointed = event.detail > 0; // a key that presses a control makes a click too
  if (!pointed || !(focused instanceof HTMLElement) || focused.closest('dialog')) return;
  if (focused.matches(`${PRESSED}, ${TICKED}`)) focused.blur();
}

/** A list that was chosen from by touch or mouse gives the focus back too. */
export function chosen(event: Event): void {
  if (pointing && event.target instanceof HTMLSelectElement) event.target.blur();
}
let pointing = false; // the last thing that was used was a finger or a mouse
export const point = (): void => void (pointing = true);

/** Keeps a key that is held from pressing the control that has the focus again and again;
    and from the first key on the signs of keys are shown. */
export function once(event: KeyboardEvent): void {
  pointing = false;
  shared.keyed = true;
  if (event.repeat && presses(event) && on(event.target, PRESSED)) event.preventDefault();
}
