// A lesson on this screen: steps are local, only the position is sent. Writes
// go one after another from the newest revision. What cannot be sent, because
// the network or the session is gone, waits here, also when the view is left.
import { prefersReducedMotion } from 'svelte/motion';
import { api, offline, Refused } from './api';
import { classPath, guarded, shared, troubleOf } from './state.svelte';
import type { Lesson, LessonChange, Moved, Trouble } from './wire.gen';

const AGAIN_MS = 3000;

/** What moves has so many ms before anything is sent. */
const SEEN_MS = 200;

/** What is seen comes first, and what is sent after it; at once where the page is left. */
const shown = (): Promise<void> =>
  new Promise((resolve) => {
    const go = (): void => {
      window.removeEventListener('pagehide', go);
      resolve();
    };
    window.addEventListener('pagehide', go);
    setTimeout(go, prefersReducedMotion.current ? 0 : SEEN_MS);
  });

/** The lessons of this page, by account and id. */
const open: Record<string, LessonInHand> = {};

export class LessonInHand {
  // Raw: a trace is never changed in place, and is read hundreds of times a step.
  lesson = $state.raw<Lesson>();
  trouble = $state<Trouble>();
  /** Says that another screen moved the lesson on. */
  conflict = $state<Trouble>();
  index = $state(0);
  #revision = 0; // from which the next change starts
  #waiting: Partial<LessonChange> = {};
  #sending?: Promise<void>;
  #reading?: Promise<void>;

  private constructor(private readonly id: string) {}

  /** The lesson with this id; one for the whole page, so that nothing waits twice. */
  static of(id: string): LessonInHand {
    const key = `${shared.me?.email} ${id}`;
    return (open[key] ??= new LessonInHand(id));
  }

  get #path(): string {
    return classPath(`/lessons/${this.id}`);
  }

  /** Reads the lesson, once what waits has been sent. */
  async load(): Promise<void> {
    this.trouble = this.conflict = undefined;
    if (this.lesson && this.#waits) return this.change({});
    await this.#sending;
    this.lesson = undefined; // nothing is touched that the server may have moved on
    this.#reading = this.#read();
    return this.#reading;
  }

  async #read(): Promise<void> {
    try {
      this.#take(await guarded(api<Lesson>('GET', this.#path)));
    } catch (error) {
      this.trouble = troubleOf(error);
    }
  }

  get #waits(): boolean {
    return Object.keys(this.#waiting).length > 0;
  }

  #take(lesson: Lesson): void {
    this.lesson = lesson;
    this.#revision = lesson.revision;
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
  change(change: Partial<LessonChange>): Promise<void> {
    this.#waiting = { ...this.#waiting, ...change };
    if (this.#waits) shared.saving = 'saving';
    this.#sending ??= this.#sendAll().finally(() => (this.#sending = undefined));
    return this.#sending;
  }

  async #sendAll(): Promise<void> {
    await this.#reading; // a change is made to the revision that is read
    await shown();
    while (this.#waits) {
      const sending = this.#waiting;
      this.#waiting = {};
      shared.saving = 'saving';
      try {
        await this.#send(sending);
        shared.saving = 'saved';
      } catch (error) {
        const gone = offline(error);
        if (!gone && shared.me !== null) {
          shared.saving = 'saved';
          this.#refused(error);
          continue;
        }
        shared.saving = 'waiting';
        this.#waiting = { ...sending, ...this.#waiting };
        if (!gone) return; // logged out: the log-in comes back here, and load sends it
        await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
      }
    }
  }

  async #send(change: Partial<LessonChange>): Promise<void> {
    const body = { revision: this.#revision, ...change };
    if (Object.keys(change).join() === 'at') return this.#move(body);
    const got = await guarded(api<Lesson>('PATCH', this.#path, body));
    // The view may have moved on while this was on its way.
    const index = this.index;
    this.lesson = got;
    this.#revision = got.revision;
    this.index = got.steps[index] ? index : got.index;
    this.trouble = undefined;
    this.conflict = undefined;
  }

  /** A step on: the trace is here already, so that only the revision comes back. */
  async #move(body: Partial<LessonChange>): Promise<void> {
    const moved = await guarded(
      api<Moved>('PATCH', this.#path, body, { Prefer: 'return=minimal' }),
    );
    // Another trace is worked by now, as when the class has set another way.
    if (moved.at !== body.at) return this.#read();
    this.#revision = moved.revision;
    this.trouble = this.conflict = undefined;
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
}
