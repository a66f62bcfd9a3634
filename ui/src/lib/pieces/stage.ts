// The pieces on the mat, drawn on one canvas, away from the page where the browser can
// (stage.worker.ts): a full mat has more than sixty, all under way at once when trays
// are pushed together, and they go on while the page takes in the step.
import { cubicOut } from 'svelte/easing';
import { cross, picture } from './drawn';
import type { Placed } from './scene';
import type { Sprites } from './sprites';
import { boxOf, type Hand, type Spot } from './units';

/** How pieces look; it can be sent to a worker. */
export interface Look {
  unit: number;
  material: string;
  hand: Hand;
  moving: boolean;
  store: Record<string, Spot>; // where the pieces of a place come from and go
  width: number; // of the mat, px
  height: number;
  density: number; // pixels of the screen in a px
  inks: Record<'taken' | 'given', string>; // what crosses out
}

/** What the stage is to show. The sprites come with what is shown first in them. */
export interface Show {
  nth: number; // told with what comes of it
  pieces: Placed[]; // those farther back first
  look: Look;
  sprites?: Sprites;
}

/** What the stage shows: pieces in all, those crossed out, those under way. */
export interface Shown {
  nth: number;
  lying: number;
  taken: number;
  given: number;
  under: number;
  longest: number; // ms between two frames on the way
}

/** How long a piece is under way, in ms. */
const TRAVEL = 500;
const FETCH = 450;

/** A piece that counts no more is so much seen. */
const PALE = 0.5;

/** The line of a cross, in units. */
const CROSS = 0.42;

interface Pose extends Spot {
  seen: number; // 0 to 1
}

interface Body {
  piece: Placed;
  pose: Pose; // as last drawn
  from: Pose;
  to: Pose;
  lasts: number; // ms
  begun: number | undefined; // undefined before its first frame
  way: number; // how much of the way it has gone, 0 to 1
  leaving: boolean;
}

export class Stage {
  #bodies = new Map<string, Body>(); // in the order in which they are drawn
  #nth = 0;
  #look?: Look;
  #sprites?: Sprites;
  #waits = 0;
  #before = 0; // the time of the frame before; 0 where pieces set off
  #longest = 0;
  readonly #pen: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

  /** Tells what is shown when pieces set off and when they have come to rest. */
  constructor(
    private readonly canvas: HTMLCanvasElement | OffscreenCanvas,
    private readonly tell: (shown: Shown) => void,
  ) {
    this.#pen = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
  }

  show({ nth, pieces, look, sprites }: Show): void {
    const cut = !look.moving || !!sprites;
    const bodies = new Map<string, Body>();
    for (const p of pieces) bodies.set(p.id, this.#come(p, look, cut));
    if (!cut)
      for (const [id, body] of this.#bodies) if (!bodies.has(id)) bodies.set(id, leave(body, look));
    this.#bodies = bodies;
    this.#nth = nth;
    this.#before = this.#longest = 0;
    this.#look = look;
    this.#sprites = sprites ?? this.#sprites;
    if (!cut) this.tell(this.#shown());
    cancelAnimationFrame(this.#waits);
    this.#waits = requestAnimationFrame(this.#frame);
  }

  #come(piece: Placed, look: Look, cut: boolean): Body {
    const known = this.#bodies.get(piece.id);
    // On whole pixels: what lies between them is blurred.
    const to = { x: Math.round(piece.x), y: Math.round(piece.y), seen: 1 };
    if (cut) return move(piece, to, to, 0);
    if (!known) return move(piece, away(piece, look), to, FETCH);
    const same = known.to.x === to.x && known.to.y === to.y && !known.leaving;
    return same ? { ...known, piece } : move(piece, known.pose, to, TRAVEL);
  }

  readonly #frame = (now: number): void => {
    const look = this.#look!;
    if (this.#before) this.#longest = Math.max(this.#longest, now - this.#before);
    this.#before = now;
    const width = Math.round(look.width * look.density);
    const height = Math.round(look.height * look.density);
    if (this.canvas.width !== width || this.canvas.height !== height)
      Object.assign(this.canvas, { width, height });
    else this.#pen.clearRect(0, 0, width, height);
    let under = false;
    for (const [id, body] of this.#bodies) {
      along(body, now);
      this.#put(body, look);
      if (body.way < 1) under = true;
      else if (body.leaving) this.#bodies.delete(id);
    }
    if (under) this.#waits = requestAnimationFrame(this.#frame);
    else this.tell(this.#shown());
  };

  #shown(): Shown {
    const all = [...this.#bodies.values()];
    const gone = (how: string): number => all.filter((b) => b.piece.gone === how).length;
    const under = all.filter((b) => b.way < 1).length;
    const [taken, given] = [gone('taken'), gone('given')];
    const [nth, longest] = [this.#nth, this.#longest];
    return { nth, lying: all.length, taken, given, under, longest };
  }

  #put({ piece, pose }: Body, look: Look): void {
    const { density, unit } = look;
    const { margin, of } = this.#sprites!;
    const pen = this.#pen;
    const x = Math.round(pose.x * density);
    const y = Math.round(pose.y * density);
    pen.globalAlpha = pose.seen * (piece.gone ? PALE : 1);
    const sprite = of[picture(look.material, piece.place, piece.order)]!;
    pen.drawImage(sprite, x - margin, y - margin);
    if (!piece.gone || piece.gone === 'ringed') return;
    const box = boxOf(piece.place, look.hand);
    pen.globalAlpha = pose.seen;
    pen.setTransform(unit * density, 0, 0, unit * density, x, y);
    pen.strokeStyle = look.inks[piece.gone];
    pen.lineWidth = CROSS;
    pen.lineCap = 'round';
    const stroke = cross(box.width, box.height, piece.order, piece.gone === 'given');
    pen.stroke(new Path2D(stroke));
    pen.resetTransform();
  }
}

const move = (piece: Placed, from: Pose, to: Pose, lasts: number): Body => ({
  piece,
  pose: from,
  from,
  to,
  lasts,
  begun: undefined,
  way: lasts ? 0 : 1,
  leaving: false,
});

/** Where a piece comes from or goes to, unseen; what is drawn stays where it is. */
function away(piece: Placed, look: Look): Pose {
  const at = look.hand === 'drawn' ? piece : look.store[piece.place]!;
  return { x: at.x, y: at.y, seen: 0 };
}

const leave = (body: Body, look: Look): Body =>
  body.leaving
    ? body
    : { ...move(body.piece, body.pose, away(body.piece, look), FETCH), leaving: true };

/** Moves a body along its way. */
function along(body: Body, now: number): void {
  body.begun ??= now;
  if (body.way < 1) body.way = Math.min(1, (now - body.begun) / body.lasts);
  const { from, to } = body;
  const t = cubicOut(body.way);
  body.pose = {
    x: from.x + (to.x - from.x) * t,
    y: from.y + (to.y - from.y) * t,
    seen: from.seen + (to.seen - from.seen) * t,
  };
}
