import { textOf } from '../../expansion/expandables';
import type { CommandEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import type { Interpreter } from '../interpreter';
import type { Token } from '../../expansion/meaning';

/** The names that every colour package knows (xcolor manual, section “Predefined colors”). */
const NAMED: Readonly<Record<string, number>> = {
  black: 0x000000,
  white: 0xffffff,
  red: 0xff0000,
  green: 0x00ff00,
  blue: 0x0000ff,
  cyan: 0x00ffff,
  magenta: 0xff00ff,
  yellow: 0xffff00,
  gray: 0x808080,
  darkgray: 0x404040,
  lightgray: 0xbfbfbf,
  brown: 0xbf8040,
  lime: 0xbfff00,
  olive: 0x808000,
  orange: 0xff8000,
  pink: 0xffbfbf,
  purple: 0xbf0040,
  teal: 0x008080,
  violet: 0x800080,
};

const mix = (a: number, b: number, share: number): number => {
  const part = (shift: number): number =>
    Math.round(((a >> shift) & 255) * share + ((b >> shift) & 255) * (1 - share)) << shift;
  return part(16) | part(8) | part(0);
};

const fromParts = (parts: readonly number[], scale: number): number =>
  parts.reduce((sum, v) => (sum << 8) | Math.max(0, Math.min(255, Math.round(v * scale))), 0);

/** A colour in a model: rgb, RGB, HTML, gray, cmyk. */
function modelled(model: string, values: string): number {
  if (model === 'HTML') return parseInt(values, 16) || 0;
  const parts = values.split(',').map((v) => parseFloat(v) || 0);
  if (model === 'RGB') return fromParts(parts, 1);
  if (model === 'gray') return fromParts([parts[0] ?? 0, parts[0] ?? 0, parts[0] ?? 0], 255);
  if (model === 'cmyk') {
    const [c = 0, m = 0, y = 0, k = 0] = parts;
    return fromParts([1 - Math.min(1, c + k), 1 - Math.min(1, m + k), 1 - Math.min(1, y + k)], 255);
  }
  return fromParts(parts, 255);
}

const colourCell = (it: Interpreter, name: string) => it.state.cell(`\u0001colour:${name}`);

/** A name or a mix such as `blue!60!black`. */
function colourOf(
  it: Interpreter,
  model: readonly Token[] | null,
  value: readonly Token[],
): number {
  const text = textOf(it.p, value);
  if (model) return modelled(textOf(it.p, model), text);
  const parts = text.split('!');
  const named = (name: string): number =>
    (it.state.get(colourCell(it, name.trim())) as number | undefined) ?? NAMED[name.trim()] ?? 0;
  let colour = named(parts[0] ?? 'black');
  for (let i = 1; i < parts.length; i += 2) {
    colour = mix(
      colour,
      named(parts[i + 1] ?? 'white'),
      (parseFloat(parts[i] ?? '100') || 0) / 100,
    );
  }
  return colour;
}

const optional = (arg: readonly Token[] | null | boolean | undefined): readonly Token[] | null =>
  Array.isArray(arg) ? (arg as Token[]) : null;

const commands: readonly CommandEntry[] = [
  {
    name: 'color',
    signature: 'om',
    description: 'The colour from here to the end of the group.',
    example: '{\\color{blue} tide}',
    run: (it, args) => it.changeFont({ color: colourOf(it, optional(args[0]), tokensOf(args, 1)) }),
    math: (reader, token) => {
      reader.color = colourOf(reader.it, null, reader.argument(token));
      return null;
    },
  },
  {
    name: 'textcolor',
    signature: 'omM',
    description: 'Text in a colour.',
    example: '\\textcolor{red}{tide}',
    run: (it, args) => {
      const color = colourOf(it, optional(args[0]), tokensOf(args, 1));
      it.startParagraph();
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      it.changeFont({ color });
      it.p.push([...tokensOf(args, 2), it.p.command('\u0001closegroup')]);
    },
    math: (reader, token) => {
      const outer = reader.color;
      reader.color = colourOf(reader.it, null, reader.argument(token));
      const body = reader.field(token);
      reader.color = outer;
      return body;
    },
  },
  {
    name: 'definecolor',
    signature: 'mmm',
    description: 'A colour of your own.',
    example: '\\definecolor{brass}{HTML}{B08D57}',
    run: (it, args) => {
      const value = modelled(textOf(it.p, tokensOf(args, 1)), textOf(it.p, tokensOf(args, 2)));
      it.state.set(colourCell(it, textOf(it.p, tokensOf(args, 0))), value, true);
    },
  },
];

/** xcolor and color: coloured text. */
export const xcolor: PackageEntry = {
  name: 'xcolor',
  description: 'Coloured text, and colours of your own.',
  options: null,
  commands,
};
export const color: PackageEntry = { ...xcolor, name: 'color' };
