import { trimmed } from './optionLists';
import { blended } from '../../base/paint';
import { textOf, tokensText } from '../../expansion/tokenText';
import { nearestName } from '../../base/nearest';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { cell, cellsBy } from '../../expansion/cells';
import { COLOUR_LISTS, type ColourList, PLAIN_COLOURS } from '../../base/colourNames';
import { tellUnknownKey } from './unknownKeys';

/** The lists of names that the options of xcolor brought. */
export const COLOUR_OPTIONS = cell<readonly ColourList[]>('colouroptions', []);

/** Colours that the document defines, by name. */
export const definedColour = cellsBy<number | null>('colour', null);

const hex = (parts: readonly number[]): number =>
  parts.reduce((sum, v) => (sum << 8) | Math.max(0, Math.min(255, Math.round(v * 255))), 0);

/** Hue, saturation and brightness, each from 0 to 1, as red, green and blue (xcolor manual, section 6.3.2). */
function fromHue([h = 0, s = 0, b = 0]: readonly number[]): number {
  const part = (n: number): number => {
    const k = (n + h * 6) % 6;
    return b - b * s * Math.max(0, Math.min(k, 4 - k, 1));
  };
  return hex([part(5), part(3), part(1)]);
}

/** The models by their names: what their values make (xcolor manual, section 2.2). */
const MODELS: Readonly<Record<string, (values: readonly number[]) => number>> = {
  rgb: hex,
  RGB: (values) => hex(values.map((v) => v / 255)),
  gray: ([g = 0]) => hex([g, g, g]),
  Gray: ([g = 0]) => hex([g / 15, g / 15, g / 15]),
  cmy: (values) => hex(values.map((v) => 1 - v)),
  cmyk: ([c = 0, m = 0, y = 0, k = 0]) => hex([c, m, y].map((ink) => 1 - Math.min(1, ink + k))),
  hsb: fromHue,
  Hsb: ([h = 0, s = 0, b = 0]) => fromHue([h / 360, s, b]),
  HSB: (values) => fromHue(values.map((v) => v / 240)),
};

/** A colour by the values of a model, as they are written; null for a model that is not known. Of several the first counts. */
export function modelled(model: string, values: string): number | null {
  const [name = ''] = model.trim().split('/');
  const [written = ''] = values.split('/');
  if (name === 'HTML') return parseInt(written, 16) || 0;
  return (
    MODELS[name]?.(
      written
        .trim()
        .split(/[,\s]+/)
        .map((v) => parseFloat(v) || 0),
    ) ?? null
  );
}

/** What a name is: of the document, of the lists that are loaded, or always there; null when it is none. */
function namedColour(it: Interpreter, name: string): number | null {
  if (name === '.') return Math.max(0, it.font.color);
  const own = it.read(definedColour(name));
  if (own !== null) return own;
  const list = it.read(COLOUR_OPTIONS).findLast((one) => COLOUR_LISTS[one].has(name));
  return (list ? COLOUR_LISTS[list].get(name) : PLAIN_COLOURS.get(name)) ?? null;
}

/** A colour and so much of the next, over and over: `blue!60!black!50` (xcolor manual, section 2.3). */
function mixed(text: string, named: (name: string) => number): number {
  const [first = '', ...parts] = text.replace(/!!.*$/, '').split('!');
  const minus = /^[-\s]*/.exec(first)?.[0].replaceAll(' ', '').length ?? 0;
  let colour = named(first.replace(/^[-\s]+/, '').trim());
  for (let i = 0; i < parts.length; i += 2) {
    const share = parseFloat(parts[i] ?? '') / 100;
    const other = parts[i + 1]?.trim() ?? '';
    colour = blended(colour, other === '' ? WHITE : named(other), Number.isNaN(share) ? 1 : share);
  }
  return minus % 2 === 1 ? WHITE - colour : colour;
}

/** `rgb:red,4;green,2`, `rgb,9:red,4`: parts by weight, of their sum or of the number said. */
function weighted(text: string, named: (name: string) => number): number | null {
  const said = /^\s*[A-Za-z]+(?:,([\d.]+))?:(.*)$/.exec(text);
  if (!said) return null;
  const parts = (said[2] ?? '').split(';').map((part) => {
    const at = part.lastIndexOf(',');
    return { colour: mixed(part.slice(0, at), named), weight: parseFloat(part.slice(at + 1)) || 0 };
  });
  const whole =
    parseFloat(said[1] ?? '') || parts.reduce((sum, { weight }) => sum + weight, 0) || 1;
  return hex(
    [16, 8, 0].map((shift) =>
      parts.reduce(
        (sum, { colour, weight }) => sum + (((colour >> shift) & 255) / 255) * (weight / whole),
        0,
      ),
    ),
  );
}

const WHITE = 0xffffff;

/** Which option of xcolor brings a name, or none of them. */
const optionFor = (name: string): ColourList | undefined =>
  (Object.keys(COLOUR_LISTS) as ColourList[]).find((one) => COLOUR_LISTS[one].has(name));

function reportUnknown(it: Interpreter, name: string, value: readonly Token[]): void {
  const [first, last] = [value.find(({ text }) => text !== ' '), value.at(-1)];
  const { chunk } = it.p.reader;
  const inPlace = first?.chunk === chunk && last?.chunk === chunk;
  const span = inPlace ? { from: first.from, to: last.to } : it.p.place;
  const option = optionFor(name);
  if (option) return it.p.report('colour-option-missing', span, { name, option });
  const near = nearestName(name, PLAIN_COLOURS.keys());
  const isWhole = inPlace && tokensText(value).trim() === name;
  const fix =
    near && isWhole ? { title: `Write ${near}`, edits: [{ ...span, text: near }] } : undefined;
  it.p.report('colour-unknown', span, { name }, fix);
}

/** `{rgb}{255,0,0}`: values that the model does not have; elsewhere they stop xcolor. */
function tellBeyond(it: Interpreter, kind: string, model: readonly Token[], values: string): void {
  const [first] = model;
  const isBytes = kind === 'rgb' && values.split(',').every((v) => Number(v) <= 255);
  const span = { from: first?.from ?? it.p.place.from, to: model.at(-1)?.to ?? it.p.place.to };
  const isTyped = first?.chunk === it.p.reader.chunk;
  const fix = { title: 'Write RGB', edits: [{ ...span, text: 'RGB' }] };
  const place = isTyped ? span : it.p.place;
  it.p.report(
    'colour-beyond',
    place,
    { model: kind, values },
    isTyped && isBytes ? fix : undefined,
  );
}

/** A way to name colours that there is not, with the one that is near; black is taken. */
function unknownModel(it: Interpreter, name: string, model: readonly Token[]): number {
  const known = Object.keys(MODELS).concat('HTML');
  const near = nearestName(name, known);
  if (near === null) reportUnknown(it, name, model);
  else tellUnknownKey(it, model, known, near);
  return 0;
}

/** A name, a mix such as `blue!60!black`, or values of a model. What is not known is told of, and black. */
export function colourOf(
  it: Interpreter,
  model: readonly Token[] | null,
  value: readonly Token[],
): number {
  const text = textOf(it.p, value);
  const unknown = (name: string): number => {
    reportUnknown(it, name, value);
    return 0;
  };
  const named = (name: string): number => namedColour(it, name) ?? unknown(name);
  const kind = model ? textOf(it.p, model).trim() : 'named';
  if (kind !== 'named' && kind !== '') {
    const [written = ''] = text.split('/');
    const isBeyond =
      /^(?:rgb|gray|cmyk?|hsb)$/.test(kind) && written.split(',').some((v) => Number(v) > 1);
    if (isBeyond && model) tellBeyond(it, kind, model, written);
    return modelled(kind, text) ?? unknownModel(it, kind, model ?? []);
  }
  return weighted(text, named) ?? mixed(text, named);
}

/** Does a text name a colour, or a mix of them? */
export function isColour(it: Interpreter, text: string): boolean {
  const parts = text.split('!');
  const isName = (name: string): boolean => namedColour(it, name.replace(/^-+/, '')) !== null;
  return parts.every((part, i) => {
    const name = part.trim();
    return i % 2 === 0 ? isName(name) || (i > 0 && name === '') : /^[\d.]*$/.test(name);
  });
}

/** The colour that `\color[model]{…}` or a name alone gives, or null where nothing is said. */
export function colourSaid(it: Interpreter, tokens: readonly Token[] | undefined): number | null {
  if (!tokens || tokens.length === 0) return null;
  const rest = tokens.slice(tokens.findIndex(({ text }) => text === 'color') + 1);
  const end = rest[0]?.text === '[' ? rest.findIndex(({ text }) => text === ']') : -1;
  return colourOf(it, end > 0 ? rest.slice(1, end) : null, trimmed(rest.slice(end + 1)));
}
