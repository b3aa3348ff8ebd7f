import { PT } from '../../base/lengths';
import { readName } from '../../expansion/definitions';
import { textOf } from '../../expansion/tokenText';
import { scanDimen, scanInt, takeKeyword } from '../../expansion/scan';
import { fontFamily } from '../symbols/fontFamilies';
import { type CommandEntry, tokensOf } from '../machine/entries';
import { scanFileName } from './files';
import type { Interpreter } from '../machine/interpreter';

const designSize = (file: string): number => parseFloat(/\d+$/.exec(file)?.[0] ?? '10') || 10;

/** The switches that come nearest to a font of the Computer Modern family. */
function fontSource(file: string, size: number): string {
  const family = /tt/.test(file) ? '\\ttfamily' : /ss/.test(file) ? '\\sffamily' : '\\rmfamily';
  const series = /bx|cmb/.test(file) ? '\\bfseries' : '\\mdseries';
  const shape = /ti|it/.test(file)
    ? '\\itshape'
    : /sl/.test(file)
      ? '\\slshape'
      : /csc/.test(file)
        ? '\\scshape'
        : '\\upshape';
  return `${family}${series}${shape}\\fontsize{${size}}{${(1.2 * size).toFixed(2)}}\\selectfont `;
}

function fontPart(
  name: string,
  sample: string,
  change: (it: Interpreter, value: string) => void,
): CommandEntry {
  return {
    name,
    signature: 'm',
    description: 'A part of the font, put in force by \\selectfont.',
    example: `\\${name}{${sample}}\\selectfont`,
    run: (it, args) => change(it, textOf(it.p, tokensOf(args, 0))),
  };
}

/** Of all encodings only the first has measures and signs of its own here. */
export const encodingOf = (it: Interpreter, name: string): void =>
  it.changeFont({ encoding: name === 'OT1' ? 'OT1' : 'T1' });

/** Takes a family by its name in the selection scheme. */
export const familyOf = (it: Interpreter, name: string): void => {
  const known = fontFamily(name);
  const { face, mathFace = face } = it.font;
  it.changeFont({ ...known, mathFace });
};

function seriesOf(it: Interpreter, name: string): void {
  it.changeFont({ series: /b/.test(name) ? 'bold' : 'medium' });
}

function shapeOf(it: Interpreter, name: string): void {
  const shape =
    name === 'it' ? 'italic' : name === 'sl' ? 'slanted' : name === 'sc' ? 'caps' : 'upright';
  it.changeFont({ shape });
}

/** Fonts asked for by the names of the font selection scheme, or of their files. */
export const fontNames: readonly CommandEntry[] = [
  {
    name: 'usefont',
    signature: 'mmmm',
    description: 'A font by its encoding, family, series and shape.',
    example: '\\usefont{T1}{cmr}{b}{n}',
    run: (it, args) => {
      encodingOf(it, textOf(it.p, tokensOf(args, 0)));
      familyOf(it, textOf(it.p, tokensOf(args, 1)));
      seriesOf(it, textOf(it.p, tokensOf(args, 2)));
      shapeOf(it, textOf(it.p, tokensOf(args, 3)));
    },
  },
  fontPart('fontfamily', 'cmr', familyOf),
  fontPart('fontseries', 'b', seriesOf),
  fontPart('fontshape', 'it', shapeOf),
  fontPart('fontencoding', 'T1', encodingOf),
  {
    name: 'newfont',
    signature: 'mm',
    description: 'A font by the name of its file; one that ships is taken, at the size asked for.',
    example: '\\newfont{\\tide}{cmr10}',
    run: (it, args) => {
      const { p } = it;
      const [name, file] = [tokensOf(args, 0), tokensOf(args, 1)];
      p.push([p.command('font'), ...name, ...p.chars('='), ...file, p.command('relax')]);
    },
  },
  {
    name: 'font',
    signature: '',
    description: 'A font by the name of its file; one that ships is taken, at the size asked for.',
    example: '\\font\\tide=cmr10 ',
    run: (it, _args, token) => {
      const cell = readName(it.p, token);
      const file = scanFileName(it.p);
      const size = takeKeyword(it.p, 'at')
        ? scanDimen(it.p) / PT
        : takeKeyword(it.p, 'scaled')
          ? (scanInt(it.p) / 1000) * designSize(file)
          : designSize(file);
      if (cell) it.define(cell.name, fontSource(file, size));
    },
  },
];
