import { groupsIn } from '../scanning/optionLists';
import { expandTokens, tokensText } from '../../expansion/tokenText';
import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { comparedText } from '../constructs/knownPages';
import { tokensOf, type Args, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, sourceCommand } from '../machine/macroEntry';

/** An argument as text, its macros expanded. */
const text = (it: Interpreter, args: Args, i: number): string =>
  comparedText(it.p, tokensOf(args, i));
const number = (it: Interpreter, args: Args, i: number): number =>
  parseInt(text(it, args, i), 10) || 0;

/** A test of two texts, with what is done if it holds and if not. */
function test(
  name: string,
  signature: string,
  description: string,
  example: string,
  holds: (...texts: readonly string[]) => boolean,
): CommandEntry {
  const count = signature.replace(/[so]/g, '').length - 2;
  const offset = signature.length - count - 2;
  return {
    name,
    signature,
    description,
    example,
    run: (it, args) => {
      const texts = Array.from({ length: count }, (_, i) => text(it, args, offset + i));
      it.p.push(tokensOf(args, offset + count + (holds(...texts) ? 0 : 1)));
    },
  };
}

/** A text made of others; printed, or kept under the name in the brackets behind. */
function made(
  name: string,
  signature: string,
  description: string,
  example: string,
  make: (it: Interpreter, args: Args) => string,
): CommandEntry {
  return {
    name,
    signature,
    description,
    example,
    run: (it, args) => {
      const result = make(it, args);
      const [into] = readOptional(it.p) ?? [];
      const tokens: Token[] = it.source(result);
      if (into?.cell) it.define(into.text, result);
      else it.p.push(tokens);
    },
  };
}

const before = (whole: string, mark: string, n: number): string =>
  whole.split(mark).length > n ? whole.split(mark).slice(0, n).join(mark) : '';
const behind = (whole: string, mark: string, n: number): string =>
  whole.split(mark).length > n ? whole.split(mark).slice(n).join(mark) : '';
const nth = (it: Interpreter, args: Args): number => Math.max(1, number(it, args, 0));

/** Two texts made of one, kept under the names at the end. */
const split = (
  name: string,
  signature: string,
  description: string,
  example: string,
  cut: (it: Interpreter, args: Args) => readonly [string, string],
  at: number,
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  run: (it, args) => {
    cut(it, args).forEach((part, i) => {
      const into = tokensOf(args, at + i).find(({ cell }) => cell !== null);
      if (into) it.define(into.text, part);
    });
  },
});

/** `\\IfStrEqCase{text}{{a}{one}{b}{two}}[otherwise]`. */
const cases = (
  name: string,
  description: string,
  same: (a: string, b: string) => boolean,
): CommandEntry => ({
  name,
  signature: 'smM',
  description,
  example: `\\${name}{ebb}{{ebb}{low}{flow}{high}}`,
  run: (it, args) => {
    const asked = text(it, args, 1);
    const groups = groupsIn(tokensOf(args, 2));
    const otherwise = readOptional(it.p);
    const at = groups.findIndex(
      (group, i) => i % 2 === 0 && same(asked, tokensText(expandTokens(it.p, group))),
    );
    it.p.push(at < 0 ? [...(otherwise ?? [])] : [...(groups[at + 1] ?? [])]);
  },
});

/** xstring: texts compared, cut and counted. */
export const xstring: PackageEntry = {
  name: 'xstring',
  description: 'Texts compared, cut and counted.',
  options: null,
  commands: [
    test(
      'IfStrEq',
      'smmmm',
      'Chooses by whether two texts are the same.',
      '\\IfStrEq{ebb}{ebb}{yes}{no}',
      (a, b) => a === b,
    ),
    test(
      'IfEq',
      'smmmm',
      'Chooses by whether two texts or numbers are the same.',
      '\\IfEq{1.0}{1}{yes}{no}',
      (a = '', b = '') =>
        a !== '' && b !== '' && !Number.isNaN(Number(a)) && !Number.isNaN(Number(b))
          ? Number(a) === Number(b)
          : a === b,
    ),
    test(
      'IfSubStr',
      'sommmm',
      'Chooses by whether a text stands in another.',
      '\\IfSubStr{ebbtide}{tide}{yes}{no}',
      (a = '', b = '') => a.includes(b),
    ),
    test(
      'IfBeginWith',
      'smmmm',
      'Chooses by whether a text begins with another.',
      '\\IfBeginWith{ebbtide}{ebb}{yes}{no}',
      (a = '', b = '') => a.startsWith(b),
    ),
    test(
      'IfEndWith',
      'smmmm',
      'Chooses by whether a text ends with another.',
      '\\IfEndWith{ebbtide}{tide}{yes}{no}',
      (a = '', b = '') => a.endsWith(b),
    ),
    test(
      'IfInteger',
      'mmm',
      'Chooses by whether a text is a whole number.',
      '\\IfInteger{12}{yes}{no}',
      (a = '') => /^[+-]?\d+$/.test(a.trim()),
    ),
    test(
      'IfDecimal',
      'mmm',
      'Chooses by whether a text is a number.',
      '\\IfDecimal{1.2}{yes}{no}',
      (a = '') => /^[+-]?(\d+[.,]?\d*|[.,]\d+)$/.test(a.trim()),
    ),
    made('StrLen', 'm', 'How many signs a text has.', '\\StrLen{tide}', (it, args) =>
      String([...text(it, args, 0)].length),
    ),
    made('StrLeft', 'mm', 'The first signs of a text.', '\\StrLeft{tide}{2}', (it, args) =>
      text(it, args, 0).slice(0, number(it, args, 1)),
    ),
    made('StrRight', 'mm', 'The last signs of a text.', '\\StrRight{tide}{2}', (it, args) =>
      text(it, args, 0).slice(-number(it, args, 1) || Infinity),
    ),
    made(
      'StrGobbleLeft',
      'mm',
      'A text without its first signs.',
      '\\StrGobbleLeft{tide}{1}',
      (it, args) => text(it, args, 0).slice(number(it, args, 1)),
    ),
    made(
      'StrGobbleRight',
      'mm',
      'A text without its last signs.',
      '\\StrGobbleRight{tide}{1}',
      (it, args) => text(it, args, 0).slice(0, -number(it, args, 1) || undefined),
    ),
    made(
      'StrMid',
      'mmm',
      'The signs from one place to another.',
      '\\StrMid{ebbtide}{2}{4}',
      (it, args) => text(it, args, 0).slice(number(it, args, 1) - 1, number(it, args, 2)),
    ),
    made('StrChar', 'mm', 'The sign at a place.', '\\StrChar{tide}{2}', (it, args) =>
      text(it, args, 0).charAt(number(it, args, 1) - 1),
    ),
    made(
      'StrCount',
      'mm',
      'How often a text stands in another.',
      '\\StrCount{ebb}{b}',
      (it, args) => String(text(it, args, 0).split(text(it, args, 1)).length - 1),
    ),
    made(
      'StrBefore',
      'omm',
      'What stands before a text in another.',
      '\\StrBefore{ebb-tide}{-}',
      (it, args) => before(text(it, args, 1), text(it, args, 2), nth(it, args)),
    ),
    made(
      'StrBehind',
      'omm',
      'What stands behind a text in another.',
      '\\StrBehind{ebb-tide}{-}',
      (it, args) => behind(text(it, args, 1), text(it, args, 2), nth(it, args)),
    ),
    made('StrDel', 'omm', 'A text without another.', '\\StrDel{ebb-tide}{-}', (it, args) =>
      text(it, args, 1).replaceAll(text(it, args, 2), ''),
    ),
    made(
      'StrSubstitute',
      'ommm',
      'A text with another put for a third.',
      '\\StrSubstitute{ebb}{b}{g}',
      (it, args) => text(it, args, 1).replaceAll(text(it, args, 2), text(it, args, 3)),
    ),
    made(
      'StrBetween',
      'oomMM',
      'What stands between two texts.',
      '\\StrBetween{a(b)c}{(}{)}',
      (it, args) => {
        const rest = behind(text(it, args, 2), text(it, args, 3), 1);
        return before(rest, text(it, args, 4), 1);
      },
    ),
    made(
      'StrPosition',
      'omm',
      'Where a text stands in another; 0 when it does not.',
      '\\StrPosition{ebbtide}{tide}',
      (it, args) => {
        const parts = text(it, args, 1).split(text(it, args, 2));
        const n = nth(it, args);
        return parts.length > n
          ? String([...parts.slice(0, n).join(text(it, args, 2))].length + 1)
          : '0';
      },
    ),
    split(
      'StrSplit',
      'mmmm',
      'Cuts a text at a place into two.',
      '\\StrSplit{ebbtide}{3}{\\one}{\\two}\\one, \\two',
      (it, args) => {
        const letters = [...text(it, args, 0)];
        const at = number(it, args, 1);
        return [letters.slice(0, at).join(''), letters.slice(at).join('')];
      },
      2,
    ),
    split(
      'StrCut',
      'ommmm',
      'Cuts a text at another into two.',
      '\\StrCut{ebb-tide}{-}{\\one}{\\two}\\one, \\two',
      (it, args) => {
        const [whole, mark, n] = [text(it, args, 1), text(it, args, 2), nth(it, args)];
        return [before(whole, mark, n), behind(whole, mark, n)];
      },
      3,
    ),
    cases('IfStrEqCase', 'What belongs to the text that is the same.', (a, b) => a === b),
    cases(
      'IfEqCase',
      'What belongs to the text or number that is the same.',
      (a, b) => a === b || (a !== '' && b !== '' && Number(a) === Number(b)),
    ),
    macroEntry('expandarg', '', 'Arguments are expanded once.', '\\expandarg', ''),
    macroEntry('fullexpandarg', '', 'Arguments are expanded wholly.', '\\fullexpandarg', ''),
    macroEntry('noexpandarg', '', 'Arguments are not expanded.', '\\noexpandarg', ''),
  ],
};

/** xifthen: more tests for `\ifthenelse`. */
export const xifthen: PackageEntry = {
  name: 'xifthen',
  description: 'More tests for choices.',
  options: null,
  requires: ['ifthen'],
  described: [
    sourceCommand(
      'isempty',
      'm',
      'A test whether nothing is there.',
      '\\ifthenelse{\\isempty{}}{yes}{no}',
    ),
    sourceCommand(
      'isequivalentto',
      'mm',
      'A test whether two things are the same.',
      '\\ifthenelse{\\isequivalentto{a}{a}}{yes}{no}',
    ),
    ...(
      [
        ['isin', 'mm', 'A test whether one text is in another.', '{ebb}{webbed}'],
        ['endswith', 'mm', 'A test whether a text ends with another.', '{harbour}{our}'],
        ['isnamedefined', 'm', 'A test whether there is a command of that name.', '{tide}'],
        ['cnttest', 'mmm', 'A test of two sums of numbers.', '{1+1}{<=}{2}'],
        ['dimtest', 'mmm', 'A test of two sums of lengths.', '{1pt+1pt}{<}{1cm}'],
      ] as const
    ).map(([name, signature, description, args]) =>
      sourceCommand(name, signature, description, `\\ifthenelse{\\${name}${args}}{yes}{no}`),
    ),
  ],
};

/** eucal: the script letters of the Euler fonts. */
export const eucal: PackageEntry = {
  name: 'eucal',
  description: 'Script letters of another face; those at hand are taken.',
  options: null,
  commands: [macroEntry('EuScript', 'm', 'Script letters.', '$\\EuScript{A}$', '\\mathcal{#1}')],
};

/** turnstile: signs of derivation with words above and below. */
export const turnstile: PackageEntry = {
  name: 'turnstile',
  description: 'Signs of derivation with something above and below them.',
  options: null,
  requires: ['amssymb'],
  commands: [
    macroEntry(
      'sststile',
      'mm',
      'Derivable: what is below, what above.',
      '$\\Gamma \\sststile{S}{n} \\varphi$',
      '\\mathrel{\\vdash^{#2}_{#1}}',
    ),
    macroEntry(
      'sdtstile',
      'mm',
      'True in: what is below, what above.',
      '$\\Gamma \\sdtstile{S}{n} \\varphi$',
      '\\mathrel{\\models^{#2}_{#1}}',
    ),
    macroEntry(
      'dststile',
      'mm',
      'A sign of derivation, its bar double.',
      '$\\Gamma \\dststile{S}{n} \\varphi$',
      '\\mathrel{\\Vdash^{#2}_{#1}}',
    ),
    macroEntry(
      'nsststile',
      'mm',
      'Not derivable.',
      '$\\Gamma \\nsststile{S}{n} \\varphi$',
      '\\mathrel{\\nvdash^{#2}_{#1}}',
    ),
  ],
};

/** datetime2 and datetime: dates by their parts. */
const dates = (name: string): PackageEntry => ({
  name,
  description: 'Dates written in several ways.',
  options: null,
  described: [
    sourceCommand('DTMdate', 'm', 'A date given as year, month and day.', '\\DTMdate{2026-03-01}'),
    sourceCommand(
      'DTMdisplaydate',
      'mmmm',
      'A date by its parts.',
      '\\DTMdisplaydate{2026}{3}{1}{-1}',
    ),
    sourceCommand('DTMtoday', '', 'The date of today.', '\\DTMtoday'),
    sourceCommand('usdate', '', 'Dates as in the United States.', '\\usdate'),
    sourceCommand('ddmmyyyydate', '', 'Dates by numbers.', '\\ddmmyyyydate\\today'),
    sourceCommand(
      'currenttime',
      '',
      'The time; it is not known, so that a page stays as it is.',
      '\\currenttime',
    ),
  ],
  source: String.raw`
\def\dtm@month#1{\ifcase#1\or January\or February\or March\or April\or May\or June\or July\or August\or September\or October\or November\or December\fi}
\newcommand\DTMdisplaydate[4]{\dtm@month{#2}~\number#3, \number#1}
\def\dtm@split#1-#2-#3\dtm@stop{\DTMdisplaydate{#1}{#2}{#3}{-1}}\newcommand\DTMdate[1]{\dtm@split#1\dtm@stop}
\newcommand\DTMtoday{\today}\newcommand\DTMnow{\today}\newcommand\DTMcurrenttime{--:--}\newcommand\currenttime{--:--}
\newcommand\DTMsetdatestyle[1]{}\newcommand\DTMsetstyle[1]{}\newcommand\DTMsetup[1]{}\newcommand\DTMlangsetup[2][]{}\newcommand\settimeformat[1]{}
\newcommand\usdate{\def\today{\dtm@month\month~\number\day, \number\year}}
\newcommand\ddmmyyyydate{\def\today{\two@digits\day/\two@digits\month/\number\year}}\newcommand\mmddyyyydate{\def\today{\two@digits\month/\two@digits\day/\number\year}}
\newcommand\yyyymmdddate{\def\today{\number\year/\two@digits\month/\two@digits\day}}\newcommand\longdate{}\newcommand\shortdate{}
\newcommand\monthname[1][\month]{\dtm@month{#1}}\newcommand\displaydate[1]{\today}
\providecommand\two@digits[1]{\ifnum#1<10 0\fi\number#1}
`,
  setup: (it, options) => {
    const british = options.some((one) => /^(?:british|UKenglish|en-GB|australian)$/.test(one));
    const regional = options.some((one) =>
      /^(?:useregional|english|american|USenglish|en-US)/.test(one),
    );
    if (british) it.execute(it.source('\\DTMsetdatestyle{en-GB}'));
    else if (regional) it.execute(it.source('\\DTMsetdatestyle{en-US}'));
  },
});
export const datetime2 = dates('datetime2');
export const datetime = dates('datetime');
