import type { Word } from '@odd-compass/engine/worker';

/** What stands around a place in the source: found by looking at the text near it. */

/** An environment that is open at a place. */
export interface OpenEnvironment {
  readonly name: string;
  /** Where its `\begin` starts, and where what it holds does. */
  readonly from: number;
  readonly body: number;
}

/** How far back an open environment is looked for. */
const WINDOW = 20_000;
const EDGE = /\\(begin|end)\s*\{([^{}\n]*)\}/g;

/** Comments blanked out, so that places stay. */
export const withoutComments = (text: string): string =>
  text.replace(/(^|[^\\])%[^\n]*/g, (whole, before: string) => before.padEnd(whole.length, ' '));

/** Where the brace stands that closes the one at a place; null when none does. */
export function closingBrace(text: string, open: number, limit = text.length): number | null {
  let depth = 0;
  for (let i = open; i < limit; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === '{') depth++;
    else if (text[i] === '}' && --depth === 0) return i;
  }
  return null;
}

/** Environments open at a place, the innermost last. */
export function openEnvironments(text: string, at: number): OpenEnvironment[] {
  const start = Math.max(0, at - WINDOW);
  const before = withoutComments(text.slice(start, at));
  const open: OpenEnvironment[] = [];
  for (const edge of before.matchAll(EDGE)) {
    const [whole, which, name = ''] = edge;
    const from = start + edge.index;
    if (which === 'begin') open.push({ name, from, body: from + whole.length });
    else {
      const last = open.findLastIndex((o) => o.name === name);
      if (last >= 0) open.length = last;
    }
  }
  return open.filter(({ name }) => name !== 'document');
}

/** Most environments end soon: so far is looked first. */
const SOON = 1_500;

/** Where the environment that starts there ends: the place of its `\end`, and behind it. */
export function environmentEnd(
  text: string,
  { name, body }: Pick<OpenEnvironment, 'name' | 'body'>,
): { from: number; to: number } | null {
  const end = endWithin(text.slice(body, body + SOON), name);
  const found = end ?? endWithin(text.slice(body, body + WINDOW), name);
  return found && { from: body + found.from, to: body + found.to };
}

function endWithin(behind: string, name: string): { from: number; to: number } | null {
  let depth = 1;
  for (const edge of withoutComments(behind).matchAll(EDGE)) {
    if (edge[2] !== name) continue;
    depth += edge[1] === 'begin' ? 1 : -1;
    if (depth === 0) return { from: edge.index, to: edge.index + edge[0].length };
  }
  return null;
}

const DISPLAYED =
  /^(equation|align|alignat|flalign|gather|multline|eqnarray|displaymath|math|split|aligned|gathered|[bBpvV]?(small)?matrix|d?cases|array)\*?$/;

/**
 * Is a place inside a formula, by the marks before it in its paragraph? For the moment
 * until the engine has read what was just typed.
 */
export function withinMarks(text: string, at: number): boolean {
  const start = Math.max(text.lastIndexOf('\n\n', at - 1) + 1, at - WINDOW, 0);
  const before = withoutComments(text.slice(start, at));
  let open = false;
  for (const [mark] of before.matchAll(/\\[()[\]$\\]|\$\$?/g)) {
    if (mark.startsWith('$')) open = !open;
    else if (mark === '\\(' || mark === '\\[') open = true;
    else if (mark === '\\)' || mark === '\\]') open = false;
  }
  return open || openEnvironments(text, at).some(({ name }) => DISPLAYED.test(name));
}

const ALIGNMENT =
  /^(align|alignat|flalign|gather|multline|split|aligned|alignedat|gathered|eqnarray|array|tabular|tabularx|[bBpvV]?(small)?matrix|d?cases|r?cases|substack|tikzcd)\*?$/;
const LIST = /^(itemize|enumerate|description|questions|parts|subparts|choices)$/;

export const isAlignment = (name: string): boolean => ALIGNMENT.test(name);
export const isList = (name: string): boolean => LIST.test(name);

/** The packages that the preamble loads. */
export function loadedPackages(text: string): ReadonlySet<string> {
  const preamble = withoutComments(preambleOf(text));
  const found = preamble.matchAll(/\\usepackage\s*(?:\[[^\]]*\])?\s*\{([^}]*)\}/g);
  return new Set([...found].flatMap(([, names = '']) => names.split(',').map((n) => n.trim())));
}

/** Is a package loaded, by itself or by another that is? */
export function hasPackage(
  loaded: ReadonlySet<string>,
  name: string,
  words: readonly Word[],
): boolean {
  if (name === '' || loaded.has(name)) return true;
  return words.some(
    (word) =>
      word.kind === 'package' &&
      word.requires.includes(name) &&
      hasPackage(loaded, word.name, words),
  );
}

const preambleOf = (text: string): string => {
  const end = text.indexOf('\\begin{document}');
  return end < 0 ? text.slice(0, 5000) : text.slice(0, end);
};

/** A command or environment that the document defines. */
export interface OwnName {
  readonly kind: 'command' | 'environment';
  readonly name: string;
  readonly args: number;
  readonly what: string;
  /** A kind of theorem. */
  readonly theorem?: boolean;
}

/** What the document defines: its commands, environments and kinds of theorems. */
export function ownNames(text: string): OwnName[] {
  const source = withoutComments(text);
  const out = new Map<string, OwnName>();
  const add = (own: OwnName): unknown => out.set(`${own.kind} ${own.name}`, own);
  const command =
    /\\(?:new|renew|provide)command\*?\s*\{?\\([A-Za-z]+)\}?\s*(?:\[(\d)\])?|\\(?:DeclareMathOperator\*?|DeclarePairedDelimiter)\s*\{?\\([A-Za-z]+)|\\def\s*\\([A-Za-z]+)((?:#\d)*)/g;
  for (const [, named, count, declared, defined, params = ''] of source.matchAll(command)) {
    const name = named ?? declared ?? defined ?? '';
    const args = count ? Number(count) : params.length / 2;
    add({ kind: 'command', name, args, what: 'Defined in this document.' });
  }
  const environment = /\\(?:new|renew)environment\*?\s*\{([^}]+)\}\s*(?:\[(\d)\])?/g;
  for (const [, name = '', count] of source.matchAll(environment))
    add({ kind: 'environment', name, args: Number(count ?? 0), what: 'Defined in this document.' });
  const theorem = /\\newtheorem\*?\s*\{([^}]+)\}\s*(?:\[[^\]]*\])?\s*\{([^}]*)\}/g;
  for (const [, name = '', title = ''] of source.matchAll(theorem))
    add({
      kind: 'environment',
      name,
      args: 0,
      what: `${title}, as this document declares it.`,
      theorem: true,
    });
  return [...out.values()];
}

/** Keys of the bibliography that the source itself lists. */
export const citationKeys = (text: string): string[] => [
  ...new Set(
    [...withoutComments(text).matchAll(/\\bibitem\s*(?:\[[^\]]*\])?\s*\{([^}]+)\}/g)].map(
      ([, key = '']) => key,
    ),
  ),
];

/** The class of a document; '' when it does not say. */
export const classOf = (text: string): string =>
  /\\documentclass\s*(?:\[[^\]]*\])?\s*\{([^{}]*)\}/.exec(text.slice(0, 20_000))?.[1] ?? '';

/** Does a class have a word? A class that is not known may have any. */
export const inClass = ({ classes }: Word, name: string, words: readonly Word[]): boolean =>
  classes.length === 0 ||
  classes.includes(name) ||
  !words.some((word) => word.kind === 'class' && word.name === name);
