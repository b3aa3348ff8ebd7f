import { finding, type Fix } from '../entry';
import { lineEnd, literal, one, takeOut } from '../mends';

/** Commands that formulas can do with an empty argument of. */
const IN_FORMULAS =
  /^(?:[dt]?frac|sqrt|[dt]?binom|math[a-z]+|text|hat|bar|vec|tilde|dot|over(?:line|set)|under(?:line|set))$/;

/** How far back the command of an argument is looked for. */
const NEAR = 300;

/** Commands in text whose argument is a word or a line. */
const SAYS_WORDS =
  /^(?:(?:sub)*section|(?:sub)?paragraph|chapter|text(?:bf|it|sc|tt|sf|rm|up|normal)|emph|underline|footnote|label|ref|eqref|cite|caption)$/;

function isInPreamble(text: string, at: number): boolean {
  const begun = text.indexOf('\\begin{document}');
  return begun < 0 || at < begun;
}

/**
 * The brace that is missing behind a command and before the words of its argument (`\usepackage[round]natbib}`);
 * in the preamble behind any, as no words stand there.
 */
function openedBefore(text: string, at: number): Fix | null {
  const start = Math.max(text.lastIndexOf('\n', at - 1) + 1, at - NEAR);
  const found =
    /\\([A-Za-z]+)\*?(?:\s*(?:\[[^[\]]*\]|\{[^{}]*\}))*\s*((?<![A-Za-z])[^{}[\]\\$\s][^{}[\]\\$]*)$/.exec(
      text.slice(start, at),
    );
  const [, name = '', words = ''] = found ?? [];
  if (words === '' || !(SAYS_WORDS.test(name) || isInPreamble(text, at))) return null;
  const from = at - words.length;
  return one(`Put { before ${words.split(/\s/)[0] ?? ''}`, from, from, '{');
}

/** Braces, arguments, comments and code. */
export const braces = {
  'argument-missing': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> needs something behind it that is missing.',
    cause: 'What it works on is written behind it in braces: \\<name>{…}.',
    mend: ({ text, from, args }) => {
      const name = args.name ?? '';
      const call = new RegExp(`^\\\\${name}(?:\\{[^{}]*\\}|\\[[^\\]]*\\])*`).exec(text.slice(from));
      const at = from + (call?.[0].length ?? 0);
      return call && IN_FORMULAS.test(name) ? one('Put {} there', at, at, '{}') : null;
    },
  }),
  'argument-unclosed': finding({
    severity: 'broken',
    args: ['name'],
    message: 'The { behind \\<name> is never closed.',
    cause: 'Each { needs a } of its own; here a blank line comes first.',
  }),
  'argument-empty': finding({
    severity: 'advice',
    args: ['name'],
    message: 'There is nothing in the braces of this \\<name>.',
    cause: 'What it is about is still to be written, or it can go.',
  }),
  'bracket-unclosed': finding({
    severity: 'broken',
    args: [],
    message: 'This [ is never closed.',
    cause: 'Options stand between [ and ], before the { of the name.',
  }),
  'braces-meant': finding({
    severity: 'broken',
    args: ['name'],
    message: 'What \\<name> works on is not in braces.',
    cause: 'It is written \\<name>{…}; without braces it is the first letter alone.',
  }),
  'group-unclosed': finding({
    severity: 'off',
    args: [],
    message: 'This { is never closed.',
    cause: 'Each { needs a } of its own.',
    mend: ({ text, from }) => {
      const end = lineEnd(text, from);
      return one('Close it at the end of the line', end, end, '}');
    },
  }),
  'brace-unclosed': finding({
    severity: 'broken',
    args: [],
    message: 'This { is never closed.',
    cause: 'Each { needs a } of its own, in the same formula, cell or environment.',
    mend: ({ text, from }) => {
      const end = lineEnd(text, from);
      return one('Close it at the end of the line', end, end, '}');
    },
  }),
  'brace-extra': finding({
    severity: 'broken',
    args: [],
    message: 'This } closes nothing.',
    cause: 'There is one } too many, or the { before it is missing.',
    // Before another argument it ends one whose beginning is missing.
    mend: ({ text, from, to }) =>
      text[to] === '{' || text.slice(from, to) !== '}'
        ? null
        : (openedBefore(text, from) ?? takeOut({ from, to })),
  }),
  'comment-swallows': finding({
    severity: 'broken',
    args: ['what'],
    message: 'This % makes a comment of the rest of the line, the <what> in it too.',
    cause: 'What stands behind a % is not read. To print the sign, write \\%.',
  }),
  'comment-after-number': finding({
    severity: 'off',
    args: [],
    message: 'What stands behind this % on its line is not printed.',
    cause: 'A % starts a comment. To print the sign, write \\%.',
  }),
  'verb-unclosed': finding({
    severity: 'broken',
    args: ['open'],
    message: 'This \\verb is never closed: its second <open> is missing in this line.',
    cause: 'What is printed as it is typed stands between two equal characters, on one line.',
    mend: ({ text, from, args }) => {
      const end = text.indexOf('\n', from);
      const at = end < 0 ? text.length : end;
      return one('Close it at the end of the line', at, at, args.open ?? '|');
    },
  }),
  'parameter-character': finding({
    severity: 'broken',
    args: [],
    message: 'A # cannot stand here by itself.',
    cause: '# marks the arguments in a definition. To print one, write \\#.',
    mend: literal('#'),
  }),
};
