import { partnerOf, partsNamed, shapeOf } from '@odd-compass/engine/shape';
import { withoutComments } from './structure';

/** Commands whose lines say how formulas look. */
const LOOKS =
  /^\s*\\(usepackage|newcommand|renewcommand|providecommand|DeclareMathOperator|DeclarePairedDelimiter|def|let|newcolumntype|DeclareMathAlphabet)\b/;
/** Packages that set the page, which a picture of a formula has its own of. */
const PAGE = /\{[^}]*\b(geometry|fullpage|fancyhdr|setspace|hyperref|titlesec|parskip)\b[^}]*\}/;

/** The lines of the preamble that a formula needs to look as it does on the page. */
export function lookingLines(text: string): string {
  const end = text.indexOf('\\begin{document}');
  const lines = withoutComments(end < 0 ? '' : text.slice(0, end)).split('\n');
  return lines.filter((line) => LOOKS.test(line) && !PAGE.test(line) && balanced(line)).join('\n');
}

/** A definition over several lines is left out: half of one would break everything. */
function balanced(line: string): boolean {
  const shape = shapeOf(line);
  return [...partsNamed(shape, 'open'), ...partsNamed(shape, 'close')].every(
    (part) => partnerOf(shape, part) !== null,
  );
}

/** Lines that stand before the text: the title and the lists of what is in it. */
const BEFORE_TEXT =
  /^(?:[ \t]*(?:\\(?:maketitle|tableofcontents|frontmatter|(?:this)?pagestyle\{[^{}]*\}))?[ \t]*(?:%.*)?\n)+/;

/** Where the text of a source begins: behind the title of a whole document, at the start of a part. */
export function startOfText(source: string): number {
  const begin = partsNamed(shapeOf(source), 'begin').find(({ name }) => name === 'document');
  if (!begin) return 0;
  const line = source.indexOf('\n', begin.from);
  if (line < 0) return source.length;
  const lead = BEFORE_TEXT.exec(source.slice(line + 1))?.[0].length ?? 0;
  return line + 1 + lead;
}
