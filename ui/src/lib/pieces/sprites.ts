// Pictures of pieces for a canvas, painted once each from the same signs that the
// shelf and the lists use (Defs.svelte), in the colours that hold at that moment.
import { picture, ROUND } from './drawn';
import { boxOf, handOf, PIECES } from './units';

/** How far a picture reaches beyond the box of its piece, in units. */
const BEYOND = 1;

export interface Sprites {
  readonly margin: number; // how far each reaches beyond its box, in pixels of the screen
  readonly of: Record<string, ImageBitmap>; // by the id of the picture
}

/** All pictures of a material; scale: how many pixels of the screen a unit has. */
export async function sprites(material: string, scale: number): Promise<Sprites> {
  const margin = Math.ceil(BEYOND * scale);
  const all = PIECES.flatMap((place) => {
    const box = boxOf(place, handOf(material));
    const ids = new Set(Array.from({ length: ROUND }, (_, nth) => picture(material, place, nth)));
    return [...ids].map(async (id) => {
      const sheet = document.createElement('canvas');
      sheet.width = Math.ceil(box.width * scale) + 2 * margin;
      sheet.height = Math.ceil(box.height * scale) + 2 * margin;
      const pen = sheet.getContext('2d')!;
      pen.translate(margin, margin);
      pen.scale(scale, scale);
      paint(pen, document.getElementById(id));
      return [id, await createImageBitmap(sheet)] as const;
    });
  });
  return { margin, of: Object.fromEntries(await Promise.all(all)) };
}

/** Paints an element of a picture, and those in it; throws on a kind that no sign has. */
function paint(pen: CanvasRenderingContext2D, element: Element | null): void {
  if (!(element instanceof SVGGraphicsElement)) throw new Error('there is no such picture');
  pen.save();
  const matrix = element.transform.baseVal.consolidate()?.matrix;
  if (matrix) pen.transform(matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f);
  if (element instanceof SVGGElement) for (const part of element.children) paint(pen, part);
  else if (element instanceof SVGUseElement)
    paint(pen, document.querySelector(element.href.baseVal));
  else fill(pen, element, outline(element));
  pen.restore();
}

function outline(element: Element): Path2D {
  const is = (name: string): number => Number(element.getAttribute(name) ?? 0);
  const path = new Path2D(element.getAttribute('d') ?? '');
  if (element instanceof SVGRectElement)
    path.roundRect(is('x'), is('y'), is('width'), is('height'), is('rx'));
  else if (element instanceof SVGCircleElement) path.arc(is('cx'), is('cy'), is('r'), 0, 7);
  else if (!(element instanceof SVGPathElement))
    throw new Error(`a sign has no ${element.tagName}`);
  return path;
}

function fill(pen: CanvasRenderingContext2D, element: Element, path: Path2D): void {
  const style = getComputedStyle(element);
  pen.globalAlpha = Number(style.opacity);
  if (style.fill !== 'none') {
    pen.fillStyle = style.fill;
    pen.fill(path);
  }
  if (style.stroke === 'none') return;
  pen.strokeStyle = style.stroke;
  pen.lineWidth = parseFloat(style.strokeWidth);
  pen.lineCap = style.strokeLinecap as CanvasLineCap;
  pen.lineJoin = style.strokeLinejoin as CanvasLineJoin;
  pen.stroke(path);
}
