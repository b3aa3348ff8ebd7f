export { Session, type CalendarDate, type OutlineEntry, type SessionHost } from './session/session';
export type { Finding, Fix, Severity } from './findings/finding';
export type { PageDescription } from './output/display/description';
export { pageText } from './output/display/text';
export { FONT_FILES, type FontFile } from './fonts/catalog';
export type { FontSource } from './fonts/store';
export { lineMap, positionAt } from './source/lines';
export { applyEdits, editBetween, type TextEdit } from './source/edits';
export type { Described } from './language/entries';
