// The class's window: it is opened by a code, without a log-in, and follows the guide's lesson
// by the server's stream. After each time that it was cut off it reads the whole state again.
import { api, Refused } from '../../lib/api';
import { shared } from '../../lib/state.svelte';
import type { Moment, Projector, Trouble } from '../../lib/wire.gen';

const PASS = 'projector-pass'; // of this window alone, so that a reload goes on
const AGAIN_MS = 2000;

export class ClassWindow {
  state = $state.raw<Projector>();
  moment = $state.raw<Moment>();
  trouble = $state<Trouble>();
  /** False while the server is not heard. */
  heard = $state(true);
  /** How often the flash was shown when the state was read: those are over. */
  over = $state(0);
  #source?: EventSource;
  #again?: ReturnType<typeof setTimeout>;
  #reading = false;
  #anew = false;

  get known(): boolean {
    return sessionStorage.getItem(PASS) !== null;
  }

  /** Opens the window by a code, or as it was open before the page was loaded again. */
  async open(code?: string): Promise<void> {
    const word = code ?? sessionStorage.getItem(PASS);
    if (!word) return;
    if (!(await this.#read(word))) {
      // The server may be away: what was refused for the code itself is not tried again.
      if (this.trouble?.status !== 404 && this.trouble?.status !== 429 && this.known) this.#later();
      return;
    }
    this.#follow();
  }

  async #read(word: string): Promise<boolean> {
    try {
      const read = await api<Projector>('GET', `/projector/${encodeURIComponent(word)}`);
      sessionStorage.setItem(PASS, read.pass);
      shared.shown = read;
      this.state = read;
      this.moment = read.moment;
      this.over = read.moment.shown;
      this.trouble = undefined;
      this.heard = true;
      return true;
    } catch (error) {
      this.trouble = error instanceof Refused ? error.trouble : undefined;
      if (this.trouble?.status === 404) this.#shut();
      else this.heard = false;
      return false;
    }
  }

  /** The code was renewed: this window opens nothing more. */
  #shut(): void {
    sessionStorage.removeItem(PASS);
    this.#source?.close();
    this.state = this.moment = undefined;
  }

  #follow(): void {
    this.#source?.close();
    const source = new EventSource(`/api/projector/${this.state!.pass}/events`);
    this.#source = source;
    let first = true;
    source.addEventListener('moment', (e) => {
      const moment = JSON.parse(String(e.data)) as Moment;
      this.heard = true;
      if (first) void this.#anewNow();
      else this.#hear(moment);
      first = false;
    });
    source.addEventListener('error', () => {
      this.heard = false;
      first = true;
      if (source.readyState === EventSource.CLOSED && source === this.#source) this.#later();
    });
  }

  #later(): void {
    clearTimeout(this.#again);
    this.#again = setTimeout(() => void this.open(), AGAIN_MS);
  }

  #hear(moment: Moment): void {
    const now = this.moment;
    const { lesson } = this.state ?? {};
    const same =
      now &&
      moment.lesson === now.lesson &&
      moment.nth === now.nth &&
      moment.stand === now.stand &&
      moment.material === now.material &&
      (!lesson?.steps.length || lesson.steps.some((s) => s.at === moment.at)) &&
      (moment.pace !== '') === !!lesson?.round;
    if (same) this.moment = moment;
    else void this.#anewNow();
  }

  /** Reads all again; once more where something came while it was read. */
  async #anewNow(): Promise<void> {
    if (this.#reading) {
      this.#anew = true;
      return;
    }
    this.#reading = true;
    do {
      this.#anew = false;
      await this.#read(this.state?.pass ?? sessionStorage.getItem(PASS) ?? '');
    } while (this.#anew);
    this.#reading = false;
  }

  close(): void {
    clearTimeout(this.#again);
    this.#source?.close();
  }
}
