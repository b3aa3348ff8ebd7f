import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { argumentBehind, cellAfter, optionsOf } from '../constructs/arrowDiagrams';
import { isRowEnd, partAt } from '../constructs/diagrams';
import type { Interpreter } from '../machine/interpreter';

type Place = readonly [row: number, column: number];

/** A label of an arrow: what it says, and the keys of its node. */
interface Label {
  readonly text: readonly Token[];
  readonly keys: readonly string[];
}

/** An arrow as it is written. */
interface Arrow {
  from: string | Place;
  to: string | Place;
  readonly keys: string[];
  readonly labels: Label[];
  start: string;
  end: string;
  /** In units of `shift left`. */
  shift: number;
  anchors: { start: string; end: string };
}

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
};
const DOUBLE = 'double equal sign distance';
const WAVE = 'decorate,decoration={zigzag,segment length=9.25,amplitude=1.9,post length=4pt}';

/** Words that stand for several keys. */
const LOOKS: Readonly<Record<string, readonly string[]>> = {
  squiggly: [WAVE],
  rightsquigarrow: [WAVE],
  dashrightarrow: ['dashed'],
  phantom: ['draw=none'],
  'crossing over': ['preaction={draw=white,line width=4pt,-}'],
};

const SEPARATIONS: Readonly<Record<string, readonly [column: string, row: string]>> = {
  tiny: ['.6em', '.45em'],
  small: ['1.2em', '.9em'],
  scriptsize: ['1.8em', '1.35em'],
  normal: ['2.4em', '1.8em'],
  large: ['3.6em', '2.7em'],
  huge: ['4.8em', '3.6em'],
};

/** What the plain form of a diagram does not draw. */
const NEEDS =
  /\b(?:loop|Rightarrow|Leftarrow|Leftrightarrow|implies|curve|shorten|squiggly|leftarrow|leftrightarrow|harpoon|crossing over|name\s*=|from\s*=\s*[A-Za-z]|to\s*=\s*[A-Za-z]|out\s*=|in\s*=|looseness|red|blue|green|gray|orange|purple|teal|color|thick|very thick|start anchor|end anchor|near start|near end|pos\s*=|two heads|to head|no tail|cells\s*=|nodes\s*=|draw|rotate|marking|sloped|ampersand)\b/;

/** Does a diagram ask for more than straight and bent arrows with plain labels? */
export const needsPicture = (options: readonly Token[], body: readonly Token[]): boolean =>
  NEEDS.test(tokensText(options)) || NEEDS.test(tokensText(body));

/** A diagram as a matrix of nodes with edges between them, in the picture language. */
export function diagramPicture(
  it: Interpreter,
  options: readonly Token[],
  body: readonly Token[],
): Token[] {
  const keys = optionsOf(options).map((option) => tokensText(option).trim());
  const apart = /ampersand replacement\s*=\s*\\?(.)/.exec(tokensText(options))?.[1];
  const isTab = (t: Token): boolean =>
    t.cat === Cat.Tab || (apart !== undefined && t.text === apart);
  const rows = partAt(body, isRowEnd).map((row) => partAt(row, isTab));
  const arrows: Arrow[] = [];
  const cells = rows.map((row, r) => row.map((cell, c) => takeArrows(cell, [r, c], arrows)));
  const out = it.source(
    `\\begin{tikzpicture}[baseline=-2.5pt]\\matrix (tikzcd) [matrix of math nodes,${matrixKeys(keys)}] {`,
  );
  cells.forEach((row) => {
    row.forEach((cell, c) => {
      if (c > 0) out.push(...it.source('&'));
      const isEmpty = cell.every(({ cat }) => cat === Cat.Space);
      out.push(...(isEmpty ? it.source('{}') : [...it.source('{'), ...cell, ...it.source('}')]));
    });
    out.push(...it.source('\\\\'));
  });
  out.push(...it.source('};'));
  for (const arrow of arrows) out.push(...edge(it, arrow));
  return [...out, ...it.source('\\end{tikzpicture}')];
}

function matrixKeys(keys: readonly string[]): string {
  let [column, row] = SEPARATIONS.normal as readonly [string, string];
  let inner = 'inner xsep=1ex,inner ysep=.85ex';
  for (const key of keys) {
    const [name = '', value = ''] = key.split('=').map((part) => part.trim());
    const named = SEPARATIONS[value];
    if (name === 'column sep' || name === 'sep') column = named?.[0] ?? value;
    if (name === 'row sep' || name === 'sep') row = named?.[1] ?? value;
    if (name === 'cramped') inner = 'inner xsep=.3em,inner ysep=.3em';
  }
  return `column sep={${column}},row sep={${row}},every node/.style={${inner}}`;
}

/** Takes the arrows out of a cell; what is left is its object. */
function takeArrows(cell: readonly Token[], place: Place, arrows: Arrow[]): Token[] {
  const object: Token[] = [];
  for (let i = 0; i < cell.length; i++) {
    const token = cell[i] as Token;
    const short = token.cat === Cat.Command ? /^([rlud]{1,2})ar$/.exec(token.text)?.[1] : undefined;
    if (token.cat !== Cat.Command || !(/^(?:arrow|ar)$/.test(token.text) || short)) {
      object.push(token);
      continue;
    }
    const arrow: Arrow = {
      from: place,
      to: short ? cellAfter(place, short) : place,
      keys: [],
      labels: [],
      start: '',
      end: '>',
      shift: 0,
      anchors: { start: '', end: '' },
    };
    let swapped = false;
    for (let group = argumentBehind(cell, i + 1); group; group = argumentBehind(cell, i + 1)) {
      i = group.end - 1;
      if (!group.bracketed && arrow.to !== place) {
        arrow.labels.push({ text: group.inner, keys: swapped ? ['swap'] : [] });
        continue;
      }
      for (const option of optionsOf(group.inner)) {
        if (tokensText(option).trim() === 'swap') swapped = true;
        takeOption(option, arrow, place);
      }
    }
    arrows.push(arrow);
  }
  return object;
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
    return;
  }
  if (
    /^(?:swap|description|near start|near end|very near start|very near end|midway|sloped|marking|pos|')$/.test(
      name,
    )
  ) {
    // Said of the arrow, it is said of its labels.
    arrow.labels.forEach((label, i) => {
      arrow.labels[i] = { ...label, keys: [...label.keys, ...labelKeys(text)] };
    });
    return;
  }
  const doubled = /^(Rightarrow|Leftarrow|Leftrightarrow|implies|equal|equals|Mapsto)$/.exec(
    name,
  )?.[1];
  if (doubled) {
    arrow.keys.push(DOUBLE);
    arrow.end = /^(?:equals?|Leftarrow)$/.test(doubled) ? '' : '{Implies}';
    arrow.start = /^Left/.test(doubled) ? '{Implies}' : '';
    return;
  }
  if (name === 'shift left' || name === 'shift right') {
    arrow.shift += (name === 'shift left' ? 1 : -1) * (parseFloat(value) || 1);
    return;
  }
  if (name === 'curve') {
    const height = parseFloat(/height\s*=\s*(-?[\d.]+)/.exec(value)?.[1] ?? '') || -18;
    arrow.keys.push(
      `bend ${height < 0 ? 'left' : 'right'}=${Math.min(60, Math.abs(height) * 1.6)}`,
    );
    return;
  }
  if (name === 'start anchor' || name === 'end anchor') {
    const anchor = value.replace(/[{}]|real\s+/g, '');
    arrow.anchors[name === 'start anchor' ? 'start' : 'end'] = anchor;
    return;
  }
  if (name === 'loop') arrow.keys.push('loop above');
  else if (ENDS[name]) Object.assign(arrow, ENDS[name]);
  else arrow.keys.push(...(LOOKS[name] ?? [text]));
}

/** `"f"`, `"f"'`, `"f" description`, `"f"{name=U, below}`. */
function takeLabel(option: readonly Token[], arrow: Arrow): void {
  const open = option.findIndex((t) => t.text === '"');
  const close = option.findIndex((t, i) => i > open && t.text === '"');
  const end = close < 0 ? option.length : close;
  const behind = tokensText(option.slice(end + 1)).replace(/^\s*\{|\}\s*$/g, '');
  arrow.labels.push({
    text: option.slice(open + 1, end),
    keys: behind.split(',').flatMap((key) => labelKeys(key.trim())),
  });
}

function labelKeys(key: string): readonly string[] {
  if (key === '') return [];
  if (key === "'" || key === 'swap') return ['swap'];
  if (key === 'description') return ['anchor=center', 'fill=white', 'inner sep=1.5pt'];
  if (key === 'marking') return ['anchor=center', 'sloped'];
  if (key.startsWith("'")) return ['swap', ...labelKeys(key.slice(1).trim())];
  return [key];
}

/** Half of what `shift left` moves, in ex of the text; the unit is .56 ex. */
const SHIFT = 0.56;

function endPoint(
  end: string | Place,
  other: string | Place,
  arrow: Arrow,
  anchor: string,
): string {
  if (typeof end === 'string') return `(${end}${anchor && `.${anchor}`})`;
  const name = `tikzcd-${end[0] + 1}-${end[1] + 1}`;
  if (anchor) return `(${name}.${anchor})`;
  if (arrow.shift === 0 || typeof other === 'string') return `(${name})`;
  const [down, right] = [other[0] - end[0], other[1] - end[1]];
  const angle = Math.round((Math.atan2(-down, right) * 180) / Math.PI);
  const isStart = end === arrow.from;
  const side = (angle + (isStart ? 90 : -90)) * (Math.PI / 180);
  const [x, y] = [Math.cos(side), Math.sin(side)].map((part) =>
    (part * arrow.shift * SHIFT).toFixed(3),
  );
  return `([xshift=${x}ex,yshift=${y}ex]${name}.${angle})`;
}

function edge(it: Interpreter, arrow: Arrow): Token[] {
  const { from, to, labels } = arrow;
  const start = endPoint(from, to, arrow, arrow.anchors.start);
  const end = endPoint(to, from, arrow, arrow.anchors.end);
  const tips = arrow.keys.includes('draw=none') ? '-' : `${arrow.start}-${arrow.end}`;
  const bends = arrow.keys.filter((key) => /^(?:bend|loop|in\b|out\b|looseness)/.test(key));
  const looks = arrow.keys.filter((key) => !bends.includes(key));
  const out = it.source(`\\draw[${[tips, ...looks].join(',')}] ${start} to[${bends.join(',')}]`);
  for (const label of labels) {
    const centred = label.keys.includes('anchor=center') || arrow.keys.includes('draw=none');
    const place = centred ? 'anchor=center' : 'auto';
    out.push(
      ...it.source(`node[${[place, 'inner sep=.5ex', ...label.keys].join(',')}]{$\\scriptstyle `),
      ...label.text,
      ...it.source('$}'),
    );
  }
  return [...out, ...it.source(`${end};`)];
}
