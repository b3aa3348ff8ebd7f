import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import type { Word } from '@odd-compass/engine/worker';
import { card } from './hover';
import { ANCHORS, HUES, LIBRARIES, mayHavePicture, nodeNames, styleNames } from './pictureNames';
import { environmentEnd, openEnvironments } from './structure';

/** The last option of a list that is open, and the name of an open place. */
const OPTION = /\[([^\][]*)$/;
const PLACE = /\(([A-Za-z][\w -]*)?$/;
const ANCHOR = /\(([A-Za-z][\w -]*)\.([a-z ]*)$/;
const LIBRARY = /\\(?:usetikzlibrary|usepgflibrary)\s*\{(?:[^{}]*,)?\s*([\w.]*)$/;
const SETTINGS = /\\(?:tikzset|pgfplotsset)\s*\{([\s\S]*)$/;
/** Keys whose value is a colour. */
const COLOURED = /(?:^|[\s,])(?:draw|fill|color|text|pattern color|\w+ color)\s*=\s*([\w!]*)$/;
const IN_PICTURE =
  /^(tikzpicture|circuitikz|tikzcd|scope|axis|semilogxaxis|semilogyaxis|loglogaxis|polaraxis)$/;

/** What pictures are full of. */
const EVERYDAY: ReadonlySet<string> = new Set(
  'thick,dashed,dotted,->,fill,draw,circle,above,below,left,right,midway,bend left,bend right,scale'.split(
    ',',
  ),
);

const plain = (label: string, detail: string, boost: number): Completion => ({
  label,
  detail,
  type: 'property',
  boost,
});

/** What may stand at the caret in a picture described in text: keys, styles, colours, nodes, libraries; null elsewhere. */
export function completePicture(
  context: CompletionContext,
  before: string,
  words: readonly Word[],
): CompletionResult | null {
  const library = LIBRARY.exec(before);
  const from = (typed: string): number => context.pos - typed.length;
  if (library)
    return {
      from: from(library[1] ?? ''),
      validFor: /^[\w.]*$/,
      options: LIBRARIES.map((name) => plain(name, '', 0)),
    };
  const set = areSettings(before);
  const option = set ? /[{,]([^{},]*)$/.exec(before) : OPTION.exec(before);
  const named = ANCHOR.exec(before) ?? PLACE.exec(before);
  if (!option && !named) return null;
  const picture = pictureAround(context);
  if (option && (picture !== null || set))
    return optionsIn(context, option[1] ?? '', picture?.axis ?? false, words);
  if (!named || picture === null) return null;
  const [, name = '', anchor] = named;
  return anchor === undefined
    ? {
        from: from(name),
        validFor: /^[\w' -]*$/,
        options: nodeNames(picture.text).map((one) => plain(one, 'node', 0)),
      }
    : {
        from: from(anchor),
        validFor: /^[a-z ]*$/,
        options: nodeNames(picture.text).includes(name.trim())
          ? ANCHORS.map((one, i) => plain(one, 'anchor', -i))
          : [],
      };
}

/** Are the settings of all pictures open at the end of a text? */
function areSettings(before: string): boolean {
  const behind = SETTINGS.exec(before)?.[1];
  if (behind === undefined) return false;
  let depth = 1;
  for (const sign of behind) {
    if (sign === '{') depth++;
    else if (sign === '}' && --depth === 0) return false;
  }
  return true;
}

/** The text of the picture that the caret is in, and whether axes are open in it; null outside. */
function pictureAround({ state, pos }: CompletionContext): { text: string; axis: boolean } | null {
  const whole = state.doc.toString();
  if (!mayHavePicture(whole)) return null;
  const open = openEnvironments(whole, pos).filter(({ name }) => IN_PICTURE.test(name));
  const [outer] = open;
  if (!outer) return null;
  const end = environmentEnd(whole, outer)?.from ?? whole.length;
  const axis = open.some(({ name }) => name.endsWith('axis'));
  return { text: whole.slice(outer.from, end), axis };
}

function optionsIn(
  context: CompletionContext,
  list: string,
  inAxis: boolean,
  words: readonly Word[],
): CompletionResult | null {
  const colour = COLOURED.exec(list);
  if (colour)
    return {
      from: context.pos - (colour[1] ?? '').length,
      validFor: /^\w*$/,
      options: HUES.map((name, i) => plain(name, 'colour', -i)),
    };
  const part = list.slice(list.lastIndexOf(',') + 1);
  if (part.includes('=')) return null;
  const typed = part.trimStart();
  const given = new Set(list.split(',').map((one) => one.trim().split('=')[0]?.trim()));
  const keys = words.filter(({ kind, name }) => kind === 'key' && !given.has(name));
  const own = styleNames(context.state.doc.toString()).filter((name) => !given.has(name));
  return {
    from: context.pos - typed.length,
    validFor: /^[\w <>-]*$/,
    options: [
      ...own.map((name) => plain(name, 'style of this document', 30)),
      ...keys.map((word) => keyCompletion(context, word, inAxis)),
      ...HUES.map((name) => plain(name, 'colour', -20)),
    ],
  };
}

/** A key, with its example drawn; one that takes a value is written with its `=`. */
function keyCompletion(context: CompletionContext, word: Word, inAxis: boolean): Completion {
  const { name, example, description, package: from } = word;
  const takesValue = example.includes(`${name}=`);
  const { view } = context;
  return {
    label: name,
    detail: takesValue ? '=' : '',
    info: view ? () => card(view, word) : description,
    type: 'property',
    boost: (from === 'pgfplots' ? (inAxis ? 10 : -30) : 0) + (EVERYDAY.has(name) ? 5 : 0),
    apply: takesValue ? `${name}=` : name,
  };
}
