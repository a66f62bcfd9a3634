// What the guide's other devices do to the lesson in hand, told by the server as it happens.
import { LessonInHand } from './lesson.svelte';
import { loadDesk, shared } from './state.svelte';
import type { Moment } from './wire.gen';

const AGAIN_MS = 5000;

class Following {
  moment = $state.raw<Moment>();
  #source?: EventSource;
  #again?: ReturnType<typeof setTimeout>;

  /** Follows the lesson in one's hand in a class; nothing without one. */
  open(classId: string | undefined): void {
    clearTimeout(this.#again);
    this.#source?.close();
    this.#source = undefined;
    this.moment = undefined;
    if (!classId) return;
    const source = (this.#source = new EventSource(`/api/classes/${classId}/events`));
    source.addEventListener('moment', (e) => this.#hear(JSON.parse(String(e.data)) as Moment));
    // What was cut off connects again by itself; what was refused is tried again later.
    source.addEventListener('error', () => {
      if (source.readyState !== EventSource.CLOSED || source !== this.#source) return;
      this.#again = setTimeout(() => shared.me && this.open(classId), AGAIN_MS);
    });
  }

  #hear(moment: Moment): void {
    this.moment = moment;
    if (!moment.lesson) return;
    LessonInHand.heard(moment);
    const { desk } = shared;
    const open = moment.stand === 'gathering' || moment.stand === 'mat';
    if (desk && open && desk.inHand?.id !== moment.lesson) void loadDesk(desk.class.id);
  }
}

export const following = new Following();
