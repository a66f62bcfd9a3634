// The geometry of the mat by itself, for its tests: built apart from the screens.
import { cross, HANDS, loop, sign } from './lib/pieces/drawn';
import { layout } from './lib/pieces/layout';
import { scene, workOf } from './lib/pieces/scene';
import { track } from './lib/pieces/track';
import { boxOf, fitHeap, handOf, heap, match, PIECES } from './lib/pieces/units';
import type { Lesson } from './lib/wire.gen';

/** How a lesson lies on a mat of w × h px, and what is seen after each of its steps. */
export function mat(lesson: Lesson, places: string[], material: string, w: number, h: number) {
  const hand = handOf(material);
  const { steps, link } = lesson;
  const tracked = track(steps, hand);
  const plan = layout(workOf(link.sum, steps, places, tracked, hand), w, h);
  return { plan, tracked, scenes: steps.map((_, i) => scene(steps, i, plan, tracked)) };
}

export { boxOf, cross, fitHeap, HANDS, heap, loop, match, PIECES, sign };
