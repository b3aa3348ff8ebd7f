import type { RawFinding } from '../findings/finding';
import { CELLS } from '../language/parameters';
import type { SourceReading } from './reading';

/** Findings about the document as a whole, with offsets into the file. */
export function documentFindings(reading: SourceReading): RawFinding[] {
  const { text } = reading;
  const end = text.length;
  if (text.trim() === '') return [];
  if (reading.finalValue(CELLS.inDocument) === true) {
    const missing = reading.finalValue(CELLS.classMissing) === true ? [classMissing] : [];
    if (reading.ended) return missing;
    const fix = {
      title: 'Add \\end{document}',
      edits: [{ from: end, to: end, text: '\n\\end{document}\n' }],
    };
    return [
      ...missing,
      { code: 'document-end-missing', from: Math.max(0, end - 1), to: end, args: {}, fix },
    ];
  }
  const fix = {
    title: 'Add \\begin{document} and \\end{document}',
    edits: [{ from: end, to: end, text: '\n\\begin{document}\n\n\\end{document}\n' }],
  };
  return [{ code: 'document-begin-missing', from: Math.max(0, end - 1), to: end, args: {}, fix }];
}

const classMissing: RawFinding = {
  code: 'class-missing',
  from: 0,
  to: 1,
  args: {},
  fix: {
    title: 'Add \\documentclass{article}',
    edits: [{ from: 0, to: 0, text: '\\documentclass{article}\n' }],
  },
};
