// What was written down and has not reached the server. It lies on this device, each
// piece by itself, by account, until the server has it: over a reload, a new start of
// the browser, another view and another lesson. Pieces are sent in their order, and
// what cannot be sent just now is sent again after a while. Only what the server
// refuses because of what it says leaves the row; it stays in sight with its reason
// until somebody decides.
import { api, Refused } from './api';
import { newId } from './id';
import { shared } from './state.svelte';
import type {
  KeepAnswers,
  KeepMinute,
  KeepRound,
  LessonChange,
  Observe,
  Trouble,
} from './wire.gen';

/** A record of a lesson, a round of slates, a correction from a child's page, answers to a
    sheet, a minute of facts, or a change of a lesson. */
export type Sent =
  | { kind: 'record'; made: Observe; leaves: boolean; says: string }
  | { kind: 'correction'; made: Observe; says: string }
  | { kind: 'round'; made: KeepRound; says: string }
  | { kind: 'answers'; made: KeepAnswers; says: string }
  | { kind: 'minute'; made: KeepMinute; says: string }
  | { kind: 'step'; revision: number; change: Partial<LessonChange>; tried?: string[] };

export type Piece = Sent & {
  key: string;
  class: string;
  of: string; // the lesson, for a correction the child, for answers the sheet
  refused?: Trouble;
};

/** What a page that is open wants to hear of its lesson or child. */
export interface Hears {
  /** A piece has reached the server, and this is what it answered. */
  sent?: (piece: Piece, answer: unknown) => void;
  /** A piece was refused; a record stays, a step is gone. */
  refused?: (piece: Piece, trouble: Trouble) => void;
  /** Another page of this device has sent a piece. */
  elsewhere?: () => void;
}

const PAUSES_MS = [1000, 2000, 4000, 8000, 15000, 30000, 60000];
const SEEN_MS = 50; // the class’s window follows within 200

/** Whether a refusal says nothing of what was sent: then it is sent again. */
function passes(t: Trouble): boolean {
  return (
    t.status === 0 ||
    t.status === 401 ||
    t.status === 408 ||
    t.status === 425 ||
    t.status === 429 ||
    t.status >= 500 ||
    (t.status === 403 && t.field === 'token')
  );
}

class Outbox {
  pieces = $state.raw<Piece[]>([]);
  /** How many records of erased children were taken off this device. */
  erased = $state(0);
  /** True while the first try to send something is under way. */
  trying = $state(false);
  /** False where this device cannot keep what waits. */
  kept = $state(true);

  #account = '';
  /** The keys of what the device could not keep. Nothing is drawn of it. */
  readonly #unkept: Record<string, true> = {};
  #hears: Record<string, Hears[]> = {};
  #running?: Promise<void>;
  #failed = 0;
  #wake?: () => void;
  #made = 0;
  #idle: (() => void)[] = [];

  constructor() {
    window.addEventListener('storage', (e) => this.#changed(e));
    window.addEventListener('online', () => this.now());
    document.addEventListener('visibilitychange', () => !document.hidden && this.now());
  }

  get waiting(): Piece[] {
    return this.pieces.filter((p) => !p.refused);
  }
  get refused(): Piece[] {
    return this.pieces.filter((p) => p.refused);
  }
  get #prefix(): string {
    return `outbox ${this.#account} `;
  }

  /** Opens the row of an account and sends what lies in it. */
  open(account: string): void {
    this.#account = account;
    this.pieces = this.#read();
    if (this.waiting.length) this.now();
  }

  #read(): Piece[] {
    const keys = Object.keys(localStorage).filter((k) => k.startsWith(this.#prefix));
    const stored = keys.flatMap((key) => {
      try {
        return [{ ...(JSON.parse(localStorage.getItem(key) ?? '') as Piece), key }];
      } catch {
        return []; // not ours
      }
    });
    // What the device could not keep lies on this page alone.
    const here = this.pieces.filter((p) => this.#unkept[p.key] && !keys.includes(p.key));
    const own = here.filter((p) => p.key.startsWith(this.#prefix));
    return [...stored, ...own].sort((a, b) => (a.key < b.key ? -1 : 1));
  }

  /** Puts something at the end of the row; it is on this device when this returns. */
  add(of: string, piece: Sent): Promise<void> {
    const at = shared.desk?.class.id ?? '';
    this.#append({ ...piece, key: this.#newKey(), class: at, of });
    return this.#run();
  }

  /** Puts a step into the row: one after another of the same lesson is sent as one. */
  step(lesson: string, revision: number, change: Partial<LessonChange>): Promise<void> {
    const last = this.waiting[this.waiting.length - 1];
    if (
      last?.kind === 'step' &&
      last.of === lesson &&
      last.key !== this.#inHand?.key &&
      only(last.change) &&
      only(change)
    ) {
      this.#put({ ...last, change: after(last.change, change) });
      return this.#run();
    }
    return this.add(lesson, { kind: 'step', revision, change });
  }
  #inHand?: Piece;

  #newKey(): string {
    const n = String((this.#made = (this.#made + 1) % 1_000_000)).padStart(6, '0');
    const own = crypto.randomUUID().slice(0, 8);
    return `${this.#prefix}${String(Date.now()).padStart(15, '0')} ${n} ${own}`;
  }

  #append(piece: Piece): void {
    this.pieces = [...this.pieces, piece];
    this.#keep(piece);
  }
  #put(piece: Piece): void {
    this.pieces = this.pieces.map((p) => (p.key === piece.key ? piece : p));
    this.#keep(piece);
  }
  #keep(piece: Piece): void {
    try {
      localStorage.setItem(piece.key, JSON.stringify(piece));
      delete this.#unkept[piece.key];
    } catch {
      this.#unkept[piece.key] = true; // the device is full: the page still has it
    }
    this.kept = Object.keys(this.#unkept).length === 0;
  }
  #drop(piece: Piece): void {
    this.pieces = this.pieces.filter((p) => p.key !== piece.key);
    localStorage.removeItem(piece.key);
    delete this.#unkept[piece.key];
    this.kept = Object.keys(this.#unkept).length === 0;
  }

  /** What another page of this device did to the row. */
  #changed(e: StorageEvent): void {
    if (e.key === null) {
      for (const p of this.pieces) this.#keep(p); // all was wiped, and this page has it still
      return;
    }
    if (!e.key.startsWith(this.#prefix)) return;
    const before = this.pieces;
    const now = this.#read();
    this.pieces = now;
    for (const p of before.filter((b) => !now.some((n) => n.key === b.key))) {
      for (const h of this.#hears[p.of] ?? []) h.elsewhere?.();
    }
    if (this.waiting.length) void this.#run();
  }

  /** Hears of a lesson or child, also while another view is open; returns how to stop. */
  hear(of: string, hears: Hears): () => void {
    (this.#hears[of] ??= []).push(hears);
    return () => {
      this.#hears[of] = (this.#hears[of] ?? []).filter((h) => h !== hears);
    };
  }

  /** Tries at once, instead of waiting for the end of a pause. */
  now(): void {
    this.#wake?.();
    void this.#run();
  }

  /** Resolves when nothing of a lesson or child waits, or when so many ms are over. */
  async settled(of: string, patience = Infinity): Promise<void> {
    const until = Date.now() + patience;
    const waits = (): boolean => this.waiting.some((p) => p.of === of);
    while (waits() && Date.now() < until && shared.me) {
      await new Promise<void>((resolve) => {
        this.#idle.push(resolve);
        if (patience < Infinity) setTimeout(resolve, Math.max(0, until - Date.now()));
      });
    }
  }

  /** Sends a refused record once more; under another id where its own is another's. */
  again(piece: Piece): void {
    const other = piece.kind !== 'step' && piece.refused?.field === 'id';
    const same = { ...piece, refused: undefined };
    this.#put(other ? ({ ...same, made: { ...piece.made, id: newId() } } as Piece) : same);
    this.now();
  }
  /** Lets a refused record go. */
  letGo(piece: Piece): void {
    this.#drop(piece);
  }

  #run(): Promise<void> {
    this.#running ??= this.#sendAll().finally(() => {
      this.#running = undefined;
      this.trying = false;
      this.#inHand = undefined;
    });
    return this.#running;
  }

  async #sendAll(): Promise<void> {
    this.trying = this.#failed === 0;
    await shown();
    for (let piece = this.waiting[0]; piece && shared.me; piece = this.waiting[0]) {
      const account = this.#account;
      this.#inHand = piece;
      const trouble = await this.#send(piece);
      this.#inHand = undefined;
      if (account !== this.#account) continue; // somebody else has logged in
      if (!trouble) {
        this.#failed = 0;
      } else if (!passes(trouble)) {
        this.#failed = 0;
        this.#refuse(piece, trouble);
      } else {
        this.trying = false;
        this.#gather();
        if (!shared.me) return this.#rest(); // the log-in opens the row again
        const pause = PAUSES_MS[Math.min(this.#failed++, PAUSES_MS.length - 1)]!;
        await this.#pause(pause * (0.8 + 0.4 * Math.random()));
        continue;
      }
      this.trying = this.waiting.length > 0;
      this.#rest();
    }
    this.#rest();
  }

  /** Steps that came while one was on its way become one with it again. */
  #gather(): void {
    const [first, second] = this.waiting;
    if (first?.kind !== 'step' || second?.kind !== 'step' || first.of !== second.of) return;
    if (!only(first.change) || !only(second.change)) return;
    this.#drop(second);
    this.#put({ ...first, change: after(first.change, second.change), tried: tries(first) });
  }

  /** Tells who waits that something has changed. */
  #rest(): void {
    for (const go of this.#idle.splice(0)) go();
  }

  #pause(ms: number): Promise<void> {
    return new Promise((resolve) => {
      const go = (): void => {
        this.#wake = undefined;
        clearTimeout(late);
        resolve();
      };
      const late = setTimeout(go, ms);
      this.#wake = go;
    });
  }

  async #send(piece: Piece): Promise<Trouble | undefined> {
    const at = `/classes/${piece.class}`;
    try {
      const answer =
        piece.kind === 'record'
          ? await api<unknown>('POST', `${at}/lessons/${piece.of}/observations`, piece.made)
          : piece.kind === 'round'
            ? await api<unknown>('POST', `${at}/lessons/${piece.of}/rounds`, piece.made)
            : piece.kind === 'answers'
              ? await api<unknown>('POST', `${at}/sheets/${piece.of}/answers`, piece.made)
              : piece.kind === 'minute'
                ? await api<unknown>('POST', `${at}/minutes`, piece.made)
                : piece.kind === 'correction'
                  ? await api<unknown>('POST', `${at}/learners/${piece.of}/corrections`, piece.made)
                  : await this.#sendStep(`${at}/lessons/${piece.of}`, piece);
      this.#arrived(piece, answer);
      return undefined;
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      if (error.trouble.status === 401) shared.me = null;
      return error.trouble;
    }
  }

  #sendStep(path: string, piece: Piece & { kind: 'step' }): Promise<unknown> {
    const body = { revision: piece.revision, ...piece.change };
    // A step on: the trace is here already, so that only the revision comes back.
    const minimal = only(piece.change) ? { Prefer: 'return=minimal' } : undefined;
    return api<unknown>('PATCH', path, body, minimal);
  }

  #arrived(piece: Piece, answer: unknown): void {
    this.#drop(piece);
    if (piece.kind === 'step') {
      const { revision } = answer as { revision: number };
      for (const p of this.waiting) {
        if (p.kind === 'step' && p.of === piece.of) this.#put({ ...p, revision });
      }
    }
    for (const h of this.#hears[piece.of] ?? []) h.sent?.(piece, answer);
  }

  #refuse(piece: Piece, trouble: Trouble): void {
    if (piece.kind === 'step') {
      if (trouble.lesson && cameThrough(piece, trouble)) {
        this.#arrived(piece, trouble.lesson);
        return;
      }
      if (trouble.lesson && cameSoFar(piece, trouble)) {
        this.#put({ ...piece, revision: trouble.lesson.revision }); // and on from there
        return;
      }
      // What follows was done to a lesson that is another one by now.
      for (const p of this.waiting) {
        if (p.kind === 'step' && p.of === piece.of) this.#drop(p);
      }
    } else if (trouble.erased && piece.kind !== 'round') {
      const of = piece.made.learner;
      const gone = this.pieces.filter(
        (p) => p.kind !== 'step' && p.kind !== 'round' && p.made.learner === of,
      );
      for (const p of gone) this.#drop(p);
      this.erased += gone.length;
    } else {
      // The page that came along is read anew when it is opened.
      this.#put({ ...piece, refused: { ...trouble, record: undefined } });
      shared.said = trouble.title;
    }
    for (const h of this.#hears[piece.of] ?? []) h.refused?.(piece, trouble);
  }
}

/** Whether nothing but where the lesson stands changes, and how the steps to it were done. */
const only = (change: Partial<LessonChange>): boolean =>
  Object.keys(change).some((what) => STANDS.includes(what)) &&
  Object.keys(change).every((what) => STANDS.includes(what) || what === 'saw');
const STANDS = ['at', 'pace', 'shown'];

/** Two steps as one: the later position, and how all steps to it were done. */
function after(one: Partial<LessonChange>, next: Partial<LessonChange>): Partial<LessonChange> {
  const saw = [...(one.saw ?? []), ...(next.saw ?? [])];
  return { ...one, ...next, ...(saw.length ? { saw } : {}) };
}

/**
 * Whether a step that was refused as stale is the very one that the lesson stands at: the
 * answer to it was lost on its way, not the step.
 */
function cameThrough({ revision, change }: Piece & { kind: 'step' }, trouble: Trouble): boolean {
  const now = trouble.lesson!;
  if (now.revision !== revision + 1) return false;
  return Object.entries(change).every(([what, value]) => {
    switch (what) {
      case 'at':
        return now.steps[now.index]?.at === value;
      case 'pace':
        return now.round?.pace === value;
      case 'shown':
        return now.round?.shown === value;
      case 'stand':
        return now.link.stand === value;
      case 'material':
        return now.link.material === value;
      case 'children':
        return now.children.map((c) => c.id).join() === (value as string[]).join();
    }
    return true;
  });
}

/** The positions that were sent and of which it is not known whether they came through. */
const tries = (p: Piece & { kind: 'step' }): string[] => [
  ...(p.tried ?? []),
  ...(p.change.at ? [p.change.at] : []),
];

/** Whether the lesson stands where an earlier try of the same step has left it. */
function cameSoFar(piece: Piece & { kind: 'step' }, trouble: Trouble): boolean {
  const now = trouble.lesson!;
  const at = now.steps[now.index]?.at ?? '';
  return now.revision === piece.revision + 1 && (piece.tried ?? []).includes(at);
}

/** What moves is seen first, and sent after it; at once where the page is left. */
const shown = (): Promise<void> =>
  new Promise((resolve) => {
    const go = (): void => {
      window.removeEventListener('pagehide', go);
      resolve();
    };
    window.addEventListener('pagehide', go);
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    setTimeout(go, still ? 0 : SEEN_MS);
  });

export const outbox = new Outbox();
