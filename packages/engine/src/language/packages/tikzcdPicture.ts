import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { cellAfter, isPlain, optionsOf } from '../constructs/arrowDiagrams';
import { arrowsIn } from '../constructs/arrowTokens';
import { isRowEnd, partAt } from '../constructs/diagrams';
import { leadsSomewhere } from '../constructs/lostArrows';
import type { Interpreter } from '../machine/interpreter';
import { CD_SET, diagramKeys } from './tikzcdSettings';

type Place = readonly [row: number, column: number];

/** A label of an arrow: what it says, and the keys of its node. */
interface Label {
  readonly text: readonly Token[];
  readonly keys: readonly string[];
}

/** An arrow as it is written. */
interface Arrow {
  readonly token: Token;
  readonly place: Place;
  from: string | Place;
  to: string | Place;
  readonly keys: string[];
  readonly labels: Label[];
  /** What is said of all of them. */
  readonly labelKeys: string[];
  start: string;
  end: string;
  /** To its left, as a sum; empty where it lies on the line between its ends. */
  shift: string;
  anchors: { start: string; end: string };
}

const DOUBLE = 'double equal sign distance';
const IMPLIES = '{Implies}';

/** What a word says of the two ends of an arrow: their tips, as the picture language names them. */
const ENDS: Readonly<Record<string, Partial<Pick<Arrow, 'start' | 'end'>>>> = {
  hook: { start: '{Hooks[right]}' },
  "hook'": { start: '{Hooks[left]}' },
  tail: { start: '>' },
  'two heads': { end: '>>' },
  'maps to': { start: '|' },
  mapsto: { start: '|' },
  rightarrow: {},
  'to head': { end: '>' },
  leftarrow: { start: '<', end: '' },
  leftrightarrow: { start: '<' },
  dash: { start: '', end: '' },
  '-': { start: '', end: '' },
  'no head': { end: '' },
  'no tail': { start: '' },
  hookrightarrow: { start: '{Hooks[right]}' },
  twoheadrightarrow: { end: '>>' },
  rightarrowtail: { start: '>' },
  harpoon: { end: '{Straight Barb[left]}' },
  "harpoon'": { end: '{Straight Barb[right]}' },
  rightharpoonup: { end: '{Straight Barb[left]}' },
  rightharpoondown: { end: '{Straight Barb[right]}' },
  leftharpoonup: { start: '{Straight Barb[right]}', end: '' },
  leftharpoondown: { start: '{Straight Barb[left]}', end: '' },
  hookleftarrow: { start: '<', end: '{Hooks[right]}' },
  twoheadleftarrow: { start: '<<', end: '' },
  leftarrowtail: { start: '<', end: '<' },
  mapsfrom: { start: '<', end: '|' },
  dashleftarrow: { start: '<', end: '' },
  leftsquigarrow: { start: '<', end: '' },
  leftrightsquigarrow: { start: '<' },
  Rightarrow: { end: IMPLIES },
  implies: { end: IMPLIES },
  Leftarrow: { start: IMPLIES, end: '' },
  impliedby: { start: IMPLIES, end: '' },
  Leftrightarrow: { start: IMPLIES, end: IMPLIES },
  Mapsto: { start: '|', end: IMPLIES },
  equal: { end: '' },
  equals: { end: '' },
  'tail reversed': { start: '<' },
  '2tail': { start: '{Implies[reversed]}' },
  '2tail reversed': { start: IMPLIES },
};
const WAVE = 'decorate,decoration={zigzag,segment length=9.25,amplitude=1.9,post length=4pt}';

/** Words that stand for several keys. */
const LOOKS: Readonly<Record<string, readonly string[]>> = {
  squiggly: [WAVE],
  rightsquigarrow: [WAVE],
  dashrightarrow: ['dashed'],
  leftsquigarrow: [WAVE],
  leftrightsquigarrow: [WAVE],
  dashleftarrow: ['dashed'],
  Rightarrow: [DOUBLE],
  implies: [DOUBLE],
  Leftarrow: [DOUBLE],
  impliedby: [DOUBLE],
  Leftrightarrow: [DOUBLE],
  Mapsto: [DOUBLE],
  equal: [DOUBLE],
  equals: [DOUBLE],
  'no body': ['dash pattern=on 0pt off 1mm'],
  phantom: ['draw=none'],
  cramped: [],
  'crossing over clearance': [],
  'scaling nfold': [],
  'crossing over': ['preaction={draw=white,line width=4pt,-}'],
};

/** A diagram that has only straight and bent arrows with plain labels is set as mathematics. */
export function needsPicture(
  it: Interpreter,
  options: readonly Token[],
  body: readonly Token[],
): boolean {
  if (it.read(CD_SET)) return true;
  if (optionsOf(options).some((option) => !PLAIN_SETTING.test(tokensText(option).trim())))
    return true;
  return partAt(body, isRowEnd).some((row) =>
    partAt(row, (t) => t.cat === Cat.Tab).some((cell) => !isPlainCell(cell)),
  );
}
const PLAIN_SETTING = /^(?:(?:(?:row |column )?sep\s*=\s*[\w.]+)|)$/;

function isPlainCell(cell: readonly Token[]): boolean {
  if (cell.find(({ cat }) => cat !== Cat.Space)?.text === '|') return false;
  return arrowsIn(cell).every(({ groups }) =>
    groups.every(({ inner, bracketed }, i) =>
      bracketed
        ? i === 0 && optionsOf(inner).every((option) => isPlain(tokensText(option).trim()))
        : true,
    ),
  );
}

/** A diagram as a matrix of nodes with edges between them, in the picture language. */
export function diagramPicture(
  it: Interpreter,
  options: readonly Token[],
  body: readonly Token[],
): Token[] {
  const set = diagramKeys(it, options);
  const isTab = (t: Token): boolean =>
    t.cat === Cat.Tab || (set.apart !== null && t.text === set.apart);
  const rows = partAt(body, isRowEnd).map((row) => partAt(row, isTab));
  const arrows: Arrow[] = [];
  const cells = rows.map((row, r) => row.map((cell, c) => takeArrows(cell, [r, c], arrows)));
  const out = it.source(
    '\\begin{tikzpicture}[baseline=-2.5pt,row sep=1.8em,column sep=2.4em,every cd diagram/.try,',
  );
  const matrix = `matrix of ${set.math ? 'math ' : ''}nodes`;
  out.push(
    ...set.keys,
    ...it.source(
      `]\\def\\tikzcdmatrixname{tikzcd}\\matrix (tikzcd) [${matrix},cells={shape=asymmetrical rectangle,inner xsep=1ex,inner ysep=.85ex,every cd cell/.try}] {`,
    ),
  );
  cells.forEach((row) => {
    row.forEach((cell, c) => {
      if (c > 0) out.push(...it.source('&'));
      const isEmpty = cell.every(({ cat }) => cat === Cat.Space);
      const keyed = cell.find(({ cat }) => cat !== Cat.Space)?.text === '|';
      out.push(
        ...(isEmpty
          ? it.source('{}')
          : keyed
            ? cell
            : [...it.source('{'), ...cell, ...it.source('}')]),
      );
    });
    out.push(...it.source('\\\\'));
  });
  out.push(...it.source('};'));
  for (const arrow of arrows)
    if (leadsSomewhere(it, rows, arrow)) out.push(...edge(it, arrow, set.math));
  return [...out, ...it.source('\\end{tikzpicture}')];
}

/** Takes the arrows out of a cell; what is left is its object. */
function takeArrows(cell: readonly Token[], place: Place, arrows: Arrow[]): Token[] {
  let object: Token[] = [];
  let behind = 0;
  for (const { at, end, short, groups } of arrowsIn(cell)) {
    object = [...object, ...cell.slice(behind, at)];
    behind = end;
    const arrow: Arrow = {
      token: cell[at] as Token,
      place,
      from: place,
      to: short ? cellAfter(place, short) : place,
      keys: [],
      labels: [],
      labelKeys: [],
      start: '',
      end: '>',
      shift: '',
      anchors: { start: '', end: '' },
    };
    // In the older form braces hold a direction first and then labels, whose options stand before them.
    const isOlder = groups.some(({ bracketed }, i) => !bracketed && (i > 0 || short));
    let directed = short !== undefined;
    let forLabel: string[] = [];
    for (const { inner, bracketed } of groups) {
      if (!bracketed && directed) {
        arrow.labels.push({ text: inner, keys: forLabel });
        forLabel = [];
      } else if (bracketed && directed && isOlder)
        forLabel = optionsOf(inner).flatMap((option) => labelKeys(tokensText(option).trim()));
      else {
        for (const option of optionsOf(inner)) takeOption(option, arrow, place);
        directed ||= !bracketed;
      }
    }
    arrows.push(arrow);
  }
  return [...object, ...cell.slice(behind)];
}

function takeOption(option: readonly Token[], arrow: Arrow, place: Place): void {
  const text = tokensText(option).trim();
  if (text === '') return;
  if (text.startsWith('"')) return takeLabel(option, arrow);
  if (/^[rlud]+$/.test(text)) {
    arrow.to = cellAfter(place, text);
    return;
  }
  const [name = '', ...values] = text.split('=').map((part) => part.trim());
  const value = values.join('=');
  if (name === 'from' || name === 'to') {
    const cell = /^(\d+)-(\d+)$/.exec(value);
    arrow[name] = cell ? [Number(cell[1]) - 1, Number(cell[2]) - 1] : value;
  } else if (LABEL_WORDS.test(name)) arrow.labelKeys.push(...labelKeys(text));
  else if (name === 'shift left' || name === 'shift right') {
    const by = value === '' ? SHIFT : /^-?[\d.]+$/.test(value) ? `${value}*${SHIFT}` : value;
    arrow.shift += `${name === 'shift left' ? '+' : '-'}(${by})`;
  } else if (name === 'curve') arrow.keys.push(curve(/height\s*=\s*(-?[\w.]+)/.exec(value)?.[1]));
  else if (name === 'start anchor' || name === 'end anchor')
    arrow.anchors[name === 'start anchor' ? 'start' : 'end'] = value.replace(
      /^\{|\}$|real\s+/g,
      '',
    );
  else if (name === 'between') arrow.keys.push(between(value));
  else if (name === 'shorten') arrow.keys.push(`shorten <=${value}`, `shorten >=${value}`);
  else if (ENDS[name]) Object.assign(arrow, ENDS[name]);
  else if (LOOKS[name] === undefined) arrow.keys.push(text);
  if (ENDS[name] || LOOKS[name]) arrow.keys.push(...(LOOKS[name] ?? []));
}
/** Said of the arrow, these are said of its labels. */
const LABEL_WORDS =
  /^(?:swap|description|near start|near end|very near start|very near end|at start|at end|midway|sloped|marking|pos|')$/;

/** A curve whose middle lies off the straight line; its controls lie at that distance from it. */
const curve = (height = '-18pt'): string => {
  const control = (share: number): string =>
    `($(\\tikztostart)!${share}!(\\tikztotarget)!${height}!270:(\\tikztotarget)$)`;
  return `to path={(\\tikztostart) .. controls ${control(0.35)} and ${control(0.65)} .. (\\tikztotarget)\\tikztonodes}`;
};

/** `"f"`, `"f"'`, `"f" description`, `"f"{name=U, below}`. */
function takeLabel(option: readonly Token[], arrow: Arrow): void {
  const open = option.findIndex((t) => t.text === '"');
  const close = option.findIndex((t, i) => i > open && t.text === '"');
  const end = close < 0 ? option.length : close;
  // `'` swaps it, before its keys as behind them.
  const said = tokensText(option.slice(end + 1)).trim();
  const isSwapped = said.startsWith("'");
  const behind = `${isSwapped ? "'," : ''}${said
    .slice(isSwapped ? 1 : 0)
    .trim()
    .replace(/^\{|\}$/g, '')}`;
  arrow.labels.push({
    text: option.slice(open + 1, end),
    keys: behind.split(',').flatMap((key) => labelKeys(key.trim())),
  });
}

function labelKeys(key: string): readonly string[] {
  if (key === '') return [];
  if (key === "'" || key === 'swap') return ['swap'];
  if (key === 'description')
    return ['anchor=center', 'fill=white', 'inner sep=1.5pt', 'every cd ground/.try'];
  if (key === 'marking') return ['anchor=center', 'sloped'];
  if (key.startsWith("'")) return ['swap', ...labelKeys(key.slice(1).trim())];
  return [key];
}

/** What `shift left` moves an arrow by. */
const SHIFT = '0.56ex';

/** An end: its node, an anchor of it, what moves it. */
interface End {
  readonly name: string;
  readonly side: string;
  readonly moved: string;
}

function endOf(end: string | Place, anchor: string): End {
  const name = typeof end === 'string' ? end : `tikzcd-${end[0] + 1}-${end[1] + 1}`;
  // `[xshift=2pt]west`: the place moved, of the anchor if one is said.
  const [, moved = '', side = ''] = /^(?:\[([^\]]*)\])?\s*(.*)$/.exec(anchor) ?? [];
  return { name, side, moved };
}
const pointOf = ({ name, side, moved }: End): string =>
  `(${moved && `[${moved}]`}${name}${side && `.${side}`})`;

/** Ends at the borders where the straight line between them would meet these, moved from there. */
function movedEnds(from: End, to: End, shift: string): { before: string; ends: [string, string] } {
  const angle = 'scalar(atan2(\\y{cd-b}-\\y{cd-a},\\x{cd-b}-\\x{cd-a}))';
  const by = shift && `,shift={(\\n{cd-t}+90:${shift})}`;
  const at = ({ name, side, moved }: End, turn: string): string =>
    `([${moved}${by}]${name}.${side || `\\n{cd-${turn}}`})`;
  return {
    before: `let \\p{cd-a}=(${from.name}),\\p{cd-b}=(${to.name}),\\n{cd-t}={${angle}},\\n{cd-u}={scalar(\\n{cd-t}+180)} in `,
    ends: [at(from, 't'), at(to, 'u')],
  };
}

/** `between={.2}{.8}`: a part of the straight line alone. */
function between(value: string): string {
  const [from = '0', to = '1'] = value.match(/[\d.]+/g) ?? [];
  const at = (share: string): string => `($(\\tikztostart)!${share}!(\\tikztotarget)$)`;
  return `to path={${at(from)} -- ${at(to)}\\tikztonodes}`;
}

/** Keys that are said of the line between the ends, not of the path. */
const BENDS = /^(?:bend|loop|in\b|out\b|looseness|distance|min distance|to path|controls|relative)/;

function edge(it: Interpreter, arrow: Arrow, math: boolean): Token[] {
  const { from, to, labels, anchors, shift } = arrow;
  const ends = [endOf(from, anchors.start), endOf(to, anchors.end)] as const;
  const isMoved = from !== to && (shift !== '' || ends.some(({ side, moved }) => moved && !side));
  const moved = isMoved ? movedEnds(...ends, shift) : null;
  const [start, end] = moved?.ends ?? ends.map(pointOf);
  const isPhantom = arrow.keys.includes('draw=none');
  const tips = isPhantom ? '-' : `${arrow.start}-${arrow.end}`;
  const bends = arrow.keys.filter((key) => BENDS.test(key));
  const looks = arrow.keys.filter((key) => !bends.includes(key));
  const out = it.source(
    `\\draw[${['every cd arrow/.try', tips, ...looks].join(',')}] ${moved?.before ?? ''}${start} to[${bends.join(',')}]`,
  );
  for (const label of labels) {
    const keys = [...arrow.labelKeys, ...label.keys];
    const centred = keys.includes('anchor=center') || isPhantom;
    const place = centred ? 'anchor=center' : 'auto';
    const said = [place, 'inner sep=.5ex', 'every cd label/.try', ...keys].join(',');
    out.push(
      ...it.source(`node[${said}]{${math ? '$\\scriptstyle ' : ''}`),
      ...label.text,
      ...it.source(math ? '$}' : '}'),
    );
  }
  return [...out, ...it.source(`${end};`)];
}
