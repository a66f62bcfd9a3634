// Sets up a stage: in a worker, so that pieces go on while the page is at work, or in
// the page where the browser cannot draw elsewhere.
import { Stage, type Show, type Shown } from './stage';

export interface Stand {
  show: (show: Show) => void;
  end: () => void;
}

/** The stage on a canvas that has no picture yet; tell is as for a stage. */
export function stand(canvas: HTMLCanvasElement, tell: (shown: Shown) => void): Stand {
  if (!('transferControlToOffscreen' in canvas)) {
    const stage = new Stage(canvas, tell);
    return { show: (show) => stage.show(show), end: () => undefined };
  }
  const worker = new Worker(new URL('./stage.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<Shown>) => tell(data);
  const away = canvas.transferControlToOffscreen();
  worker.postMessage(away, [away]);
  return { show: (show) => worker.postMessage(show), end: () => worker.terminate() };
}
