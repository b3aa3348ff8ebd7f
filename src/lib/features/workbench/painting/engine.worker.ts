import { WorkerHost, type Request, type Response } from '@odd-compass/engine/worker';
import { afterPaint } from '../afterPaint';
import { Painter, type PaintRequest } from './painter';
import { turns } from './turns';

/**
 * The engine in a thread of the browser, and the painter of its pages; see the engine's `worker`
 * room for what it says and hears.
 */
const scope = self as unknown as {
  postMessage(response: Response, transfer: ArrayBuffer[]): void;
  onmessage: ((event: MessageEvent<Request | PaintRequest>) => void) | null;
};
let fontBase = '/fonts/';

const painter = new Painter();
let onScreen: (() => void)[] = [];
const screen = afterPaint(() => {
  const heard = onScreen;
  onScreen = [];
  for (const resolve of heard) resolve();
});

const host = new WorkerHost({
  fetchFont: async (file) => {
    const answer = await fetch(`${fontBase}${file}.otf`);
    if (!answer.ok) throw new Error(`the font ${file} did not come`);
    return new Uint8Array(await answer.arrayBuffer());
  },
  fetchFile: async (address) => {
    const answer = await fetch(address).catch(() => null);
    return answer?.ok ? new Uint8Array(await answer.arrayBuffer()) : null;
  },
  decode: (bytes) => new TextDecoder('utf-8').decode(bytes),
  post: (response, transfer) => scope.postMessage(response, transfer),
  paint: (pages, outlines) => painter.show(pages, outlines),
  painted: () =>
    new Promise((resolve) => {
      onScreen.push(resolve);
      screen.ask();
    }),
  turn: turns(),
  now: () => performance.now(),
});

scope.onmessage = (event) => {
  const request = event.data;
  switch (request.kind) {
    case 'canvas':
    case 'canvas-page':
    case 'canvas-gone':
    case 'picture':
      return painter.take(request);
    case 'open':
      fontBase = request.fontBase;
  }
  void host.take(request);
};
