// Lessons that suggest themselves: opened by one touch, or put off.
import { api } from '../../lib/api';
import { Opening } from '../../lib/opening.svelte';
import { classPath, saved, troubleOf } from '../../lib/state.svelte';
import type { Meeting, PutOff, Today } from '../../lib/wire.gen';

/** Which lesson it is, among those of the morning. */
export const keyOf = (m: Meeting): string =>
  [m.stage, m.manner, m.leaving, ...m.seats.map((c) => c.id)].join(' ');

export class Suggested extends Opening {
  /** Opens the lesson with its numbers and children, to be gathered. */
  open(m: Meeting): Promise<void> {
    return this.lesson(
      keyOf(m),
      m.tasks,
      m.seats.map((c) => c.id),
    );
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
