/** What those who draw or read pages of a description need. */
export { cssColour, opacityOf, rgbOf, type Paint } from '../../base/paint';
export { pictureParts } from '../../base/pictureNames';
export type { PageDescription } from './description';
export { sameLine } from './compare';
export { COLUMN_NAMES, COLUMNS, type ColumnName } from './schema';
export {
  lineCount,
  NO_PORT,
  runsOfLine,
  walkLine,
  walkPage,
  type GlyphRun,
  type PagePath,
  type PagePicture,
  type PagePort,
  type PageRule,
  type Pen,
} from './walk';
