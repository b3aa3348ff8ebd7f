import type { FontFace } from '../../document/font';
import { textOf } from '../../expansion/tokenText';
import { encodingOf } from '../constructs/fontNames';
import { CELLS } from '../machine/cells';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { fontNamed } from '../symbols/fontFamilies';
import { setFace } from './typeface';
import { idleEntry, macroEntry, quietEntry } from '../machine/macroEntry';

/** Sans serif and typewriter fonts that are what is set for them. */
const SHIPPED = /latin modern|cmu (?:sans|typewriter|serif)|^lm ?(?:sans|mono)|^lmsans|^lmmono/i;

const CALLED: Readonly<Record<FontFace, string>> = {
  modern: 'Latin Modern',
  termes: 'TeX Gyre Termes',
  pagella: 'TeX Gyre Pagella',
  schola: 'TeX Gyre Schola',
  bonum: 'TeX Gyre Bonum',
  libertine: 'Linux Libertine',
};

/** The face that a font's name means; null when none here is like it. */
export const faceNamed = (name: string): FontFace | null => fontNamed(name)?.face ?? null;

/** A font by its name: the face that is like it; one that none is like is told of. */
function choose(
  it: Interpreter,
  name: string,
  changes: boolean,
  at: { from: number; to: number },
): void {
  const known = fontNamed(name);
  const face = known?.face ?? null;
  if (face && changes) {
    it.write(CELLS.face, face, true);
    // Faces without formulas of their own leave those as they are.
    if (MATHEMATICS.has(face)) it.changeFont({ face });
    else setFace(it, face, 'text');
  } else if (known && changes) {
    const { family, ...design } = known;
    it.changeFont(design);
    it.define('familydefault', family === 'mono' ? '\\ttdefault' : '\\sfdefault');
  }
  if (known === null || (!changes && face !== it.read(CELLS.face)))
    it.p.report('font-not-here', at, { name, instead: CALLED[it.read(CELLS.face)] });
}

/** Faces that come with formulas. */
const MATHEMATICS: ReadonlySet<FontFace> = new Set(['modern', 'termes', 'pagella']);

const chooser = (
  name: string,
  what: string,
  run: (it: Interpreter, font: string, at: { from: number; to: number }) => void,
): CommandEntry => ({
  name,
  signature: 'omo',
  package: 'fontspec',
  description: what,
  example: `\\${name}{Latin Modern ${name === 'setsansfont' ? 'Sans' : name === 'setmonofont' ? 'Mono' : name === 'setmathfont' ? 'Math' : 'Roman'}}`,
  run: (it, args, token) => run(it, textOf(it.p, tokensOf(args, 1)), it.spanOf(token)),
});

const other = (
  it: Interpreter,
  font: string,
  at: { from: number; to: number },
  instead: string,
): void => {
  const { family: _kind, face, ...design } = fontNamed(font) ?? { family: 'roman' };
  if (design.sansFace ?? design.monoFace) it.changeFont(design);
  else if (face !== 'modern' && !SHIPPED.test(font))
    it.p.report('font-not-here', at, { name: font, instead });
};

const mathFont = chooser('setmathfont', 'The font of formulas, by its name.', (it, font, at) =>
  choose(it, font, false, at),
);

/** fontspec: fonts by their names. */
export const fontspec: PackageEntry = {
  name: 'fontspec',
  description: 'Fonts by their names; those that ship are taken, of others it is told.',
  options: null,
  // All signs stand in the fonts under their own numbers.
  setup: (it) => encodingOf(it, 'TU'),
  commands: [
    chooser('setmainfont', 'The font of the text, by its name.', (it, font, at) =>
      choose(it, font, true, at),
    ),
    chooser('setsansfont', 'The font without serifs, by its name.', (it, font, at) =>
      other(it, font, at, 'Latin Modern Sans'),
    ),
    chooser('setmonofont', 'The typewriter font, by its name.', (it, font, at) =>
      other(it, font, at, 'Latin Modern Mono'),
    ),
    mathFont,
    quietEntry('defaultfontfeatures', 'om', 'What holds for all fonts.'),
    {
      ...idleEntry('newfontfamily', 'momo', 'A name for a font.'),
      example: '\\newfontfamily\\quayfont{Latin Modern Roman}',
      run: (it, args, token) => {
        for (const { cell, text } of tokensOf(args, 0)) if (cell) it.define(text, '');
        it.p.report('command-without-effect', it.spanOf(token), { name: 'newfontfamily' });
      },
    },
    idleEntry('addfontfeatures', 'm', 'Features of the font in force.'),
  ],
};

const SYMBOLS: readonly (readonly [string, string, string])[] = [
  ['symbf', 'mathbf', 'bold'],
  ['symbb', 'mathbb', 'double-struck'],
  ['symcal', 'mathcal', 'calligraphic'],
  ['symscr', 'mathcal', 'script'],
  ['symfrak', 'mathfrak', 'Fraktur'],
  ['symsf', 'mathsf', 'without serifs'],
  ['symtt', 'mathtt', 'typewriter'],
  ['symup', 'mathrm', 'upright'],
  ['symrm', 'mathrm', 'upright'],
  ['symit', 'mathit', 'italic'],
  ['symbfit', 'boldsymbol', 'bold italic'],
  ['symbfup', 'mathbf', 'bold upright'],
];

/** unicode-math: formulas from fonts with all signs; they are set so in any case. */
export const unicodeMath: PackageEntry = {
  name: 'unicode-math',
  description: 'Formulas from a font with all signs of mathematics.',
  options: null,
  requires: ['fontspec', 'amsmath', 'amssymb'],
  commands: [
    mathFont,
    ...SYMBOLS.map(([name, as, look]) =>
      macroEntry(name, 'm', `Letters in a formula, ${look}.`, `$\\${name}{A}$`, `\\${as}{#1}`),
    ),
    quietEntry('unimathsetup', 'm', 'Settings of formulas.'),
  ],
};
