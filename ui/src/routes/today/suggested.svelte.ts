// Lessons that suggest themselves: opened by one touch, or put off.
import { push } from 'svelte-spa-router';
import { api } from '../../lib/api';
import { newId } from '../../lib/id';
import { classPath, loadDesk, saved, shared, troubleOf, view } from '../../lib/state.svelte';
import type { Lesson, Meeting, NewLesson, PutOff, Today, Trouble } from '../../lib/wire.gen';

/** Which lesson it is, among those of the morning. */
export const keyOf = (m: Meeting): string =>
  [m.stage, m.manner, m.leaving, ...m.seats.map((c) => c.id)].join(' ');

export class Suggested {
  busy = $state(false);
  trouble = $state<Trouble>();
  // Touched again after an error, the same lesson is opened and none twice.
  readonly #ids: Record<string, string> = {};

  /** Opens the lesson with its numbers and children, to be gathered. */
  async open(m: Meeting): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    const id = (this.#ids[keyOf(m)] ??= newId());
    const lesson: NewLesson = { id, tasks: m.tasks, children: m.seats.map((c) => c.id) };
    try {
      await saved(api<Lesson>('POST', classPath('/lessons'), lesson));
      this.trouble = undefined;
      await loadDesk(shared.desk!.class.id);
      await push(view(`gather/${id}`));
    } catch (error) {
      this.trouble = troubleOf(error);
    } finally {
      this.busy = false;
    }
  }

  /** Puts a lesson off, or takes that back; answers the morning as it is then. */
  async off(
    m: Pick<Meeting, 'stage' | 'manner' | 'leaving'>,
    children: string[],
    why?: string,
  ): Promise<Today | undefined> {
    const { stage, manner, leaving } = m;
    const put: PutOff = { stage, manner, leaving, children, off: !!why, why: why ?? '' };
    try {
      const got = await saved(api<Today>('PUT', classPath('/off'), put));
      this.trouble = undefined;
      return got;
    } catch (error) {
      this.trouble = troubleOf(error);
      return undefined;
    }
  }
}
