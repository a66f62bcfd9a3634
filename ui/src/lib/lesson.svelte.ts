// A lesson on this screen: steps are local, only the position is sent. What changes goes
// into the outbox, from the newest revision, and is sent from there, also when the view
// is left.
import { api } from './api';
import { outbox, type Piece } from './outbox.svelte';
import { classPath, guarded, shared, troubleOf } from './state.svelte';
import type { Lesson, LessonChange, Moment, Moved, Sighting, Trouble } from './wire.gen';

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
  #reading?: Promise<void>;
  #made = 0; // changes on this screen
  #held = 0; // of these, how many wait for what is being read

  private constructor(private readonly id: string) {
    outbox.hear(id, {
      sent: (piece, answer) => this.#sent(piece, answer),
      refused: (piece, trouble) => piece.kind === 'step' && this.#refused(trouble),
      elsewhere: () => void (this.#reading = this.#read()),
    });
  }

  /** The lesson with this id; one for the whole page, so that nothing waits twice. */
  static of(id: string): LessonInHand {
    const key = `${shared.me?.id} ${id}`;
    return (open[key] ??= new LessonInHand(id));
  }

  /** Goes where another device has led a lesson, if it is open on this page. */
  static heard(moment: Moment): void {
    const one = open[`${shared.me?.id} ${moment.lesson}`];
    if (one) one.#follow(moment);
  }

  #follow(moment: Moment): void {
    const lesson = this.lesson;
    if (!lesson || this.#waits || moment.revision <= this.#revision) return;
    const index = lesson.steps.findIndex((s) => s.at === moment.at);
    const { nth, stand, material, whole } = lesson.link;
    const same = moment.nth === nth && moment.stand === stand && moment.material === material;
    if (!same || (index < 0 && lesson.steps.length) || (moment.pace !== '') !== whole) {
      this.#reading = this.#read();
      return;
    }
    this.#revision = moment.revision;
    if (index >= 0) this.index = index;
    if (lesson.round)
      this.lesson = {
        ...lesson,
        round: { ...lesson.round, pace: moment.pace, shown: moment.shown },
      };
  }

  /** Whether a change of this lesson has not reached the server. */
  get #waits(): boolean {
    return this.#held > 0 || outbox.waiting.some((p) => p.kind === 'step' && p.of === this.id);
  }

  /** Reads the lesson, once what waits has been sent. */
  async load(): Promise<void> {
    this.trouble = this.conflict = undefined;
    if (this.lesson && this.#waits) return;
    this.lesson = undefined; // nothing is touched that the server may have moved on
    this.#reading = this.#read();
    return this.#reading;
  }

  async #read(): Promise<void> {
    await outbox.settled(this.id); // a step that waits is older than what is read
    const made = this.#made;
    try {
      const got = await guarded(api<Lesson>('GET', classPath(`/lessons/${this.id}`)));
      this.#take(got, this.#made > made);
    } catch (error) {
      this.trouble = troubleOf(error);
    }
  }

  /** Takes a lesson as the server has it; who went on meanwhile stays there. */
  #take(lesson: Lesson, wentOn = false): void {
    const stays = wentOn && lesson.link.nth === this.lesson?.link.nth && lesson.steps[this.index];
    this.lesson = lesson;
    this.#revision = lesson.revision;
    if (!stays) this.index = lesson.index;
    this.trouble = undefined;
  }

  /** Moves to a step at once and keeps the position, and how the step was done. */
  go(index: number, saw: Sighting[] = []): void {
    const steps = this.lesson?.steps;
    if (!steps?.[index]) return;
    this.index = index;
    this.conflict = undefined;
    if (shared.mayPresent)
      void this.change({ at: steps[index].at, ...(saw.length ? { saw } : {}) });
  }

  /** What the whole class does, or how often the flash is shown: seen at once, and kept. */
  round(change: { pace?: string; shown?: number }): void {
    if (!this.lesson?.round) return;
    this.lesson = { ...this.lesson, round: { ...this.lesson.round, ...change } };
    this.conflict = undefined;
    void this.change(change);
  }

  /** Keeps a change; resolves when all that waits of the lesson has been sent or refused. */
  async change(change: Partial<LessonChange>): Promise<void> {
    this.#made++;
    this.#held++;
    await this.#reading; // a change is made to the revision that is read
    this.#held--;
    void outbox.step(this.id, this.#revision, change);
    await outbox.settled(this.id);
  }

  #sent(piece: Piece, answer: unknown): void {
    if (piece.kind !== 'step') return;
    this.conflict = this.trouble = undefined;
    const got = answer as Lesson | Moved;
    if (!('steps' in got)) {
      // Another trace is worked by now, as when the class has set another way.
      if (piece.change.at !== undefined && got.at !== piece.change.at) this.#reading = this.#read();
      this.#revision = got.revision;
      return;
    }
    // The view may have moved on while this was on its way.
    const index = got.link.nth === this.lesson?.link.nth ? this.index : got.index;
    this.lesson = got;
    this.#revision = got.revision;
    this.index = got.steps[index] ? index : got.index;
  }

  #refused(trouble: Trouble): void {
    if (trouble.lesson) {
      this.conflict = trouble;
      this.#take(trouble.lesson);
      shared.said = trouble.title;
    } else {
      this.trouble = trouble;
    }
  }
}
