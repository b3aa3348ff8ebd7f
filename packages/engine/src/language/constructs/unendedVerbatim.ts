import { editDistance } from '../../base/nearest';
import type { OpenEnvironment } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';

/** What begins again with the sheet itself: a command of structure at the start of a line, or a paragraph of words. */
const SHEET_AGAIN =
  /\n[ \t]*\\(?:begin|end|(?:sub)*section|chapter|paragraph|item|\[|maketitle|newpage|clearpage)(?![A-Za-z])|\n[ \t]*(?=\n[A-Z][a-z]*(?:[ \n]+[A-Za-z,.'$\\]+){3,})/;

/**
 * Text as it is typed whose `\end` never came: it ends where a near-miss of that stands, or where
 * the sheet goes on; what was read behind it is read again.
 *
 * @param text what was taken, up to the end of the file.
 */
export function unendedLines(
  it: Interpreter,
  { span }: OpenEnvironment,
  name: string,
  text: string,
): string {
  const { reader } = it.p;
  const start = reader.pos - text.length;
  const at = (index: number): number => start + index - reader.base;
  const near = /\\end\s*\{([^{}\n]*)\}/.exec(text);
  const [whole = '', found = ''] = near ?? [];
  if (near && found !== 'document' && editDistance(found, name, 2) <= 2) {
    const from = at(near.index);
    const to = from + whole.length;
    const edits = [{ from, to, text: `\\end{${name}}` }];
    const args = { found: whole, expected: name };
    it.p.report('begin-end-mismatch', { from, to }, args, { title: `Write ${name}`, edits });
    reader.jump(start + near.index + whole.length);
    return text.slice(0, near.index);
  }
  const end = SHEET_AGAIN.exec(text)?.index ?? text.length;
  const here = at(end);
  const edits = [{ from: here, to: here, text: `\n\\end{${name}}` }];
  it.p.report('environment-unclosed', span, { name }, { title: `End ${name} here`, edits });
  reader.jump(start + end);
  return text.slice(0, end);
}
