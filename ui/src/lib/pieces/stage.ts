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
const GOING = 450;

const SVG = 'http://www.w3.org/2000/svg';

interface Kept {
  element: SVGSVGElement;
  use: SVGUseElement;
  href: string;
  spot: Spot & { place: string }; // where it lies
  transform: string;
  size: string;
  gone: string;
}

/** So many pieces set off in one frame. */
const TOGETHER = 10;

/** The pieces in their order, so many at a time. */
function waves(pieces: Placed[]): Placed[][] {
  const out: Placed[][] = [];
  for (let i = 0; i < pieces.length; i += TOGETHER) out.push(pieces.slice(i, i + TOGETHER));
  return out;
}

export class Stage {
  readonly #kept = new Map<string, Kept>();
  readonly #going = new Map<string, SVGSVGElement>();
  readonly #ready = new Map<string, Kept>();
  #waits = 0; // the frame in which the next ten are set
  #drawn = false;

  constructor(private readonly root: HTMLElement) {}

  /** Shows these pieces, those farther back first. */
  draw(pieces: Placed[], look: Look): void {
    const here = new Set(pieces.map((p) => p.id));
    const gone: [string, SVGSVGElement][] = [];
    for (const [id, kept] of this.#kept) {
      if (here.has(id)) continue;
      this.#leave(id, kept, look);
      gone.push([id, kept.element]);
    }
    if (gone.length && look.moving)
      window.setTimeout(() => gone.forEach(([id, element]) => this.#return(id, element)), GOING);
    window.cancelAnimationFrame(this.#waits);
    this.#wave(waves(pieces), look, null);
    this.#drawn = true;
  }

  /**
   * Sets ten after ten, from the front to the back, those that move in a frame of
   * their own: sixty pieces at once are more than a slow machine starts in one.
   */
  #wave(left: Placed[][], look: Look, before: Element | null): void {
    let next = before;
    while (left.length) {
      let moved = false;
      for (const p of left.pop()!.toReversed()) {
        const kept = this.#of(p, look, next);
        moved = this.#set(kept, p, look) || moved;
        next = kept.element;
      }
      if (moved && look.moving && left.length) {
        this.#waits = window.requestAnimationFrame(() => this.#wave(left, look, next));
        return;
      }
    }
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
    return { element, use, href: '', spot: p, transform: '', size: '', gone: '' };
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

  /** Tells whether the piece moves. */
  #set(kept: Kept, p: Placed, look: Look): boolean {
    const href = `#${picture(look.material, p.place, p.order)}`;
    const size = `${look.unit} ${look.hand} ${p.place}`;
    // On whole pixels: what lies between them is blurred.
    const transform = `translate(${Math.round(p.x)}px, ${Math.round(p.y)}px)`;
    const moves = kept.transform !== transform;
    kept.spot = p;
    if (kept.href !== href) kept.use.setAttribute('href', (kept.href = href));
    if (kept.size !== size) this.#size(kept, size, p, look);
    if (moves) kept.element.style.transform = kept.transform = transform;
    if (kept.gone !== (p.gone ?? '')) this.#cross(kept, p, look);
    return moves;
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
    this.#way(element, kept.spot, look);
    element.setAttribute('class', `piece ${kept.spot.place} going`);
    this.#going.set(id, element);
  }

  /** Takes away what was going: it has gone, or it comes again. */
  #return(id: string, element = this.#going.get(id)): void {
    if (!element || this.#going.get(id) !== element) return;
    element.remove();
    this.#going.delete(id);
  }
}
