import type { RawFinding } from '../findings/finding';
import { CELLS } from '../language/parameters';
import type { SourceReading } from './reading';

/** Findings about the document as a whole, with offsets into the file. */
export function documentFindings(reading: SourceReading): RawFinding[] {
  const { text } = reading;
  const end = text.length;
  if (text.trim() === '') return [];
  if (reading.finalValue(CELLS.inDocument) === true) {
    if (reading.ended) return [];
    const fix = { title: 'Add \\end{document}', edits: [{ from: end, to: end, text: '\n\\end{document}\n' }] };
    return [{ code: 'document-end-missing', from: Math.max(0, end - 1), to: end, args: {}, fix }];
  }
  const fix = {
    title: 'Add \\begin{document} and \\end{document}',
    edits: [{ from: end, to: end, text: '\n\\begin{document}\n\n\\end{document}\n' }],
  };
  return [{ code: 'document-begin-missing', from: Math.max(0, end - 1), to: end, args: {}, fix }];
}
