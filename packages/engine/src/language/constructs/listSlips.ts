import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { CELLS } from '../machine/cells';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from '../scanning/optionLists';
import { tellUnknownKey, writtenKeys } from '../scanning/unknownKeys';
import { LIST_KEYS, understood } from './listOptions';

/** enumitem reads models of labels too (its option `shortlabels`). */
export const SHORT_LABELS = cell('shortlabels', false);

/** The keys of lists (enumitem manual, sections 3 to 7). */
const KEYS = (
  'topsep partopsep parsep itemsep leftmargin rightmargin listparindent labelwidth labelsep labelsep* labelindent labelindent* itemindent ' +
  'left label label* ref font format align widest widest* start series resume resume* noitemsep nosep nolistsep wide fullwidth style ' +
  'before before* after after* first first* itemjoin itemjoin* afterlabel mode inline unboxed beginpenalty midpenalty endpenalty ' +
  'noitemsep* nosep* topsep* itemsep* parsep* partopsep* columns'
).split(' ');

/** Packages and classes that read models of labels, `[(a)]`, or have keys of their own. */
const READ_MODELS = ['enumerate', 'paralist', 'moreenum', 'shortlst', 'mdwlist', 'enumext'];
const OWN_OPTIONS = /^(?:beamer|memoir|exam|amsdtx)$/;

/**
 * What is asked of a list in brackets that nothing loaded reads: keys that there are not, keys and
 * models without the package for them. Elsewhere these stop LaTeX.
 */
export function checkListOptions(it: Interpreter, kind: string, options: readonly Token[]): void {
  const [first] = options;
  if (!first || first.chunk !== it.p.reader.chunk || first.text === '<') return;
  const name = it.read(CELLS.class) ?? '';
  if (OWN_OPTIONS.test(name)) return;
  if (understood(it)) return checkKeys(it, options);
  if (READ_MODELS.some((one) => it.hasPackage(one))) return;
  const written = tokensText(options).trim();
  const words = writtenKeys(options).map((key) => tokensText(key).trim());
  const hasKeys = words.some((word) => KEYS.includes(word));
  if (!hasKeys && kind !== 'enumerate' && kind !== 'itemize') return;
  const span = { ...it.spanOf(first), to: options.at(-1)?.to ?? first.to };
  const needed = hasKeys || kind === 'itemize' ? 'enumitem' : 'enumerate';
  it.p.report('package-needed', span, { name: `[${written}]`, package: needed });
}

function checkKeys(it: Interpreter, options: readonly Token[]): void {
  const own = Object.keys(it.read(LIST_KEYS));
  writtenKeys(options).forEach((key, i) => {
    const word = tokensText(key).trim();
    if (word === '' || KEYS.includes(word) || own.includes(word)) return;
    const isModel = i === 0 && key.length === trimmed(splitAt(options, ',')[0] ?? []).length;
    if (isModel && it.read(SHORT_LABELS)) return;
    const label = isModel ? modelLabel(word) : null;
    tellUnknownKey(it, key, KEYS, label ? `label=${label}` : undefined);
  });
}

const COUNTERS: Readonly<Record<string, string>> = {
  a: '\\alph*',
  A: '\\Alph*',
  i: '\\roman*',
  I: '\\Roman*',
  1: '\\arabic*',
};

/** What `(a)` says, as a label in enumitem's own words; null when it is no model. */
function modelLabel(word: string): string | null {
  const model = /^([^A-Za-z0-9]*)([aAiI1])([^A-Za-z0-9]*)$/.exec(word);
  if (model) return `${model[1] ?? ''}${COUNTERS[model[2] ?? ''] ?? ''}${model[3] ?? ''}`;
  return /^[^A-Za-z0-9]+$/.test(word) ? word : null;
}
