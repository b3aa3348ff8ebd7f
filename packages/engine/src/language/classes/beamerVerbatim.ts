import { endList } from '../constructs/lists';
import { finishRaw, rawLines, setLines } from '../constructs/verbatim';
import type { EnvironmentEntry } from '../machine/entries';

/** Signs that stand for themselves, as a source has to say them. */
const SIGNS: Readonly<Record<string, string>> = {
  '%': '\\%',
  $: '\\$',
  '&': '\\&',
  '#': '\\#',
  _: '{\\char95}',
  '^': '\\textasciicircum{}',
  '~': '\\textasciitilde{}',
  ' ': '~',
};

/** A line in which only a backslash and braces keep their meaning, as a source that prints it; two backslashes are one. */
export function semiverbatimSource(line: string): string {
  return line.replace(/\\\\|\\[A-Za-z]+|\\.|[%$&#_^~ ]/g, (sign) =>
    sign === '\\\\' ? '\\textbackslash{}' : (SIGNS[sign] ?? sign),
  );
}

/** Text as it is typed in which commands work: `\alert{…}`, `\{`, `\}`, `\\` for a backslash (beamer guide, section 12.9). */
export const semiverbatim: EnvironmentEntry = {
  name: 'semiverbatim',
  signature: '',
  description: 'Text as it is typed on a slide, but for commands and braces.',
  example:
    '\\begin{frame}[fragile]\n\\begin{semiverbatim}\nfor each \\alert{ferry}: leave\n\\end{semiverbatim}\n\\end{frame}',
  begin: (it) => {
    const lines = rawLines(it, 'semiverbatim');
    setLines(
      it,
      lines.map((line) =>
        it.inlinesBy(() => {
          it.changeFont({ family: 'mono' });
          it.execute(it.source(semiverbatimSource(line)));
        }),
      ),
    );
    finishRaw(it);
  },
  end: endList,
};
