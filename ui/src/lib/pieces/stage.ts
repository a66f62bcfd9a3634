// The pieces on the mat as elements, each moved by the style sheet alone. A full mat
// has more than sixty, and a step must be taken in within a frame on a slow machine:
// so they are kept here by name, and only what has changed is touched.
import { cross, picture } from './drawn';
import type { Placed } from './scene';
import { boxOf, type Hand, type Spot } from './units';

export interface Look {
  unit: number;
  material: string;
  hand: Hand;
  moving: boolean;
  store: (place: string) => Spot; // where a piece comes from and goes
}

/** How long a piece takes to go, in ms; the style sheet says the same. */
export const GOING = 450;

const SVG = 'http://www.w3.org/2000/svg';

interface Kept {
  element: SVGSVGElement;
  use: SVGUseElement;
  href: string;
  transform: string;
  size: string;
  gone: string;
}

export class Stage {
  readonly #kept = new Map<string, Kept>();
  readonly #going = new Map<string, { element: SVGSVGElement; timer: number }>();
  readonly #ready = new Map<string, Kept>();
  #drawn = false;

  constructor(private readonly root: HTMLElement) {}

  /** Shows these pieces, those farther back first. */
  draw(pieces: Placed[], look: Look): void {
    const here = new Set(pieces.map((p) => p.id));
    for (const [id, kept] of this.#kept) if (!here.has(id)) this.#leave(id, kept, look);
    let next: Element | null = null; // from the front to the back
    for (let i = pieces.length - 1; i >= 0; i--) {
      const kept = this.#of(pieces[i]!, look, next);
      this.#set(kept, pieces[i]!, look);
      next = kept.element;
    }
    this.#drawn = true;
  }

  /** Makes the elements of pieces to come, while nothing else is to be done. */
  prepare(pieces: Placed[], look: Look): void {
    for (const p of pieces) {
      if (this.#kept.has(p.id) || this.#ready.has(p.id)) continue;
      const kept = this.#make(p);
      this.#set(kept, p, look);
      this.#ready.set(p.id, kept);
    }
  }

  #make(p: Placed): Kept {
    const element = document.createElementNS(SVG, 'svg');
    const use = document.createElementNS(SVG, 'use');
    element.setAttribute('aria-hidden', 'true');
    element.setAttribute('class', `piece ${p.place}`);
    element.append(use);
    return { element, use, href: '', transform: '', size: '', gone: '' };
  }

  #of(p: Placed, look: Look, before: Element | null): Kept {
    const known = this.#kept.get(p.id);
    if (known) return known;
    this.#return(p.id);
    const kept = this.#ready.get(p.id) ?? this.#make(p);
    this.#ready.delete(p.id);
    if (this.#drawn && look.moving) {
      this.#way(kept.element, p, look);
      kept.element.classList.add('coming');
    }
    this.root.insertBefore(kept.element, before);
    this.#kept.set(p.id, kept);
    return kept;
  }

  #set(kept: Kept, p: Placed, look: Look): void {
    const href = `#${picture(look.material, p.place, p.order)}`;
    const size = `${look.unit} ${look.hand} ${p.place}`;
    // On whole pixels: what lies between them is blurred.
    const transform = `translate(${Math.round(p.x)}px, ${Math.round(p.y)}px)`;
    if (kept.href !== href) kept.use.setAttribute('href', (kept.href = href));
    if (kept.size !== size) this.#size(kept, size, p, look);
    if (kept.transform !== transform) kept.element.style.transform = kept.transform = transform;
    if (kept.gone !== (p.gone ?? '')) this.#cross(kept, p, look);
  }

  #size(kept: Kept, size: string, p: Placed, look: Look): void {
    kept.size = size;
    const box = boxOf(p.place, look.hand);
    kept.element.setAttribute('width', String(box.width * look.unit));
    kept.element.setAttribute('height', String(box.height * look.unit));
    kept.element.setAttribute('viewBox', `0 0 ${box.width} ${box.height}`);
  }

  /** Drawn, what counts no more is pale, and crossed out unless it is ringed. */
  #cross(kept: Kept, p: Placed, look: Look): void {
    kept.gone = p.gone ?? '';
    kept.element.classList.toggle('gone', kept.gone !== '');
    kept.element.querySelector('path')?.remove();
    if (!p.gone || p.gone === 'ringed') return;
    const box = boxOf(p.place, look.hand);
    const path = document.createElementNS(SVG, 'path');
    path.setAttribute('class', `cross ${p.gone}`);
    path.setAttribute('d', cross(box.width, box.height, p.order, p.gone === 'given'));
    kept.element.append(path);
  }

  /** The way from the store's board, or to it; what is drawn appears where it is. */
  #way(element: SVGSVGElement, p: Spot & { place: string }, look: Look): void {
    if (look.hand === 'drawn') return;
    const from = look.store(p.place);
    element.style.setProperty('--x', `${from.x - p.x}px`);
    element.style.setProperty('--y', `${from.y - p.y}px`);
  }

  #leave(id: string, kept: Kept, look: Look): void {
    this.#kept.delete(id);
    const { element } = kept;
    if (!look.moving) return element.remove();
    const at = element.style.transform.match(/-?[\d.]+/g)?.map(Number) ?? [0, 0];
    const place = id.slice(0, id.lastIndexOf('-'));
    this.#way(element, { place, x: at[0]!, y: at[1]! }, look);
    element.classList.remove('coming');
    element.classList.add('going');
    const timer = window.setTimeout(() => this.#return(id), GOING);
    this.#going.set(id, { element, timer });
  }

  /** Takes away what was going: it has gone, or it comes again. */
  #return(id: string): void {
    const going = this.#going.get(id);
    if (!going) return;
    window.clearTimeout(going.timer);
    going.element.remove();
    this.#going.delete(id);
  }
}
