// A round of slates as it is being read: which slates are not simply right, and who was
// proposed to explain. It lies on this device until it is kept, over a reload too.
import { newId } from '../../lib/id';
import { seenNow } from '../../lib/seen';
import { shared } from '../../lib/state.svelte';
import type { KeepRound, SlateMarked, TurnTaken } from '../../lib/wire.gen';

interface Draft {
  id: string;
  slates: Record<string, { mark: string; answer: string }>;
  turns: TurnTaken[];
}

export class RoundDraft {
  #draft = $state.raw<Draft>({ id: '', slates: {}, turns: [] });
  #key = '';

  /** Takes up the round of a task of a lesson where it was left. */
  open(lesson: string, nth: number): void {
    const key = `round ${shared.me?.id} ${lesson} ${nth}`;
    if (key === this.#key) return;
    this.#key = key;
    this.#draft = { id: newId(), slates: {}, turns: [] };
    try {
      const kept = localStorage.getItem(key);
      if (kept) this.#draft = JSON.parse(kept) as Draft;
    } catch {
      // what lies there is not ours
    }
  }

  get slates(): Draft['slates'] {
    return this.#draft.slates;
  }
  get turns(): TurnTaken[] {
    return this.#draft.turns;
  }
  /** Whether anything was touched. */
  get begun(): boolean {
    return this.turns.length > 0 || Object.keys(this.slates).length > 0;
  }

  /** Marks the slate of a child; without a mark it is right with the others again. */
  mark(child: string, mark: string, answer = ''): void {
    const slates = { ...this.slates };
    if (mark) slates[child] = { mark, answer };
    else delete slates[child];
    this.#set({ slates });
  }

  /** The child who explains, or undefined. */
  get explains(): TurnTaken | undefined {
    return this.turns.find((t) => t.took);
  }
  /** A child takes the turn; another who had it has it no more. */
  take(child: string): void {
    const others = this.turns.filter((t) => t.learner !== child && !t.took);
    this.#set({ turns: [...others, { learner: child, took: true }] });
  }
  /** A child is passed by. */
  pass(child: string): void {
    const others = this.turns.filter((t) => t.learner !== child);
    this.#set({ turns: [...others, { learner: child, took: false }] });
  }
  /** Nobody explains, or the child was not to be passed by after all. */
  undo(child: string): void {
    this.#set({ turns: this.turns.filter((t) => t.learner !== child) });
  }
  /** How the child who explains has seen it. */
  saw(way: string): void {
    this.#set({
      turns: this.turns.map((t) => (t.took ? { ...t, way: t.way === way ? '' : way } : t)),
    });
  }

  #set(change: Partial<Draft>): void {
    this.#draft = { ...this.#draft, ...change };
    try {
      localStorage.setItem(this.#key, JSON.stringify(this.#draft));
    } catch {
      // the device is full: the page has it
    }
  }

  /** The round as it is sent. */
  made(nth: number, away: string[]): KeepRound {
    const slates: SlateMarked[] = Object.entries(this.slates)
      .filter(([learner]) => !away.includes(learner))
      .map(([learner, s]) => ({ learner, ...s }));
    slates.push(...away.map((learner) => ({ learner, mark: 'away', answer: '' })));
    return {
      id: this.#draft.id,
      nth,
      slates,
      turns: this.turns,
      seenAt: seenNow(),
    };
  }

  /** The round is kept. */
  done(): void {
    localStorage.removeItem(this.#key);
  }
}
