import {
  autocompletion,
  pickedCompletion,
  snippet,
  type Completion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import type { Transaction } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import type { Word } from '@odd-compass/engine/worker';
import { completionKeys, isDismissed } from './completionKeys';
import { EVERYDAY, EVERYDAY_ENVIRONMENTS, EVERYDAY_PACKAGES } from './everyday';
import { partsNamed, shapeOf } from '@odd-compass/engine/shape';
import { inFormula, knowledge } from './sourceFacts';
import { loading } from './loading';
import { card } from './hover';
import { labelCard } from './labelCard';
import { optionsAt } from './optionNames';
import { completePicture } from './pictureCompletion';
import { citationKeys, classOf, hasPackage, inClass, loadedPackages, ownNames } from './structure';

/** A field to step through for each argument that must be given. */
const fieldsOf = (signature: string): string => {
  let n = 0;
  return [...signature].map((kind) => ('mM'.includes(kind) ? `{\${${++n}}}` : '')).join('');
};

/** Writes a word with its arguments as fields, and the line that loads its package, as one step of undo. */
function write(template: string, pkg: string) {
  return (view: EditorView, completion: Completion, from: number, to: number): void => {
    const { state } = view;
    const dispatch = (tr: Transaction): void => {
      const { changes, selection, effects } = tr;
      const annotations = pickedCompletion.of(completion);
      const word = { changes, effects, annotations, scrollIntoView: true };
      const chosen = selection ? { ...word, selection } : word;
      const line = { changes: loading(state, pkg) };
      view.dispatch(state.update({ ...chosen, userEvent: 'input.complete' }, line));
    };
    snippet(template)({ state, dispatch }, completion, from, to);
  };
}

/** The sign a command stands for, when its description tells one. */
const signOf = ({ description }: Word): string =>
  /^The (?:symbol|large operator|upright letter) (\S+)\.$/.exec(description)?.[1] ?? '';

/** What is said of a word whose package is not loaded; '' when it is. */
const needs = (loaded: ReadonlySet<string>, pkg: string, words: readonly Word[]): string =>
  hasPackage(loaded, pkg, words) ? '' : `needs ${pkg}`;

/** A completion with the sign it writes, drawn before its name. */
interface SignCompletion extends Completion {
  readonly sign?: string;
}

/** What a word does, with its example typeset, when there is a window to show it in. */
const infoOf = (word: Word, view: EditorView | undefined): Completion['info'] =>
  view ? () => card(view, word) : word.description;

function commandCompletion(
  word: Word,
  needed: string,
  math: boolean,
  view: EditorView | undefined,
): SignCompletion {
  const fits = word.where === 'both' || (word.where === 'formula') === math;
  const everyday = EVERYDAY.has(word.name) ? (word.where === 'both' ? 2 : 4) : 0;
  return {
    label: `\\${word.name}`,
    detail: needed,
    sign: signOf(word),
    info: infoOf(word, view),
    type: word.where === 'formula' ? 'constant' : 'function',
    boost: (fits ? 20 : -20) - (needed ? 15 : 0) + everyday,
    apply: write(`\\${word.name}${fieldsOf(word.signature)}`, word.package),
  };
}

function environmentCompletion(
  name: string,
  detail: string,
  info: Completion['info'],
  args: string,
  pkg: string,
): Completion {
  const item = /^(itemize|enumerate)$/.test(name) ? '\\item ' : '';
  return {
    label: name,
    detail,
    info,
    type: 'class',
    apply: (view, completion, from, to) => {
      // A `}` that was closed by itself is taken in.
      const { doc } = view.state;
      const closed = doc.sliceString(to, to + 1) === '}';
      // The document itself is not set in from the margin.
      const indent = name === 'document' ? '' : '  ';
      const body = `${name}}${args}\n${indent}${item}\${}\n\\end{${name}}`;
      write(body, pkg)(view, completion, from, closed ? to + 1 : to);
    },
  };
}

const REFERENCES = /\\(?:eq|page|auto|name|c|C|v|sub)?ref\*?\{(?:[^{}]*,)?([^{},]*)$/;
const CITATIONS = /\\(?:no)?cite[a-z]*\*?(?:\[[^\]]*\])*\{(?:[^{}]*,)?([^{},]*)$/;
const BEGIN = /\\begin\{([A-Za-z*]*)$/;
const END = /\\end\{([A-Za-z*]*)$/;
const PACKAGE = /\\usepackage(?:\[[^\]]*\])?\{(?:[^{}]*,)?([^{},]*)$/;
const FILES =
  /\\(includegraphics|includepdf|input|include|bibliography)\*?(?:\[[^\]]*\])?\{([^{}]*)$/;
const PICTURES = /\.(png|jpe?g|pdf|svg|eps)$/;
const TEXTS = /\.(tex|bib|sty)$/;
const WANTED: Readonly<Record<string, RegExp>> = {
  includegraphics: PICTURES,
  includepdf: /\.pdf$/,
};
const CLASS = /\\documentclass(?:\[[^\]]*\])?\{([^{}]*)$/;

const plain = (label: string, detail: string, info: string, type: string): Completion => ({
  label,
  detail,
  info,
  type,
});

/** What may stand at the caret. */
export function complete(context: CompletionContext): CompletionResult | null {
  const { state, pos } = context;
  if (!context.explicit && isDismissed(state)) return null;
  const before = state.sliceDoc(Math.max(0, pos - 400), pos);
  const line = before.slice(before.lastIndexOf('\n') + 1);
  const from = (typed: string): number => pos - typed.length;
  const known = state.facet(knowledge);
  let match = REFERENCES.exec(line);
  if (match)
    return {
      from: from(match[1] ?? ''),
      validFor: /^[^{},\s]*$/,
      options: known.labels().map(({ name, value, kind }): Completion => ({
        label: name,
        detail: `${kind} ${value}`.trim(),
        type: 'variable',
        ...(context.view ? { info: labelCard(context.view, name) } : {}),
      })),
    };
  match = CITATIONS.exec(line);
  if (match)
    return {
      from: from(match[1] ?? ''),
      validFor: /^[^{},\s]*$/,
      options: citationKeys(state.doc.toString()).map((key) => plain(key, '', '', 'variable')),
    };
  for (const [pattern, kind] of [
    [PACKAGE, 'package'],
    [CLASS, 'class'],
  ] as const) {
    match = pattern.exec(line);
    if (match)
      return {
        from: from(match[1] ?? ''),
        validFor: /^[\w-]*$/,
        options: known
          .words()
          .filter((word) => word.kind === kind)
          .map(({ name, description }) => ({
            ...plain(name, '', description, 'namespace'),
            boost: EVERYDAY_PACKAGES.has(name) ? 20 : 0,
          })),
      };
  }
  match = FILES.exec(line);
  if (match) {
    const wanted = WANTED[match[1] ?? ''] ?? TEXTS;
    return {
      from: from(match[2] ?? ''),
      validFor: /^[^{}]*$/,
      options: known
        .files()
        .filter((name) => wanted.test(name))
        .map((name) => plain(name, '', '', 'variable')),
    };
  }
  const option = optionsAt(line, state.sliceDoc(pos, pos + 200), known.words());
  if (option)
    return {
      from: from(option.typed),
      validFor: /^[^,\][\s]*$/,
      options: option.names.map((name) => plain(name, '', '', 'property')),
    };
  const drawn = completePicture(context, before, known.words());
  if (drawn) return drawn;
  match = BEGIN.exec(line);
  if (match) return environments(context, from(match[1] ?? ''));
  if (END.test(line)) return null;
  return commands(context, line);
}

/** What the document has used comes first, then what sets are full of. */
const boostOf = (name: string, used: ReadonlySet<string>): number =>
  (used.has(name) ? 40 : 0) + (EVERYDAY_ENVIRONMENTS.has(name) ? 20 : 0);

function environments(context: CompletionContext, from: number): CompletionResult {
  const text = context.state.doc.toString();
  const loaded = loadedPackages(text);
  const own = ownNames(text).filter(({ kind }) => kind === 'environment');
  const used = new Set(
    partsNamed(shapeOf(text), 'begin')
      .filter(({ to }) => to < from || to > context.pos + 1)
      .map(({ name }) => name),
  );
  const known = context.state.facet(knowledge).words();
  const ofClass = classOf(text);
  const words = known.filter(
    (word) => word.kind === 'environment' && inClass(word, ofClass, known),
  );
  return {
    from,
    validFor: /^[A-Za-z*]*$/,
    options: [
      ...own.map(({ name, what, args }) => ({
        ...environmentCompletion(name, 'of this document', what, '{}'.repeat(args), ''),
        boost: boostOf(name, used) + 1,
      })),
      ...words.map((word) => {
        const { name, signature, package: pkg } = word;
        const needed = needs(loaded, pkg, known);
        return {
          ...environmentCompletion(
            name,
            needed,
            infoOf(word, context.view),
            fieldsOf(signature),
            pkg,
          ),
          boost: boostOf(name, used),
        };
      }),
    ],
  };
}

/** Characters by their long names are offered to who has begun one: they are near to much that is mistyped. */
const isOffered = ({ name, description }: Word, typed: string): boolean =>
  !description.startsWith('The character ') || (typed.length > 5 && `\\${name}`.startsWith(typed));

function commands(context: CompletionContext, line: string): CompletionResult | null {
  // Of two backslashes the second begins no command.
  const typed = /(?<!\\)(?:\\\\)*(\\[A-Za-z]*)$/.exec(line)?.[1];
  if (typed === undefined) return null;
  const { state, pos } = context;
  const text = state.doc.toString();
  const loaded = loadedPackages(text);
  const math = inFormula(state, pos);
  const own = ownNames(text).filter(({ kind }) => kind === 'command');
  const known = state.facet(knowledge).words();
  const ofClass = classOf(text);
  const words = known.filter(
    (word) =>
      word.kind === 'command' &&
      /^[A-Za-z]+$/.test(word.name) &&
      inClass(word, ofClass, known) &&
      isOffered(word, typed),
  );
  const begin: Completion = {
    label: '\\begin',
    info: 'Starts an environment; its end is written with it.',
    type: 'keyword',
    boost: 30,
    apply: (view, _completion, from, to) => {
      view.dispatch({
        changes: { from, to, insert: '\\begin{}' },
        selection: { anchor: from + 7 },
        userEvent: 'input.complete',
      });
    },
  };
  return {
    from: pos - typed.length,
    validFor: /^\\[A-Za-z]*$/,
    options: [
      begin,
      ...own.map(({ name, what, args }): Completion => ({
        label: `\\${name}`,
        detail: 'of this document',
        info: what,
        type: 'function',
        boost: 25,
        apply: write(`\\${name}${fieldsOf('m'.repeat(args))}`, ''),
      })),
      ...words.map((word) =>
        commandCompletion(word, needs(loaded, word.package, known), math, context.view),
      ),
    ],
  };
}

/** Completion from the engine's tables and from what the document defines. */
export const completion = [
  completionKeys,
  autocompletion({
    override: [complete],
    activateOnTyping: true,
    // Enter is a new line behind a word that is complete: see its own keys.
    closeOnBlur: true,
    icons: false,
    maxRenderedOptions: 60,
    addToOptions: [
      {
        // Before the name (which stands at 50).
        position: 20,
        render: (completion) => {
          const { sign } = completion as SignCompletion;
          if (sign === undefined) return null;
          const drawn = document.createElement('span');
          drawn.className = 'completion-sign';
          drawn.textContent = sign;
          return drawn;
        },
      },
    ],
  }),
];
