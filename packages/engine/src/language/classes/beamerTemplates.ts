import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { keyValues } from '../scanning/optionLists';
import { change, LOOK, partColour, type SlideLook } from './beamerThemes';

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

function setMarks(it: Interpreter, { name, option, body }: Said): void {
  const marks = MARKS.find(([sign]) => sign.test(option ?? ''))?.[1];
  if (marks) change(it, { marks });
  if (!body) return;
  const level = 'i'.repeat(1 + (name.match(/sub/g) ?? []).length);
  const opens = it.source(`\\def\\labelitem${level}{{\\bmr@structure `);
  it.execute([...opens, ...body, ...it.source('}}')]);
}

/** Templates that are carried out, by their names. */
const TEMPLATES: readonly (readonly [RegExp, (it: Interpreter, said: Said) => void])[] = [
  [/^footline$/, setFoot],
  [/^headline$/, setHead],
  [/^background(?: canvas)?$/, setBehind],
  [/^items$|^itemize (?:sub)*items?$/, setMarks],
  [
    /^blocks$/,
    (it, { option }) => {
      if (option !== null)
        change(it, { filled: option !== 'default', round: /round/.test(option) });
    },
  ],
];

/** `\setbeamertemplate{footline}[frame number]`, `{footline}{…}`. */
function setTemplate(it: Interpreter, args: Args): void {
  const name = textOf(it.p, tokensOf(args, 0)).trim();
  const option = args[1] ? tokensText(tokensOf(args, 1)).trim() : null;
  const said: Said = { name, option, body: templateBody(it, option) };
  TEMPLATES.find(([names]) => names.test(name))?.[1](it, said);
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
    name: 'usebeamercolor',
    signature: 'som',
    description: 'The colour of a part of slides, from here on.',
    example: '{\\usebeamercolor[fg]{structure}Tide}',
    run: (it, args) => {
      const name = textOf(it.p, tokensOf(args, 2)).trim();
      const { structure, bar } = it.read(LOOK);
      const colour =
        it.read(partColour(name)) ??
        (name === 'structure'
          ? structure
          : name === 'frametitle'
            ? (bar?.words ?? structure)
            : null);
      if (colour !== null && args[1]) it.changeFont({ color: colour });
    },
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
