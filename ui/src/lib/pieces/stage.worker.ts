// The stage away from the page: the canvas comes first, then what it is to show.
import { Stage, type Show } from './stage';

let stage: Stage;

self.onmessage = ({ data }: MessageEvent<OffscreenCanvas | Show>) => {
  if (data instanceof OffscreenCanvas) stage = new Stage(data, (shown) => self.postMessage(shown));
  else stage.show(data);
};
