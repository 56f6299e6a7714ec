import { expose } from 'comlink';
import { checkLine } from '@core/method/frame/outOfLine';

/** Looks whether a photo lies out of line, away from the page's own thread. */
const api = { checkLine };

export type AlignWorker = typeof api;

expose(api);
