export { WorkerHost, type WorkerSurroundings } from './host';
export type {
  BlockPlace,
  FileAddress,
  GlyphOutline,
  LabelFact,
  PageInfo,
  PageRange,
  PageView,
  ReadingPart,
  Request,
  Response,
} from './messages';
export type { Word } from '../session/vocabulary';
export type { Glimpse } from '../session/glimpse';
export type { FoundPlace, FoundSpan } from '../session/findText';
