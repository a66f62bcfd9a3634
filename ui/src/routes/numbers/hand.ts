// A hand of cards to choose from: arrows go along it, and a row up or down.

/** The card that an arrow leads to, which takes the focus once it is picked. */
export function along<T>(
  event: KeyboardEvent,
  group: HTMLElement,
  list: T[],
  at: number,
  pick: (card: T) => void,
): void {
  const row = getComputedStyle(group).gridTemplateColumns.split(' ').length;
  const steps: Record<string, number> = {
    ArrowRight: 1,
    ArrowLeft: -1,
    ArrowDown: row,
    ArrowUp: -row,
  };
  const step = steps[event.key];
  const next = step && list[(Math.max(at, 0) + step + list.length) % list.length];
  if (!next) return;
  event.preventDefault();
  pick(next);
  requestAnimationFrame(() => group.querySelector<HTMLElement>('[aria-checked="true"]')?.focus());
}
