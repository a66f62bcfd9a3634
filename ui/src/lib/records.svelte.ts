// What is written of a lesson on this screen. Records are sent one after
// another; what cannot be sent waits on this device, over a reload too. An id
// made here makes sending one twice harmless.
import { api, offline, Refused } from './api';
import { classPath, guarded, shared, troubleOf } from './state.svelte';
import type { Entry, Observe, Record as Page, Row, Trouble } from './wire.gen';

const AGAIN_MS = 3000;
const PATIENCE_MS = 1500;

/** The pages of this screen, by account and lesson. */
const open: Record<string, Records> = {};

/** What was done in one go, so that it can be undone: each record and the one before it, if any. */
type Done = { made: Observe; before?: Entry }[];

/** A record that waits to be sent, and whether it leaves the child written at its task. */
interface Waiting {
  made: Observe;
  leaves: boolean;
}

export class Records {
  page = $state.raw<Page>();
  trouble = $state<Trouble>();
  /** A record that another guide's stands against, and the page as it is now. */
  conflict = $state<{ mine: Observe; trouble: Trouble }>();
  notice = $state('');
  waiting = $state<Waiting[]>([]);
  done = $state<Done[]>([]);
  #sending?: Promise<void>;
  readonly #kept: string;

  private constructor(private readonly id: string) {
    this.#kept = `records ${shared.me?.email} ${id}`;
    const kept = JSON.parse(localStorage.getItem(this.#kept) ?? '[]') as (Waiting | Observe)[];
    // What an older version of this page left here had no mark beside it.
    this.waiting = kept.map((w) => ('made' in w ? w : { made: w, leaves: true }));
  }

  static of(id: string): Records {
    return (open[`${shared.me?.email} ${id}`] ??= new Records(id));
  }

  get #path(): string {
    return classPath(`/lessons/${this.id}`);
  }

  async load(): Promise<void> {
    this.trouble = undefined;
    try {
      this.page = await guarded(api<Page>('GET', `${this.#path}/record`));
      if (this.waiting.length > 0) void this.#send();
    } catch (error) {
      this.trouble = troubleOf(error);
    }
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
  keep(made: Observe, before?: Entry): Promise<void> {
    return this.keepAll([{ made, before }]);
  }

  /** Keeps records that were made in one touch: they are undone in one, too. */
  keepAll(done: Done): Promise<void> {
    this.done = [...this.done, done];
    // Taking back what is written leaves the child to be written again.
    return this.#add(
      done.map(({ made, before }) => ({ made, leaves: !(made.withdrawn && before) })),
    );
  }

  #add(waiting: Waiting[]): Promise<void> {
    this.waiting = [...this.waiting, ...waiting];
    this.notice = '';
    return this.#send();
  }

  /** Resolves when all is sent, or when it takes so long that it has to wait. */
  sent(): Promise<unknown> {
    const late = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
    return Promise.race([this.#sending, late]);
  }

  /** Takes back what was done last: a first record is withdrawn, a correction corrected back. */
  undo(): Promise<void> {
    const last = this.done[this.done.length - 1];
    if (!last) return Promise.resolve();
    this.done = this.done.slice(0, -1);
    return this.#add(
      last.map(({ made, before }) => {
        const back: Observe = before
          ? { ...fromEntry(before), id: crypto.randomUUID(), replaces: made.id }
          : { ...made, id: crypto.randomUUID(), replaces: made.id, withdrawn: true };
        delete back.anotherRun;
        delete back.note;
        return { made: back, leaves: before !== undefined };
      }),
    );
  }

  /** Settles a conflict: with another record, or with none. */
  settle(made?: Observe): Promise<void> {
    this.conflict = undefined;
    return made ? this.keep(made) : Promise.resolve();
  }

  #save(): void {
    if (this.waiting.length) localStorage.setItem(this.#kept, JSON.stringify(this.waiting));
    else localStorage.removeItem(this.#kept);
  }

  #send(): Promise<void> {
    this.#save();
    this.#sending ??= this.#sendAll().finally(() => (this.#sending = undefined));
    return this.#sending;
  }

  async #sendAll(): Promise<void> {
    for (let next = this.waiting[0]?.made; next; next = this.waiting[0]?.made) {
      shared.saving = 'saving';
      try {
        const page = await guarded(api<Page>('POST', `${this.#path}/observations`, next));
        this.page = page;
        this.notice = page.notice;
        this.trouble = undefined;
      } catch (error) {
        if (offline(error) || shared.me === null) {
          shared.saving = 'waiting';
          if (shared.me === null) return; // the log-in comes back here, and load sends it
          await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
          continue;
        }
        this.#refused(next, error);
      }
      this.waiting = this.waiting.slice(1);
      this.#save();
      shared.saving = 'saved';
    }
  }

  #refused(mine: Observe, error: unknown): void {
    const trouble = error instanceof Refused ? error.trouble : troubleOf(error);
    this.done = this.done
      .map((d) => d.filter(({ made }) => made.id !== mine.id))
      .filter((d) => d.length > 0);
    if (trouble.record) {
      this.page = trouble.record;
      this.conflict = { mine, trouble };
    } else {
      this.trouble = trouble;
    }
    shared.said = trouble.title;
  }
}

/** A kept record as it would be sent again. */
export const fromEntry = (e: Entry): Observe => ({
  id: e.id,
  learner: e.learner,
  nth: e.nth,
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
