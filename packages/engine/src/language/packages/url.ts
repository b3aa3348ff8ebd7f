import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { linkColour } from '../constructs/linking';
import { readRaw } from '../constructs/verbatim';
import { cell } from '../../expansion/cells';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';

/** An address as it is typed: what stands between braces, or between two equal characters. */
function urlAddress(it: Interpreter): string {
  const raw = rawAddress(it);
  if (raw !== null) return raw;
  it.p.skipSpaces();
  const token = it.p.next();
  if (!token) return '';
  if (token.cat !== Cat.Begin) return readRaw(it, token.text).text;
  it.p.unread(token);
  const args = it.readArguments('m', it.p.command('url'));
  return addressIn(tokensOf(args ?? [], 0));
}

/** An address between braces, in which no sign means anything else; null when it is to be read as tokens. */
export function rawAddress(it: Interpreter): string | null {
  const token = it.p.nextNonBlank();
  const raw = token?.cat === Cat.Begin ? rawGroup(it) : null;
  if (raw === null && token) it.p.unread(token);
  return raw?.replace(/\\([%#_&{}~])/g, '$1').replace(/\s+/g, '') ?? null;
}

/** An address that was read as tokens. */
export const addressIn = (tokens: readonly Token[]): string =>
  tokensText(tokens)
    .replace(/\\([%#_&{}~])\s?/g, '$1')
    .replace(/\\ /g, ' ')
    .replace(/\s+/g, '');

/**
 * What stands between braces in the file, a per cent sign included; null where tokens wait already, and where the
 * line ends before the braces do: then nothing is read.
 */
function rawGroup(it: Interpreter): string | null {
  const reader = it.p.nextSource;
  if (!reader) return null;
  const start = reader.pos;
  let depth = 1;
  let out = '';
  for (let char = reader.rawChar(); depth > 0; char = reader.rawChar()) {
    if (char === '' || char === '\n') {
      if (reader === it.p.reader) it.p.reach = Math.max(it.p.reach, reader.pos);
      reader.jump(start);
      return null;
    }
    if (char === '{') depth++;
    else if (char === '}' && --depth === 0) break;
    out += char;
  }
  if (reader === it.p.reader) it.p.reach = Math.max(it.p.reach, reader.pos);
  return out;
}

/** `hyphens`, and package xurl: what addresses may break behind besides. */
const HYPHENS = cell('urlhyphens', false);
const ANYWHERE = cell('urlanywhere', false);

/** `\UrlBigBreakPenalty` and `\UrlBreakPenalty`, which stand for those of relations and operators. */
const BIG_BREAK = 100;
const BREAK = 200;

/** The characters that a list names, each behind `\do`; a document may have its own. */
function listed(it: Interpreter, name: string): ReadonlySet<string> {
  const meaning = it.state.meaning(it.state.cell(name));
  const tokens = meaning?.kind === 'macro' ? meaning.body : [];
  return new Set(tokens.flatMap(({ text }, i) => (tokens[i - 1]?.text === 'do' ? [text] : [])));
}

/** The classes that decide where an address may break, as in a formula. */
type Kind = 'ord' | 'bin' | 'rel' | 'open';

/**
 * What each character of an address is to its neighbours: an operator that has no operand on one
 * of its sides is an ordinary sign (The TeXbook, appendix G, rules 5 and 6).
 */
function kindsOf(it: Interpreter, chars: readonly string[]): Kind[] {
  const [big, small, none] = ['UrlBigBreaks', 'UrlBreaks', 'UrlNoBreaks'].map((name) =>
    listed(it, name),
  );
  const anywhere = it.read(ANYWHERE);
  const kinds = chars.map((char): Kind => {
    if (big?.has(char) || (char === '-' && it.read(HYPHENS))) return 'rel';
    if (none?.has(char)) return 'open';
    return small?.has(char) || anywhere ? 'bin' : 'ord';
  });
  if (anywhere) return kinds;
  for (const [i, kind] of kinds.entries()) {
    const before = kinds[i - 1];
    if (kind === 'bin' && before !== 'ord') kinds[i] = 'ord';
    if (kind === 'rel' && before === 'bin') kinds[i - 1] = 'ord';
  }
  return kinds;
}

/** An address in its font, with places to break behind its signs. */
function address(it: Interpreter, text: string): Inline[] {
  const { place } = it.p;
  const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
  it.openGroup({ kind: 'semisimple', span: place });
  it.call('UrlFont');
  const color = linkColour(it, 'urlcolor');
  if (color !== null) it.changeFont({ color });
  const font = it.intern(it.font);
  it.closeGroup();
  const chars = [...text];
  const kinds = kindsOf(it, chars);
  const out: Inline[] = [];
  let part = '';
  for (const [i, char] of chars.entries()) {
    part += char;
    const [kind, next] = [kinds[i], kinds[i + 1]];
    const breaks = next !== undefined && (kind === 'bin' || (kind === 'rel' && next !== 'rel'));
    if (!breaks && next !== undefined) continue;
    out.push({ kind: 'text', text: part, font, cuts: [], ...at });
    if (breaks) out.push({ kind: 'penalty', penalty: kind === 'rel' ? BIG_BREAK : BREAK, ...at });
    part = '';
  }
  return out;
}

export function addLink(it: Interpreter, inlines: readonly Inline[], target: string): void {
  const { place } = it.p;
  it.add({ kind: 'link', inlines, target, from: place.from, to: Math.max(place.to, it.p.here()) });
}

export const urlCommand: CommandEntry = {
  name: 'url',
  signature: '',
  description: 'An address, in typewriter; it may break behind its signs.',
  example: '\\url{https://tides.example}',
  run: (it) => {
    it.startParagraph();
    const text = urlAddress(it);
    addLink(it, address(it, text), text);
  },
};

export const addressCommand = (
  name: string,
  description: string,
  example: string,
): CommandEntry => ({
  ...urlCommand,
  name,
  description,
  example,
  run: (it) => {
    it.startParagraph();
    for (const inline of address(it, urlAddress(it))) it.add(inline);
  },
});

/** The signs behind which addresses break, and the fonts by their style (url.sty's lists). */
const SOURCE = String.raw`
\def\UrlBreaks{\do\.\do\@\do\\\do\/\do\!\do\_\do\|\do\;\do\>\do\]\do\)\do\,\do\?\do\&\do\'\do\+\do\=\do\#}
\def\UrlBigBreaks{\do\:}\def\UrlNoBreaks{\do\(\do\[\do\{\do\<}
\def\url@ttstyle{\def\UrlFont{\ttfamily}}\def\url@rmstyle{\def\UrlFont{\rmfamily}}
\def\url@sfstyle{\def\UrlFont{\sffamily}}\def\url@samestyle{\def\UrlFont{}}\url@ttstyle`;

/** url: addresses. */
export const url: PackageEntry = {
  name: 'url',
  description: 'Addresses in typewriter.',
  options: ['hyphens', 'obeyspaces', 'spaces', 'lowtilde', 'T1', 'LY1', 'nospacing'],
  setup: (it, options) => {
    if (options.includes('hyphens')) it.write(HYPHENS, true, true);
    it.execute(it.source(SOURCE));
  },
  commands: [
    urlCommand,
    addressCommand('path', 'The name of a file, in typewriter.', '\\path{notes/tides.tex}'),
    macroEntry(
      'urlstyle',
      'm',
      'The font of addresses: tt, rm, sf, or same.',
      '\\urlstyle{sf}\\url{https://tides.example}',
      '\\csname url@#1style\\endcsname',
    ),
  ],
};

/** xurl: addresses that break behind any character. */
export const xurl: PackageEntry = {
  name: 'xurl',
  description: 'Addresses that break anywhere.',
  options: null,
  requires: ['url'],
  setup: (it) => it.write(ANYWHERE, true, true),
  commands: [],
};
