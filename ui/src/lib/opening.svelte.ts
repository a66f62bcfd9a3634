// A lesson that is opened by one touch, with its tasks and children, to be gathered.
import { push } from 'svelte-spa-router';
import { api } from './api';
import { newId } from './id';
import { classPath, loadDesk, saved, shared, troubleOf, view } from './state.svelte';
import type { Lesson, NewLesson, NewTask, Trouble } from './wire.gen';

export class Opening {
  busy = $state(false);
  trouble = $state<Trouble>();
  // Touched again after an error, the same lesson is opened and none twice.
  readonly #ids: Record<string, string> = {};

  /** Opens the lesson with this key. */
  async lesson(key: string, tasks: NewTask[], children: string[]): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    const id = (this.#ids[key] ??= newId());
    const lesson: NewLesson = { id, tasks, children };
    try {
      await saved(api<Lesson>('POST', classPath('/lessons'), lesson));
      this.trouble = undefined;
      await loadDesk(shared.desk!.class.id);
      await push(view(`gather/${id}`));
    } catch (error) {
      this.trouble = troubleOf(error);
    } finally {
      this.busy = false;
    }
  }
}
