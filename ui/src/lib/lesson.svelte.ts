// A lesson on this screen: steps are local, only the position is sent. Writes
// go one after another from the newest revision; what the network holds up is
// kept and sent again.
import { api, offline, Refused } from './api';
import { classPath, guarded, shared, troubleOf } from './state.svelte';
import type { Lesson, LessonChange, Trouble } from './wire.gen';

const AGAIN_MS = 3000;

export class LessonInHand {
  lesson = $state<Lesson>();
  trouble = $state<Trouble>();
  /** Says that another screen moved the lesson on. */
  conflict = $state<Trouble>();
  index = $state(0);
  #waiting: Partial<LessonChange> = {};
  #busy = false;
  #closed = false;

  constructor(private readonly id: string) {}

  get #path(): string {
    return classPath(`/lessons/${this.id}`);
  }

  async load(): Promise<void> {
    try {
      this.#take(await guarded(api<Lesson>('GET', this.#path)));
    } catch (error) {
      this.trouble = troubleOf(error);
    }
  }

  #take(lesson: Lesson): void {
    this.lesson = lesson;
    this.index = lesson.index;
    this.trouble = undefined;
  }

  /** Moves to a step at once and keeps the position. */
  go(index: number): void {
    const steps = this.lesson?.steps;
    if (!steps?.[index]) return;
    this.index = index;
    this.conflict = undefined;
    if (shared.mayPresent) void this.change({ at: steps[index].at });
  }

  /** Keeps a change; resolves when all that waits has been sent or refused. */
  async change(change: Partial<LessonChange>): Promise<void> {
    this.#waiting = { ...this.#waiting, ...change };
    if (this.#busy) return;
    this.#busy = true;
    while (Object.keys(this.#waiting).length > 0 && !this.#closed) {
      const sending = this.#waiting;
      this.#waiting = {};
      shared.saving = 'saving';
      try {
        await this.#send(sending);
        shared.saving = 'saved';
      } catch (error) {
        if (!offline(error)) {
          shared.saving = 'saved';
          this.#refused(error);
          continue;
        }
        shared.saving = 'waiting';
        this.#waiting = { ...sending, ...this.#waiting };
        await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
      }
    }
    this.#busy = false;
  }

  async #send(change: Partial<LessonChange>): Promise<void> {
    const body = { revision: this.lesson?.revision ?? 0, ...change };
    const got = await guarded(api<Lesson>('PATCH', this.#path, body));
    // The view may have moved on while this was on its way.
    const index = this.index;
    this.lesson = got;
    this.index = got.steps[index] ? index : got.index;
    this.trouble = undefined;
    this.conflict = undefined;
  }

  #refused(error: unknown): void {
    const trouble = error instanceof Refused ? error.trouble : troubleOf(error);
    if (trouble.lesson) {
      this.conflict = trouble;
      this.#take(trouble.lesson);
      shared.said = trouble.title;
    } else {
      this.trouble = trouble;
    }
  }

  /** Stops sending again once the view is left. */
  close(): void {
    this.#closed = true;
  }
}
