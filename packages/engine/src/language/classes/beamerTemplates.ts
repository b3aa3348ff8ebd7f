import { readOptional } from '../../expansion/arguments';
import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { keyValues } from '../scanning/optionLists';
import { change, LOOK, type SlideLook } from './beamerThemes';

/** The type of a part of slides (`\setbeamerfont`). */
export const partFont = cellsBy<readonly Token[]>('beamerfont', []);

const MARKS: readonly (readonly [RegExp, SlideLook['marks']])[] = [
  [/triangle/, 'triangle'],
  [/circle/, 'circle'],
  [/square/, 'square'],
  [/ball/, 'ball'],
];

/** Labels of items by the signs of a look, on three levels. */
const LABELS: Readonly<Record<SlideLook['marks'], string>> = {
  triangle: '\\raisebox{1.25pt}{\\scriptsize$\\blacktriangleright$}',
  circle: '\\raisebox{.5pt}{\\small$\\bullet$}',
  square: '\\raisebox{1.5pt}{\\rule{4pt}{4pt}}',
  ball: '\\raisebox{-.4pt}{\\large$\\bullet$}',
};
export const itemLabel: CommandEntry = {
  name: 'bmr@mark',
  signature: '',
  description: 'The sign of an item.',
  example: '',
  run: (it) => it.p.push(it.source(LABELS[it.read(LOOK).marks])),
};

/** What is said behind `\setbeamertemplate{name}`: a choice in brackets, or the template itself. */
function templateBody(it: Interpreter, option: string | null): readonly Token[] | null {
  const next = it.p.nextNonBlank();
  if (next) it.p.unread(next);
  if (next?.cat !== Cat.Begin || option !== null) return null;
  const args = it.readArguments('M', it.p.command('setbeamertemplate'));
  return args ? tokensOf(args, 0) : null;
}

/** What a template is set to: a choice by its name, or the template itself. */
interface Said {
  readonly name: string;
  readonly option: string | null;
  readonly body: readonly Token[] | null;
}

function setFoot(it: Interpreter, { option, body }: Said): void {
  const { own } = it.read(LOOK);
  if (body) {
    if (body.length === 0) change(it, { footline: 'none', own: { ...own, foot: null } });
    else change(it, { own: { ...own, foot: body } });
    return;
  }
  const isThree = /infolines|author/.test(option ?? '');
  const footline = /number/.test(option ?? '') ? 'number' : isThree ? 'three' : null;
  if (footline) change(it, { footline, own: { ...own, foot: null } });
}

function setHead(it: Interpreter, { body }: Said): void {
  const { own } = it.read(LOOK);
  if (body) change(it, body.length === 0 ? { headline: 'none' } : { own: { ...own, head: body } });
}

function setBehind(it: Interpreter, { body }: Said): void {
  const { own } = it.read(LOOK);
  if (body && body.length > 0) change(it, { own: { ...own, behind: body } });
}

/** What a template is, by the name of its part; null where it is ours. */
const TEMPLATE = cellsBy<readonly Token[] | null>('slidetemplate', null);
/** Templates that the document names (`\defbeamertemplate`), by part and name. */
const DEFINED = cellsBy<readonly Token[] | null>('slidetemplates', null);
/** What `\addtobeamertemplate` puts before and behind a template. */
const AROUND = cellsBy<{ readonly before: readonly Token[]; readonly behind: readonly Token[] }>(
  'slidearound',
  { before: [], behind: [] },
);

/** A template as the document has it, or null. */
export const templateOf = (it: Interpreter, part: string): readonly Token[] | null =>
  it.read(TEMPLATE(part));

/** What the document puts around a template. */
export const aroundTemplate = (it: Interpreter, part: string) => it.read(AROUND(part));

const LEVELS: Readonly<Record<string, string>> = { '': 'i', sub: 'ii', subsub: 'iii' };

/** Signs of items: by the name of a shape, or as the document writes them. */
function setMarks(it: Interpreter, { name, option, body }: Said): void {
  const marks = MARKS.find(([sign]) => sign.test(option ?? ''))?.[1];
  if (marks) change(it, { marks });
  if (!body) return;
  const sub = /((?:sub)*)item/.exec(name)?.[1] ?? '';
  define(it, `labelitem${LEVELS[sub]}`, `{\\bmr@colour{itemize ${sub}item}`, body, '}');
}

/** Labels of numbered items: as they are, in a shape, or as the document writes them with `\insertenumlabel`. */
function setNumbers(it: Interpreter, { name, option, body }: Said): void {
  const sub = /((?:sub)*)item/.exec(name)?.[1] ?? '';
  const level = LEVELS[sub] ?? 'i';
  const label = `\\def\\insertenumlabel{\\theenum${level}}`;
  const colour = `\\bmr@colour{enumerate ${sub}item}`;
  if (body) return define(it, `labelenum${level}`, `{${label}${colour}`, body, '}');
  for (const one of name.endsWith('items') ? Object.values(LEVELS) : [level]) {
    const number = `\\theenum${one}`;
    const shape = /square/.test(option ?? '')
      ? `\\bmr@boxed{\\scriptsize ${number}}`
      : /circle|ball/.test(option ?? '')
        ? `\\bmr@ringed{\\scriptsize ${number}}`
        : `${number}.`;
    it.define(`labelenum${one}`, `{\\bmr@colour{enumerate item}${shape}}`);
  }
}

/** Gives a macro the tokens of a template, with what stands before and behind them. */
function define(
  it: Interpreter,
  name: string,
  open: string,
  body: readonly Token[],
  end: string,
): void {
  it.execute([...it.source(`\\gdef\\${name}{${open}`), ...body, ...it.source(`${end}}`)]);
}

/** Templates that are carried out, by their names. */
const TEMPLATES: readonly (readonly [RegExp, (it: Interpreter, said: Said) => void])[] = [
  [/^footline$/, setFoot],
  [/^headline$/, setHead],
  [/^background(?: canvas)?$/, setBehind],
  [/^items$|^itemize (?:sub)*items?$/, setMarks],
  [/^enumerate (?:sub)*items?$/, setNumbers],
  [
    /^blocks$/,
    (it, { option }) => {
      if (option !== null)
        change(it, { filled: option !== 'default', round: /round/.test(option) });
    },
  ],
  [
    /^caption$/,
    (it, { option }) =>
      it.execute(
        it.source(
          /number/.test(option ?? '') ? '\\let\\bmr@captionnumber\\bmr@captionnumbered' : '',
        ),
      ),
  ],
  [
    /^theorems$/,
    (it, { option }) =>
      it.execute(it.source(option === 'numbered' ? '\\let\\bmr@statednumber\\bmr@numbered' : '')),
  ],
  [
    /^(?:sub)?section in toc$/,
    (it, { name, option, body }) => {
      const shown =
        /numbered|circle|square|ball/.test(option ?? '') ||
        body?.some(({ text }) => /number$/.test(text));
      if (shown)
        it.define(
          name.startsWith('sub') ? 'bmr@subtocnumber' : 'bmr@tocnumber',
          name.startsWith('sub') ? '\\number\\bmr@i.\\number\\bmr@ii\\ ' : '\\number\\bmr@i.\\ ',
        );
    },
  ],
  [
    /^qed symbol$/,
    (it, { body }) => {
      if (body) define(it, 'qedsymbol', '', body, '');
    },
  ],
  [
    /^(?:frametitle|title page|section page|subsection page|part page|navigation symbols|logo|footnote|bibliography item.*|frametitle continuation)$/,
    () => undefined,
  ],
];

/** `\setbeamertemplate{footline}[frame number]`, `{footline}{…}`. */
function setTemplate(it: Interpreter, args: Args, token: Token): void {
  const name = textOf(it.p, tokensOf(args, 0)).trim();
  const option = args[1] ? tokensText(tokensOf(args, 1)).trim() : null;
  // What the choice is given besides: `[rounded][shadow=true]`, `[default][center]`.
  if (option !== null) while (readOptional(it.p) !== null);
  const defined = option === null ? null : it.read(DEFINED(`${name}/${option}`));
  const body = defined ?? templateBody(it, option);
  if (body !== null || option === 'default') it.write(TEMPLATE(name), body, true);
  const carryOut = TEMPLATES.find(([names]) => names.test(name))?.[1];
  if (carryOut) return carryOut(it, { name, option, body });
  it.p.report('key-without-effect', it.spanOf(token), { name });
}

/** `\defbeamertemplate*{part}{name}[arguments]{body}`; with the star it is taken at once. */
function defineTemplate(it: Interpreter, args: Args): void {
  const [part, name] = [1, 2].map((i) => textOf(it.p, tokensOf(args, i)).trim());
  it.write(DEFINED(`${part}/${name}`), tokensOf(args, 5), true);
  if (args[0] === true) it.write(TEMPLATE(part ?? ''), tokensOf(args, 5), true);
}

/** What stands for a template that the document does not have. */
const OURS: Readonly<Record<string, string>> = {
  frametitle: '\\insertframetitle',
  'title page': '\\bmr@titlepage',
  'itemize item': '\\bmr@mark',
  'section page': '\\bmr@sectionpage',
  logo: '\\insertlogo',
};

function useTemplate(it: Interpreter, part: string): void {
  const { before, behind } = aroundTemplate(it, part);
  it.execute([...before, ...(templateOf(it, part) ?? it.source(OURS[part] ?? '')), ...behind]);
}

function addToTemplate(it: Interpreter, args: Args, token: Token): void {
  const part = textOf(it.p, tokensOf(args, 0)).trim();
  const { before, behind } = aroundTemplate(it, part);
  it.write(
    AROUND(part),
    { before: [...tokensOf(args, 1), ...before], behind: [...behind, ...tokensOf(args, 2)] },
    true,
  );
  if (
    !/^(?:frametitle|title page|block (?:begin|end)|footline|headline|background(?: canvas)?)$/.test(
      part,
    )
  )
    it.p.report('key-without-effect', it.spanOf(token), { name: part });
}

/** `\setbeamerfont{frametitle}{size=\large,series=\bfseries}`. */
function setFont(it: Interpreter, args: Args): void {
  const keys = keyValues(tokensOf(args, 2));
  const font = ['family', 'size', 'series', 'shape'].flatMap((key) => [...(keys.get(key) ?? [])]);
  it.write(partFont(textOf(it.p, tokensOf(args, 1)).trim()), font, true);
}

const FONTS: Readonly<Record<string, string>> = {
  serif: '\\bmr@serif ',
  structurebold:
    '\\setbeamerfont{frametitle}{series=\\bfseries}\\setbeamerfont{title}{series=\\bfseries}',
  structureitalicserif: '\\setbeamerfont{frametitle}{family=\\rmfamily,shape=\\itshape}',
  structuresmallcapsserif: '\\setbeamerfont{frametitle}{family=\\rmfamily,shape=\\scshape}',
};

/** Colours, types and templates of parts of slides (beamer user guide, part III). */
export const templateCommands: readonly CommandEntry[] = [
  itemLabel,
  {
    name: 'setbeamertemplate',
    signature: 'mo',
    description: 'How a part of slides is made; of those at head and foot.',
    example: '\\setbeamertemplate{footline}[frame number]',
    run: setTemplate,
  },
  {
    name: 'setbeamerfont',
    signature: 'smm',
    description: 'The type of a part of slides.',
    example: '\\setbeamerfont{frametitle}{size=\\large,series=\\bfseries}',
    run: setFont,
  },
  {
    name: 'usebeamerfont',
    signature: 'sm',
    description: 'The type of a part of slides, from here on.',
    example: '{\\usebeamerfont{frametitle}Tide}',
    run: (it, args) => it.execute(it.read(partFont(textOf(it.p, tokensOf(args, 1)).trim()))),
  },
  {
    name: 'defbeamertemplate',
    signature: 'smmooM',
    description: 'A template of a part of slides, by a name of its own.',
    example: '\\defbeamertemplate{frametitle}{tide}{\\insertframetitle}',
    run: defineTemplate,
  },
  {
    name: 'addtobeamertemplate',
    signature: 'mMM',
    description: 'What stands before and behind a part of slides.',
    example: '\\addtobeamertemplate{frametitle}{}{\\vskip2pt}',
    run: addToTemplate,
  },
  {
    name: 'usebeamertemplate',
    signature: 'sssm',
    description: 'A part of slides as its template has it.',
    example: '\\begin{frame}\\usebeamertemplate{title page}\\end{frame}',
    run: (it, args) => useTemplate(it, textOf(it.p, tokensOf(args, 3)).trim()),
  },
  {
    name: 'usefonttheme',
    signature: 'om',
    description: 'The type of slides.',
    example: '\\usefonttheme{serif}',
    run: (it, args, token) => {
      for (const one of textOf(it.p, tokensOf(args, 1)).split(',')) {
        const name = one.trim();
        if (FONTS[name] !== undefined) it.execute(it.source(FONTS[name]));
        else if (!/^(?:default|professionalfonts)$/.test(name))
          it.p.report('option-unknown', it.spanOf(token), { name });
      }
    },
  },
];
