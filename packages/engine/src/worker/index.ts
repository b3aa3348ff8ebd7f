export { WorkerHost, type WorkerSurroundings } from './host';
export type { BlockPlace, GlyphOutline, PageInfo, PageView, Request, Response } from './messages';
