// What every view shares: who is logged in, the class and its desk, whether all
// is saved.
import { replace } from 'svelte-spa-router';
import { api, Refused } from './api';
import type { ClassLink, Desk, LessonLink, Me, Palette, Trouble, Words } from './wire.gen';

const FINE = matchMedia('(pointer: fine)');

class Shared {
  /** Undefined until the server has answered, null when nobody is logged in. */
  me = $state<Me | null | undefined>(undefined);
  desk = $state<Desk>();
  /** What the class's window has in place of a desk. */
  shown = $state.raw<{ words: Words; palette: Palette }>();
  /** Names, slips and notes are hidden: others may see this screen. */
  covered = $state(sessionStorage.getItem('covered') === 'yes');
  /** How many changes are on their way that are not in the outbox. */
  saving = $state(0);
  /** What the live region says. */
  said = $state('');
  trouble = $state<Trouble>();
  shortcuts = $state(localStorage.getItem('shortcuts') !== 'off');
  /** Whether a key was pressed since the page was opened. */
  keyed = $state(false);

  /** Whether the signs of keys are shown: where there is a mouse, or keys are used. */
  get signs(): boolean {
    return this.shortcuts && (this.keyed || FINE.matches);
  }

  get words(): Words {
    return (this.shown ?? this.desk)!.words;
  }
  get palette(): Palette | undefined {
    return (this.shown ?? this.desk)?.palette;
  }

  get mayPresent(): boolean {
    return this.desk?.class.role === 'lead' || this.desk?.class.role === 'assistant';
  }
}

export const shared = new Shared();

/** Whether single keys act; kept on this device. */
export function setShortcuts(on: boolean): void {
  shared.shortcuts = on;
  localStorage.setItem('shortcuts', on ? 'on' : 'off');
}

/** Runs a request; being logged out shows the log-in in place of the view. */
export async function guarded<T>(request: Promise<T>): Promise<T> {
  try {
    return await request;
  } catch (error) {
    if (error instanceof Refused && error.trouble.status === 401) shared.me = null;
    throw error;
  }
}

/** Runs a change that is said to be on its way until it is answered. */
export async function saved<T>(request: Promise<T>): Promise<T> {
  shared.saving++;
  try {
    return await guarded(request);
  } finally {
    shared.saving--;
  }
}

export const troubleOf = (error: unknown): Trouble =>
  error instanceof Refused
    ? error.trouble
    : { type: 'about:blank', title: 'Something went wrong here', status: 0 };

export async function loadMe(): Promise<void> {
  try {
    shared.me = await api<Me>('GET', '/me');
  } catch (error) {
    shared.me = null;
    shared.trouble = troubleOf(error).status === 401 ? undefined : troubleOf(error);
  }
}

export async function loadDesk(classId: string): Promise<void> {
  try {
    shared.desk = await guarded(api<Desk>('GET', `/classes/${classId}`));
    shared.trouble = undefined;
  } catch (error) {
    shared.trouble = troubleOf(error);
  }
}

export const classPath = (path: string): string => `/classes/${shared.desk?.class.id}${path}`;

/** The address of a view of the class. */
export const view = (path: string): string => `/${shared.desk?.class.id}/${path}`;

/** Where a lesson goes on. */
export const lessonAddress = (l: LessonLink): string =>
  l.whole && l.stand !== 'gathering'
    ? `slates/${l.id}`
    : `${{ gathering: 'gather', mat: 'mat' }[l.stand] ?? 'record'}/${l.id}`;

/** Hides names, slips and notes on this screen, or shows them again; till the page is closed. */
export function cover(): void {
  shared.covered = !shared.covered;
  sessionStorage.setItem('covered', shared.covered ? 'yes' : 'no');
  shared.said = shared.covered ? 'Names are hidden' : 'Names are shown';
}

export function openClass(link: ClassLink): void {
  void replace(`/${link.id}/today`);
}

export async function logOut(): Promise<void> {
  await guarded(api('POST', '/logout'));
  shared.me = null;
  shared.desk = undefined;
  await replace('/');
}
