import { marginNoteCommand } from '../constructs/margins';
import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { mathEntry } from '../constructs/mathEntry';
import type { PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry, macroEntry } from '../machine/macroEntry';
import { subfloat } from './caption';

/** Packages of a few signs and shapes of formulas, each a table of macros. */
const notation = (
  name: string,
  description: string,
  commands: NonNullable<PackageEntry['commands']>,
  requires: readonly string[] = [],
): PackageEntry => ({ name, description, options: null, requires, commands });

/** xfrac: fractions with a slanted stroke. */
export const xfrac = notation('xfrac', 'Fractions with a slanted stroke.', [
  macroEntry(
    'sfrac',
    'omm',
    'A fraction with a slanted stroke.',
    '\\sfrac{1}{2}',
    '\\ensuremath{{}^{#2}\\!/_{#3}}',
  ),
]);

/** units: quantities with upright units. */
export const units = notation('units', 'Quantities with upright units.', [
  macroEntry(
    'unit',
    'om',
    'A value with its unit.',
    '\\unit[3]{m}',
    '\\ensuremath{#1\\,\\mathrm{#2}}',
  ),
  macroEntry(
    'unitfrac',
    'omm',
    'A value with a unit by another.',
    '\\unitfrac[3]{m}{s}',
    '\\ensuremath{#1\\,{}^{\\mathrm{#2}}\\!/_{\\mathrm{#3}}}',
  ),
  macroEntry(
    'nicefrac',
    'omm',
    'A fraction with a slanted stroke.',
    '\\nicefrac{1}{2}',
    '\\ensuremath{{}^{#2}\\!/_{#3}}',
  ),
]);

/** gensymb: signs for degrees and the like, in text and formulas. */
export const gensymb = notation(
  'gensymb',
  'Signs for degrees, ohms and the like, in text and formulas.',
  [
    macroEntry('degree', '', 'The sign for degrees.', '30\\degree', '\\ensuremath{^{\\circ}}'),
    macroEntry(
      'celsius',
      '',
      'Degrees Celsius.',
      '30\\,\\celsius',
      '\\ensuremath{^{\\circ}\\mathrm{C}}',
    ),
    macroEntry('ohm', '', 'The sign for ohms.', '5\\,\\ohm', '\\ensuremath{\\Omega}'),
    macroEntry('micro', '', 'The sign for a millionth.', '3\\,\\micro m', '\\ensuremath{\\mu}'),
    macroEntry(
      'perthousand',
      '',
      'The sign for a thousandth.',
      '3\\,\\perthousand',
      '\\mbox{\\char"2030 }',
    ),
  ],
);

/** faktor: quotients with a slanted stroke. */
export const faktor = notation('faktor', 'Quotients of groups and spaces.', [
  macroEntry(
    'faktor',
    'mm',
    'A quotient: the upper part raised, the lower one lowered beside a stroke.',
    '$\\faktor{G}{N}$',
    '\\raisebox{.5ex}{$#1$}\\!\\big/\\!\\raisebox{-.5ex}{$#2$}',
  ),
]);

/** tensor: indices one behind another. */
/** Indices one behind another: each has a base of its own, but the first. */
function staggered(it: Interpreter, indices: readonly Token[]): Token[] {
  const out: Token[] = [];
  let isFirst = true;
  for (const token of indices) {
    const isIndex = token.cat === Cat.Super || token.cat === Cat.Sub;
    if (isIndex && !isFirst) out.push(...it.source('{}'));
    if (isIndex) isFirst = false;
    out.push(token);
  }
  return out;
}

export const tensor = notation('tensor', 'Indices one behind another.', [
  {
    ...mathEntry(
      'indices',
      '',
      'Indices, each behind the one before.',
      '$T\\indices{^a_b}$',
      (reader, token) => {
        reader.p.push(staggered(reader.it, reader.argument(token) ?? []));
        return null;
      },
    ),
    package: 'tensor',
  },
  {
    ...mathEntry(
      'tensor',
      '',
      'A tensor with its indices.',
      '$\\tensor{T}{^a_b}$',
      (reader, token) => {
        const { it, p } = reader;
        // With a star those before it stand one above the other.
        const isClose = p.takeChar('*');
        const before = readOptional(p) ?? [];
        const [letter, behind] = [reader.argument(token) ?? [], reader.argument(token) ?? []];
        const ahead =
          before.length === 0
            ? []
            : [...it.source('{}'), ...(isClose ? before : staggered(it, before))];
        p.push([...ahead, ...letter, ...(isClose ? behind : staggered(it, behind))]);
        return null;
      },
    ),
    package: 'tensor',
  },
  macroEntry(
    'nuclide',
    'om',
    'A nuclide by its mass.',
    '$\\nuclide[14]{C}$',
    '{}^{#1}\\mathrm{#2}',
  ),
]);

/** mleftright: brackets that grow without room around them. */
export const mleftright = notation('mleftright', 'Brackets that grow, without room around them.', [
  macroEntry('mleft', '', 'A bracket that grows.', '$f\\mleft(x\\mright)$', '\\mathopen{}\\left'),
  macroEntry('mright', '', 'The one that closes it.', '$f\\mleft(x\\mright)$', '\\right'),
  idleEntry('mleftright', '', 'All brackets are of that kind from here on.'),
]);

/** interval: intervals with the right room. */
export const interval = notation('interval', 'Intervals of numbers.', [
  macroEntry(
    'interval',
    'omm',
    'An interval from one number to another.',
    '$\\interval{a}{b}$',
    '\\left[#2,#3\\right]',
  ),
  macroEntry(
    'ointerval',
    'omm',
    'An open interval.',
    '$\\ointerval{a}{b}$',
    '\\left(#2,#3\\right)',
  ),
  macroEntry(
    'linterval',
    'omm',
    'An interval open at the left.',
    '$\\linterval{a}{b}$',
    '\\left(#2,#3\\right]',
  ),
  macroEntry(
    'rinterval',
    'omm',
    'An interval open at the right.',
    '$\\rinterval{a}{b}$',
    '\\left[#2,#3\\right)',
  ),
  idleEntry('intervalconfig', 'm', 'How intervals are written.'),
]);

/** commath: derivatives and brackets in few letters. */
export const commath = notation(
  'commath',
  'Derivatives, brackets and differentials in few letters.',
  [
    macroEntry('dif', '', 'A differential.', '$\\int f\\dif x$', '\\mathop{}\\!\\mathrm{d}'),
    macroEntry('Dif', '', 'A differential operator.', '$\\Dif f$', '\\mathop{}\\!\\mathrm{D}'),
    macroEntry(
      'od',
      'omm',
      'A derivative.',
      '$\\od{f}{x}$',
      '\\frac{\\mathrm{d}^{#1}#2}{\\mathrm{d}#3^{#1}}',
    ),
    macroEntry(
      'pd',
      'omm',
      'A partial derivative.',
      '$\\pd{f}{x}$',
      '\\frac{\\partial^{#1}#2}{\\partial#3^{#1}}',
    ),
    ...(['d', 't'] as const).flatMap((size) => [
      macroEntry(
        `${size}od`,
        'omm',
        `A derivative in ${size === 'd' ? 'the size of displays' : 'small'}.`,
        `$\\${size}od{f}{x}$`,
        `\\${size}frac{\\mathrm{d}^{#1}#2}{\\mathrm{d}#3^{#1}}`,
      ),
      macroEntry(
        `${size}pd`,
        'omm',
        `A partial derivative in ${size === 'd' ? 'the size of displays' : 'small'}.`,
        `$\\${size}pd{f}{x}$`,
        `\\${size}frac{\\partial^{#1}#2}{\\partial#3^{#1}}`,
      ),
    ]),
    ...(['', 'd', 't'] as const).map((size) =>
      macroEntry(
        `${size}md`,
        'mmmmmm',
        'A mixed partial derivative: function, order, and twice a variable with its order.',
        `$\\${size}md{f}{5}{x}{2}{y}{3}$`,
        `\\${size}frac{\\partial^{#2}#1}{\\partial#3^{#4}\\partial#5^{#6}}`,
      ),
    ),
    macroEntry(
      'fullfunction',
      'mmmmm',
      'A function with its sets and what it does.',
      '$\\fullfunction{f}{A}{B}{x}{x^2}$',
      '\\begin{array}{lccc}#1: & #2 & \\to & #3\\\\ & #4 & \\mapsto & #5\\end{array}',
    ),
    macroEntry('del', 'm', 'Round brackets that grow.', '$\\del{x}$', '\\left(#1\\right)'),
    macroEntry('sbr', 'm', 'Square brackets that grow.', '$\\sbr{x}$', '\\left[#1\\right]'),
    macroEntry('cbr', 'm', 'Braces that grow.', '$\\cbr{x}$', '\\left\\{#1\\right\\}'),
    macroEntry('set', 'm', 'A set.', '$\\set{x}$', '\\left\\{#1\\right\\}'),
    macroEntry('abs', 'm', 'An absolute value.', '$\\abs{x}$', '\\left|#1\\right|'),
    macroEntry('envert', 'm', 'An absolute value.', '$\\envert{x}$', '\\left|#1\\right|'),
    macroEntry('enVert', 'm', 'A norm.', '$\\enVert{x}$', '\\left\\Vert #1\\right\\Vert '),
    ...(
      [
        ['eqnref', ''],
        ['figref', 'figure~'],
        ['tabref', 'table~'],
        ['secref', 'section~'],
        ['appref', 'appendix~'],
      ] as const
    ).map(([name, word]) =>
      macroEntry(
        name,
        'm',
        'The number of what a label names, with its kind in small letters.',
        `\\${name}{x}`,
        word === '' ? '(\\ref{#1})' : `${word}\\ref{#1}`,
      ),
    ),
    macroEntry('norm', 'm', 'A norm.', '$\\norm{x}$', '\\left\\Vert #1\\right\\Vert '),
    macroEntry('eval', 'om', 'A value at a place.', '$\\eval{x^2}_0^1$', '\\left.#2\\right|'),
    macroEntry('intoo', 'm', 'An open interval.', '$\\intoo{0,1}$', '\\left(#1\\right)'),
    macroEntry('intcc', 'm', 'A closed interval.', '$\\intcc{0,1}$', '\\left[#1\\right]'),
    macroEntry(
      'intoc',
      'm',
      'An interval open at the left.',
      '$\\intoc{0,1}$',
      '\\left(#1\\right]',
    ),
    macroEntry(
      'intco',
      'm',
      'An interval open at the right.',
      '$\\intco{0,1}$',
      '\\left[#1\\right)',
    ),
  ],
  ['amsmath'],
);

/** relsize: type some steps larger or smaller. */
export const relsize = notation('relsize', 'Type some steps larger or smaller.', [
  macroEntry('larger', 'o', 'Larger type from here on.', '{\\larger tide}', '\\large '),
  macroEntry('smaller', 'o', 'Smaller type from here on.', '{\\smaller tide}', '\\small '),
  macroEntry('textlarger', 'om', 'Larger type.', '\\textlarger{tide}', '{\\large #2}'),
  macroEntry('textsmaller', 'om', 'Smaller type.', '\\textsmaller{tide}', '{\\small #2}'),
  macroEntry(
    'mathlarger',
    'm',
    'A larger formula.',
    '$\\mathlarger{\\sum}$',
    '{\\displaystyle #1}',
  ),
]);

/** ragged2e: text set to one side. */
export const ragged2e = notation('ragged2e', 'Text set to one side, with words divided.', [
  macroEntry(
    'RaggedRight',
    '',
    'Text to the left from here on.',
    '{\\RaggedRight tide\\par}',
    '\\raggedright ',
  ),
  macroEntry(
    'RaggedLeft',
    '',
    'Text to the right from here on.',
    '{\\RaggedLeft tide\\par}',
    '\\raggedleft ',
  ),
  macroEntry(
    'Centering',
    '',
    'Text in the middle from here on.',
    '{\\Centering tide\\par}',
    '\\centering ',
  ),
  macroEntry(
    'justifying',
    '',
    'Text to both margins from here on.',
    '{\\justifying tide\\par}',
    '\\relax ',
  ),
]);

/** marginnote: notes in the margin that do not float. */
export const marginnote = notation('marginnote', 'Notes in the margin that stay where they are.', [
  marginNoteCommand,
]);

/** changepage: margins changed for a while. */
export const changepage: PackageEntry = {
  name: 'changepage',
  description: 'Margins changed for a part of the text.',
  options: null,
  source:
    '\\newenvironment{adjustwidth}[2]{\\begin{list}{}{\\topsep0pt\\listparindent\\parindent\\parsep\\parskip\\leftmargin#1\\rightmargin#2}\\item[]\\ignorespaces}{\\end{list}}\\newenvironment{adjustwidth*}[2]{\\begin{adjustwidth}{#1}{#2}}{\\end{adjustwidth}}',
};

/** needspace: a page ends before a place that has too little room behind it. */
export const needspace = notation('needspace', 'Ends a page where there is too little room.', [
  macroEntry(
    'needspace',
    'm',
    'So much room is needed here.',
    '\\needspace{3cm}',
    '\\par\\@needroom{#1}',
  ),
  macroEntry(
    'Needspace',
    'm',
    'So much room is needed here.',
    '\\Needspace{3cm}',
    '\\par\\@needroom{#1}',
  ),
]);

/** esvect: arrows over the names of vectors. */
export const esvect = notation('esvect', 'Arrows over vectors.', [
  macroEntry('vv', 'm', 'An arrow over a vector.', '$\\vv{AB}$', '\\overrightarrow{#1}'),
]);

/** stackrel: what stands above and below a relation. */
export const stackrel = notation('stackrel', 'Words above and below a relation.', [
  macroEntry(
    'stackrel',
    'omm',
    'A relation with something above it, and below it if wanted.',
    '$a\\stackrel[n]{!}{=}b$',
    '\\mathrel{\\mathop{#3}\\limits^{#2}_{#1}}',
  ),
  macroEntry(
    'stackbin',
    'omm',
    'An operation with something above it, and below it if wanted.',
    '$a\\stackbin[n]{!}{+}b$',
    '\\mathbin{\\mathop{#3}\\limits^{#2}_{#1}}',
  ),
]);

/** accents: signs of one's own over letters. */
export const accents = notation('accents', 'Signs of one’s own as accents.', [
  macroEntry(
    'accentset',
    'mm',
    'A sign as an accent over a letter.',
    '$\\accentset{\\ast}{x}$',
    '{\\mathop{#2}\\limits^{\\scriptscriptstyle #1}}',
  ),
  macroEntry(
    'underaccent',
    'mm',
    'A sign under a letter.',
    '$\\underaccent{\\ast}{x}$',
    '{\\mathop{#2}\\limits_{\\scriptscriptstyle #1{}}}',
  ),
]);

/** bbold: a blackboard alphabet that has digits. */
export const bbold = notation('bbold', 'Blackboard letters and digits.', [], ['amssymb']);

/** import: files by their folder and name. */
export const importing = notation('import', 'Files by their folder and name.', [
  macroEntry('import', 'mm', 'A file of a folder.', '\\import{}{}', '\\input{#1#2}'),
  macroEntry('subimport', 'mm', 'A file of a folder below.', '\\subimport{}{}', '\\input{#1#2}'),
]);

/** subfig and its forerunner: parts of a figure with their captions. */
const partsOfFigures = (name: string, command: string): PackageEntry =>
  notation(
    name,
    'Parts of a figure with captions of their own.',
    [
      {
        name: command,
        signature: 'ooM',
        description: 'A part of a figure with its caption; without brackets it bears none.',
        example: `\\begin{figure}\\${command}[The gauge]{x}\\end{figure}`,
        package: name,
        run: subfloat,
      },
    ],
    ['subcaption'],
  );
export const subfig = partsOfFigures('subfig', 'subfloat');
export const subfigure = partsOfFigures('subfigure', 'subfigure');
