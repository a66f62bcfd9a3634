// Single-key shortcuts of a view: they act on the view alone, when no control
// has the focus, and can be turned off.
import { shared } from './state.svelte';

export type Shortcuts = Record<string, () => void>;

/** The name that a key has in a view's list. */
const nameOf = (event: KeyboardEvent): string =>
  event.key === ' ' ? 'space' : event.key.toLowerCase();

const onControl = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  target.closest('button, a, input, select, textarea, [role="radio"]') !== null;

/** A key handler for <svelte:window>. A key that is held acts once. */
export function shortcuts(keys: Shortcuts): (event: KeyboardEvent) => void {
  return (event) => {
    const act = keys[nameOf(event)];
    if (!act || !shared.shortcuts || event.ctrlKey || event.metaKey || event.altKey) return;
    if (onControl(event.target) || document.querySelector('dialog[open]')) return;
    event.preventDefault();
    if (!event.repeat) act();
  };
}

/** Keeps a key that is held from pressing the control that has the focus again and again. */
export function once(event: KeyboardEvent): void {
  const presses = event.key === 'Enter' || event.key === ' ';
  if (!event.repeat || !presses || !(event.target instanceof Element)) return;
  if (event.target.closest('button, a, summary, [role="radio"]')) event.preventDefault();
}
