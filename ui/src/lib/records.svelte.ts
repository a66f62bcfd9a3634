// What is written of a lesson on this screen: the page as the server has it, and what
// waits in the outbox. An id made here makes sending a record twice harmless.
import { api } from './api';
import { newId } from './id';
import { outbox, type Piece } from './outbox.svelte';
import { seenNow } from './seen';
import { classPath, guarded, shared, troubleOf } from './state.svelte';
import type { Entry, Observe, Record as Page, Recorded, Row, Trouble } from './wire.gen';

const PATIENCE_MS = 1500;

/** The pages of this screen, by account and lesson. */
const open: Record<string, Records> = {};

/** What was done in one go, so that it can be undone: each record and the one before it, if any. */
type Done = { made: Observe; before?: Entry }[];

type Waiting = Piece & { kind: 'record' };

export class Records {
  page = $state.raw<Page>();
  trouble = $state<Trouble>();
  notice = $state('');
  done = $state<Done[]>([]);

  private constructor(private readonly id: string) {
    outbox.hear(id, {
      sent: (piece, answer) => piece.kind === 'record' && this.#take(answer as Recorded),
      refused: (piece, trouble) => this.#refused(piece, trouble),
      elsewhere: () => void this.load(),
    });
  }

  static of(id: string): Records {
    return (open[`${shared.me?.id} ${id}`] ??= new Records(id));
  }

  #asked = 0;
  async load(): Promise<void> {
    this.trouble = undefined;
    const asked = ++this.#asked;
    try {
      // What the mat saw last may be on its way.
      await outbox.settled(this.id, PATIENCE_MS);
      const at = `${classPath(`/lessons/${this.id}`)}/record`;
      const page = await guarded(api<Page>('GET', at));
      // What was kept since this was asked for would be missing in it.
      if (asked === this.#asked || !this.page) this.page = page;
    } catch (error) {
      this.trouble = troubleOf(error);
    }
  }

  /** Shows what is kept at once; the rest of the page follows when nothing waits any more. */
  #take({ entry, written, notice }: Recorded): void {
    this.notice = notice;
    this.trouble = undefined;
    const page = this.page;
    this.#asked++; // a page that is on its way does not have it
    if (page) {
      const rowOf = (row: Row): Row => {
        const others = row.kept.filter((k) => k.id !== entry.replaces);
        const kept = written ? [...others, entry] : others;
        return { ...row, kept, written: kept.length > 0 };
      };
      const tasks = page.tasks.map((task, nth) =>
        nth === entry.nth
          ? { ...task, rows: task.rows.map((r) => (r.learner === entry.learner ? rowOf(r) : r)) }
          : task,
      );
      this.page = { ...page, tasks };
    }
    if (this.waiting.length === 0) void this.load();
  }

  #refused(piece: Piece, trouble: Trouble): void {
    if (piece.kind !== 'record') return;
    this.done = this.done
      .map((d) => d.filter(({ made }) => made.id !== piece.made.id))
      .filter((d) => d.length > 0);
    if (trouble.record) this.page = trouble.record;
    if (trouble.erased) this.trouble = trouble;
  }

  /** Records of this lesson that wait, and those that were refused. */
  get waiting(): Waiting[] {
    return outbox.waiting.filter((p) => p.of === this.id && p.kind === 'record') as Waiting[];
  }
  get refused(): Waiting[] {
    return outbox.refused.filter((p) => p.of === this.id && p.kind === 'record') as Waiting[];
  }

  /** The newest record of a child at a problem, sent or waiting to be. */
  latest(learner: string, nth: number): { entry?: Entry; waits?: Observe } {
    const waits = this.#waits(learner, nth)?.made;
    const kept = this.#row(learner, nth)?.kept ?? [];
    return { entry: kept[kept.length - 1], waits };
  }

  #waits(learner: string, nth: number): Waiting | undefined {
    return this.waiting.findLast(({ made }) => made.learner === learner && made.nth === nth);
  }
  #row(learner: string, nth: number): Row | undefined {
    return this.page?.tasks[nth]?.rows.find((r) => r.learner === learner);
  }

  /** Whether anything is written of a child at a task. */
  written(learner: string, nth: number): boolean {
    return this.#waits(learner, nth)?.leaves ?? this.#row(learner, nth)?.written ?? false;
  }

  /** Keeps a record; it is on this device at once. */
  keep(made: Observe, before?: Entry): void {
    this.keepAll([{ made, before }]);
  }

  /** Keeps records that were made in one touch: they are undone in one, too. */
  keepAll(done: Done): void {
    this.done = [...this.done, done];
    for (const { made, before } of done) {
      // Taking back what is written leaves the child to be written again.
      this.#add(made, !(made.withdrawn && before));
    }
  }

  #add(made: Observe, leaves: boolean): void {
    this.notice = '';
    const child = this.page?.children.find((c) => c.id === made.learner)?.name ?? '';
    const says = `${child}, ${this.page?.tasks[made.nth]?.text ?? ''} = ${made.answer || 'none'}`;
    void outbox.add(this.id, {
      kind: 'record',
      made: { ...made, seenAt: seenNow() },
      leaves,
      says,
    });
  }

  /** Resolves when all is sent, or when it takes so long that it has to wait. */
  sent(): Promise<void> {
    return outbox.settled(this.id, PATIENCE_MS);
  }

  /** Takes back what was done last: a first record is withdrawn, a correction corrected back. */
  undo(): void {
    const last = this.done[this.done.length - 1];
    if (!last) return;
    this.done = this.done.slice(0, -1);
    for (const { made, before } of last) {
      const back: Observe = before
        ? { ...fromEntry(before), id: newId(), replaces: made.id }
        : { ...made, id: newId(), replaces: made.id, withdrawn: true };
      delete back.anotherRun;
      delete back.note;
      this.#add(back, before !== undefined);
    }
  }

  /** Settles a record that was refused: with another one instead, or with none. */
  settle(piece: Piece, made?: Observe): void {
    outbox.letGo(piece);
    if (made) this.keep(made);
  }
}

/** A kept record as it would be sent again. */
export const fromEntry = (e: Entry): Observe => ({
  id: e.id,
  learner: e.learner,
  nth: e.nth,
  part: e.part,
  answer: e.answer,
  came: e.came,
  help: e.help,
  manner: e.manner,
  way: e.way,
  chosen: e.chosen,
  runs: e.runs,
  day: e.day,
  withdrawn: e.withdrawn,
});
