// The first day of a class: what its children can do, what it works with, and who comes
// to the first lesson. Nothing is kept before the lesson begins.
import { push } from 'svelte-spa-router';
import { api } from '../../lib/api';
import { newId } from '../../lib/id';
import {
  classPath,
  guarded,
  loadDesk,
  saved,
  shared,
  troubleOf,
  view,
} from '../../lib/state.svelte';
import type { Chosen, Lesson, Sum, Told, Trouble } from '../../lib/wire.gen';

/** What children are called whose names are not known yet. */
const UNNAMED = ['First', 'Second', 'Third'];
/** How many children sit at a mat. */
const SEATS = 4;

export class FirstDay {
  told = $state('adds-without-swap');
  material = $state('beads');
  names = $state(['', '', '']);
  sum = $state.raw<Sum>();
  trouble = $state<Trouble>();
  busy = $state(false);
  /** Whether the children are kept already: then only the lesson is still to begin. */
  added = $state(false);
  #asked = 0;
  // Sent again after an error, nothing is made twice.
  readonly #lesson = newId();
  readonly #children = Array.from({ length: SEATS }, newId);

  get next(): Told | undefined {
    return shared.desk?.told.find((t) => t.id === this.told);
  }

  /** Draws numbers for what comes next. */
  async draw(): Promise<void> {
    const turn = ++this.#asked;
    const stage = this.next?.stage ?? '';
    const kind = shared.desk?.stages.find((s) => s.id === stage)?.kind;
    const ask = { kind, stage, digits: [], fit: true, swap: {}, zeros: 'no', count: 1, seed: '' };
    try {
      const got = await guarded(api<Chosen>('POST', classPath('/choose'), ask));
      if (turn !== this.#asked) return;
      this.sum = got.problems[0];
      this.trouble = undefined;
      shared.said = `${this.sum?.said ?? ''}`;
    } catch (error) {
      if (turn === this.#asked) this.trouble = troubleOf(error);
    }
  }

  tell(id: string): void {
    if (this.added) return;
    this.told = id;
    void this.draw();
  }

  get more(): boolean {
    return this.names.length < SEATS;
  }

  /** Keeps the children and the material, and begins the lesson. */
  async begin(): Promise<void> {
    const { sum, next } = this;
    if (!sum || !next || this.busy) return;
    this.busy = true;
    const typed = this.names.map((n) => n.trim()).filter((n) => n);
    const called = typed.length ? typed : UNNAMED;
    const learners = called.map((name, i) => ({ id: this.#children[i]!, name }));
    const desk = shared.desk!;
    try {
      if (!this.added)
        await saved(api('POST', classPath('/learners'), { learners, told: this.told }));
      this.added = true;
      if (this.material !== desk.settings.material) {
        const settings = { ...desk.settings, material: this.material };
        await saved(api('PUT', classPath('/settings'), settings));
      }
      const tasks = [{ task: sum.task, stage: next.stage }];
      const children = learners.map((l) => l.id);
      const lesson = { id: this.#lesson, tasks, children };
      await saved(api<Lesson>('POST', classPath('/lessons'), lesson));
      await loadDesk(desk.class.id);
      await push(view(`gather/${this.#lesson}`));
    } catch (error) {
      this.trouble = troubleOf(error);
    } finally {
      this.busy = false;
    }
  }
}
