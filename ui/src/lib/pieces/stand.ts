// Sets up a stage: in a worker, so that pieces go on while the page is at work, or in
// the page where the browser cannot draw elsewhere or the worker does not come.
import { Stage, type Show, type Shown } from './stage';
import address from './stage.worker?worker&url';

/** Fetches the worker's script ahead, for when the network is gone. */
export const fetchStage = (): Promise<unknown> => fetch(address);

export interface Stand {
  show: (show: Show) => void;
  end: () => void;
}

/** A stage on a canvas of its own in root; tell is as for a stage. */
export function stand(root: HTMLElement, tell: (shown: Shown) => void): Stand {
  let last: Show | undefined;
  let worker: Worker | undefined;
  let draw: (show: Show) => void;
  const inPage = (): void => {
    const stage = new Stage(canvasIn(root), tell);
    draw = (show) => stage.show(show);
    if (last) draw(last);
  };
  if ('transferControlToOffscreen' in HTMLCanvasElement.prototype) {
    const away = canvasIn(root).transferControlToOffscreen();
    const mine = new Worker(address, { type: 'module' });
    mine.onmessage = ({ data }: MessageEvent<Shown>) => tell(data);
    mine.onerror = () => {
      mine.terminate();
      inPage();
    };
    mine.postMessage(away, [away]);
    draw = (show) => mine.postMessage(show);
    worker = mine;
  } else inPage();
  return {
    show: (show) => {
      last = { ...show, sprites: show.sprites ?? last?.sprites };
      draw(show);
    },
    end: () => worker?.terminate(),
  };
}

function canvasIn(root: HTMLElement): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  root.replaceChildren(canvas);
  return canvas;
}
