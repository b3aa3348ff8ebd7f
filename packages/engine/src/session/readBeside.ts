import type { BlockNode } from '../document/blocks';
import type { FontSource } from '../fonts/store';
import { NO_FILES } from './files';
import { Session, type CalendarDate } from './session';

/** A formula that does not stand in the text, with the lines that load what it needs. */
export interface BesideFormula {
  readonly formula: string;
  readonly preamble: string;
}

/** Reads formulas (without their marks) as if they stood in a text of their own; places in them mean nothing. */
export function readBeside(
  { formula, preamble }: BesideFormula,
  fonts: FontSource,
  today: CalendarDate,
): readonly BlockNode[] {
  const session = new Session({ fonts, today, files: NO_FILES });
  session.setText(
    `\\documentclass{article}${preamble}\n\\begin{document}\n$${formula}$\n\\end{document}`,
  );
  return session.written().flatMap(({ nodes }) => nodes);
}
