// Work in parts, a frame for each, so that a slow device goes on drawing meanwhile.
import { untrack } from 'svelte';
import { prefersReducedMotion } from 'svelte/motion';

/**
 * A number as the parts of a view take it in: one part after another, a frame for each;
 * all at once where it goes farther than a step, or less motion is asked for. Called
 * while a component is set up.
 */
export function inTurn<Part extends string>(
  of: () => number,
  ...parts: Part[]
): Record<Part, number> {
  const at = $state(Object.fromEntries(parts.map((p) => [p, 0])) as Record<Part, number>);
  $effect(() => {
    const now = of();
    const set = (part: Part): void => void (at[part] = now);
    const far = untrack(() => Math.abs(now - at[parts[0]!]) > 1);
    if (far || prefersReducedMotion.current) return parts.forEach(set);
    const left = [...parts];
    let waits = 0;
    const on = (): void => {
      set(left.shift()!);
      if (left.length) waits = requestAnimationFrame(on);
    };
    waits = requestAnimationFrame(on);
    return () => cancelAnimationFrame(waits);
  });
  return at;
}
