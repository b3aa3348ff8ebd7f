import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, unspaced } from '../scanning/optionLists';

/** Has the document said how its diagrams look? */
export const CD_SET = cell('tikzcdset', false);

/** Separations by name: of columns, of rows. */
const SEPARATIONS: Readonly<Record<string, readonly [column: string, row: string]>> = {
  tiny: ['.6em', '.45em'],
  small: ['1.2em', '.9em'],
  scriptsize: ['1.8em', '1.35em'],
  normal: ['2.4em', '1.8em'],
  large: ['3.6em', '2.7em'],
  huge: ['4.8em', '3.6em'],
};
/** Those that the document gives other measures: `row sep/normal=1cm`. */
const MEASURES = cell<Readonly<Record<string, string>>>('tikzcdmeasures', {});

/** What the options of a diagram say, for the picture that it is. */
export interface DiagramKeys {
  /** Are its objects and labels formulas? */
  readonly math: boolean;
  /** The command that stands for `&`. */
  readonly apart: string | null;
  readonly keys: Token[];
}

/** Styles of diagrams by the names that the package's manual has for them. */
const OF_ALL: Readonly<Record<string, string>> = {
  arrows: 'every cd arrow',
  labels: 'every cd label',
  cells: 'every cd cell',
};

/** Options of diagrams as keys of pictures. @param options a list with commas. */
export function diagramKeys(it: Interpreter, options: readonly Token[]): DiagramKeys {
  const keys: Token[] = [];
  let [math, apart] = [true, null as string | null];
  for (const option of splitAt(options, ',').map(unspaced)) {
    if (option.length === 0) continue;
    const eq = option.findIndex(({ text, cat }) => text === '=' && cat === Cat.Other);
    const name = tokensText(eq < 0 ? option : option.slice(0, eq))
      .replace(/^\/?(?:tikz\/)?commutative diagrams\//, '')
      .trim();
    const value = eq < 0 ? [] : unspaced(option.slice(eq + 1));
    if (name === 'math mode') math = !/false/.test(tokensText(value));
    else if (name === 'ampersand replacement') apart = value[0]?.text ?? null;
    else keys.push(...pictureKey(it, name, value, option), ...it.p.chars(','));
  }
  return { math, apart, keys };
}

function pictureKey(
  it: Interpreter,
  name: string,
  value: readonly Token[],
  whole: readonly Token[],
): readonly Token[] {
  const styled = (style: string, body: readonly Token[]): Token[] => [
    ...it.source(`${style}/.append style={`),
    ...body,
    ...it.source('}'),
  ];
  const all = OF_ALL[name];
  if (name === 'diagrams') return styled('every cd diagram', diagramKeys(it, bare(value)).keys);
  if (all) return styled(all, bare(value));
  const every = /^every (arrow|label|cell|diagram)\/(\..*)$/.exec(name);
  if (every)
    return [...it.source(`every cd ${every[1]}/${every[2]}={`), ...bare(value), ...it.source('}')];
  switch (name) {
    case 'sep':
    case 'row sep':
    case 'column sep':
      return it.source(separations(it, name, tokensText(bare(value))));
    case 'cramped':
      return it.source('every cd cell/.append style={inner xsep=.3em,inner ysep=.3em}');
    case 'background color':
      return styled('every cd ground', [...it.source('fill='), ...value]);
    case 'arrow style':
      return [];
    default:
      return whole;
  }
}

function separations(it: Interpreter, name: string, value: string): string {
  const measures = it.read(MEASURES);
  const one = (which: 'row' | 'column'): string => {
    const named = SEPARATIONS[value]?.[which === 'column' ? 0 : 1];
    return `${which} sep={${measures[`${which} sep/${value}`] ?? named ?? value}}`;
  };
  if (name === 'sep') return `${one('row')},${one('column')}`;
  return one(name === 'row sep' ? 'row' : 'column');
}

const bare = (value: readonly Token[]): readonly Token[] =>
  value[0]?.cat === Cat.Begin && value.at(-1)?.cat === Cat.End ? value.slice(1, -1) : value;

/** `\tikzcdset{…}`: what holds for the diagrams that follow. */
export function setDiagrams(it: Interpreter, options: readonly Token[]): void {
  it.write(CD_SET, true);
  for (const option of splitAt(options, ',').map(unspaced)) {
    const text = tokensText(option);
    const measure = /^((?:row|column) sep\/\w+)(?:\/\.initial)?\s*=\s*(.*)$/.exec(text);
    if (measure) {
      it.write(MEASURES, { ...it.read(MEASURES), [measure[1] ?? '']: measure[2] ?? '' });
      if (measure[1]?.endsWith('/normal')) set(it, diagramStyle(it, measureKey(measure)));
      continue;
    }
    const { keys } = diagramKeys(it, option);
    const isStyle = /^[^=]*\/\./.test(text) || /^(?:arrows|labels|cells|diagrams)\b/.test(text);
    set(it, isStyle ? keys : diagramStyle(it, keys));
  }
}
const measureKey = ([, name = '', value = '']: RegExpExecArray): string =>
  `${name.replace('/normal', '')}={${value}}`;

const diagramStyle = (it: Interpreter, keys: string | readonly Token[]): Token[] => [
  ...it.source('every cd diagram/.append style={'),
  ...(typeof keys === 'string' ? it.source(keys) : keys),
  ...it.source('}'),
];
const set = (it: Interpreter, keys: readonly Token[]): void =>
  it.execute([...it.source('\\tikzset{'), ...keys, ...it.source('}')]);
