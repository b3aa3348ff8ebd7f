/** What was read of a sheet, for those that read its mathematics further: node types alone. */
export type { BlockNode, Display, DisplayRow } from './blocks';
export type { Inline } from './inlines';
export type * from './math';
