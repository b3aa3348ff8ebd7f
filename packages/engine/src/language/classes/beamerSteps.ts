import { CELLS } from '../machine/cells';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { MathReader } from '../machine/mathReader';
import { ALERT_COLOUR, cover, coverFrom, needs, overlaySpec, showsOn } from '../machine/overlays';
import type { Token } from '../../expansion/meaning';
import type { MathNode } from '../../document/math';
import { Cat } from '../../tokens/categories';

const example = (inner: string): string => `\\begin{frame}${inner}\\end{frame}`;

/** What a command does with its text: shown as it is, covered, in the colour of alerts, or left out. */
type Manner = 'shown' | 'covered' | 'unseen' | 'alert' | 'gone';

/** Where the specification holds, and where it does not. */
interface Ways {
  readonly here: Manner;
  readonly elsewhere: Manner;
}

const mannerOf = (it: Interpreter, spec: string | null, { here, elsewhere }: Ways): Manner =>
  spec === null || showsOn(it, spec) ? here : elsewhere;

function dress(it: Interpreter, manner: Manner): void {
  if (manner === 'covered') cover(it);
  if (manner === 'unseen') cover(it, 0);
  if (manner === 'alert') it.changeFont({ color: it.read(ALERT_COLOUR) });
}

/** Nodes of a formula in the colour that the interpreter has now. */
function mathIn(reader: MathReader, token: Token, manner: Manner): MathNode | readonly MathNode[] {
  const { it } = reader;
  const outer = reader.color;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ color: outer });
  dress(it, manner);
  reader.color = it.font.color;
  const colour = (): MathNode => ({ kind: 'colour', color: reader.color, ...reader.span(token) });
  const before = colour();
  const body = reader.field(token);
  reader.color = outer;
  it.closeGroup();
  if (manner === 'shown') return body;
  return [before, ...body, colour()];
}

/** Do tokens reach over cells or rows of an alignment? */
function isRows(tokens: readonly Token[]): boolean {
  let depth = 0;
  return tokens.some((token) => {
    if (token.cat === Cat.Begin || token.text === 'begin') depth++;
    if (token.cat === Cat.End || token.text === 'end') depth--;
    return depth === 0 && (token.cat === Cat.Tab || (token.cell !== null && token.text === '\\'));
  });
}

/** Rows of an alignment stand in it as they are; where they are covered, so is all from their first sign to their last. */
function rowsIn({ it, p }: MathReader, tokens: readonly Token[], manner: Manner): null {
  const isCovered = (manner === 'covered' || manner === 'unseen') && it.read(CELLS.veil) === null;
  p.push(isCovered ? [p.command('bmr@coverrows'), ...tokens, p.command('bmr@showrows')] : tokens);
  return null;
}

/** What stands before and behind rows that are covered. */
const coverRows = (name: string, isCovered: boolean): CommandEntry => ({
  name,
  signature: '',
  description: 'Rows of an alignment are covered from here on, or seen again.',
  example: '',
  run: (it) => coverFrom(it, isCovered),
  math: (reader, token) => {
    coverFrom(reader.it, isCovered);
    reader.color = reader.it.font.color;
    return { kind: 'colour', color: reader.color, ...reader.span(token) };
  },
});

/** `\uncover<2->{…}` and its kin, in text and in formulas. */
const onSteps = (name: string, ways: Ways, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: example(`\\${name}<2->{high water}`),
  run: (it, _args, token) => {
    const before = overlaySpec(it);
    const text = it.readArguments('M', token);
    if (!text) return;
    const manner = mannerOf(it, before ?? overlaySpec(it), ways);
    if (manner === 'gone') return;
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    dress(it, manner);
    it.execute(tokensOf(text, 0));
    it.closeGroup();
  },
  math: (reader, token) => {
    const { it, p } = reader;
    const manner = mannerOf(it, overlaySpec(it), ways);
    const text = it.readArguments('M', token);
    if (!text || manner === 'gone') return null;
    const tokens = tokensOf(text, 0);
    if (isRows(tokens)) return rowsIn(reader, tokens, manner);
    p.push([p.make(Cat.Begin, '{'), ...tokens, p.make(Cat.End, '}')]);
    return mathIn(reader, token, manner);
  },
});

/** One of several texts, by the step. */
const choosing = (
  name: string,
  count: 2 | 3,
  choose: (it: Interpreter, spec: string) => number,
  description: string,
): CommandEntry => {
  const chosen = (it: Interpreter, token: Token): readonly Token[] => {
    const before = overlaySpec(it);
    const texts = it.readArguments('M'.repeat(count), token);
    return texts ? tokensOf(texts, choose(it, before ?? overlaySpec(it) ?? '1-')) : [];
  };
  return {
    name,
    signature: '',
    description,
    example: example(`\\${name}<2>${'{ebb}{low}{flood}'.slice(0, count === 2 ? 10 : undefined)}`),
    run: (it, _args, token) => it.execute(chosen(it, token)),
    math: (reader, token) => {
      const { p } = reader;
      p.push([p.make(Cat.Begin, '{'), ...chosen(reader.it, token), p.make(Cat.End, '}')]);
      return reader.field(token);
    },
  };
};

/** The steps before the first of a specification. */
const comesLater = (it: Interpreter, spec: string): boolean =>
  (it.read(CELLS.overlay) ?? 1) <
  Math.min(...spec.split(',').map((part) => parseInt(part, 10) || 1));

const temporal = (it: Interpreter, spec: string): number =>
  showsOn(it, spec) ? 1 : comesLater(it, spec) ? 0 : 2;

const isBraceNext = (it: Interpreter): boolean => {
  const next = it.p.next();
  if (next) it.p.unread(next);
  return next?.cat === Cat.Begin;
};

/** What follows is seen on some steps. */
function fromHere(it: Interpreter, spec: string | null): void {
  coverFrom(it, spec !== null && !showsOn(it, spec));
}

const uncovering = onSteps(
  'uncover',
  { here: 'shown', elsewhere: 'covered' },
  'Text that appears on some steps; else it is covered.',
);

/** `\onslide<2->` for all that follows, or for a text in braces; with `+` that is not seen, with `*` gone else. */
const onslide: CommandEntry = {
  name: 'onslide',
  signature: '',
  description: 'What follows appears on some steps.',
  example: example('\\onslide<2->high water'),
  run: (it, args, token) => {
    if (it.p.takeChar('*')) return only.run?.(it, args, token);
    if (it.p.takeChar('+')) return visible.run?.(it, args, token);
    const spec = overlaySpec(it);
    if (!isBraceNext(it)) return fromHere(it, spec);
    it.p.push(spec === null ? [] : it.p.chars(`<${spec}>`));
    uncovering.run?.(it, args, token);
  },
  math: (reader, token) => {
    const { it } = reader;
    const spec = overlaySpec(it);
    if (!isBraceNext(it)) {
      fromHere(it, spec);
      reader.color = it.font.color;
      return { kind: 'colour', color: reader.color, ...reader.span(token) };
    }
    return mathIn(reader, token, mannerOf(it, spec, { here: 'shown', elsewhere: 'covered' }));
  },
};
const only = onSteps(
  'only',
  { here: 'shown', elsewhere: 'gone' },
  'Text on some steps only; else it takes no room.',
);
const visible = onSteps(
  'visible',
  { here: 'shown', elsewhere: 'unseen' },
  'Text that appears on some steps.',
);

/** Text from here on is shown from the next step on, or from the one that is said. */
export function pause(it: Interpreter, said: number | null = null): void {
  const next = said ?? it.read(CELLS.pauses) + 1;
  it.write(CELLS.pauses, next, true);
  needs(it, next);
  if (!it.read(CELLS.handout) && (it.read(CELLS.overlay) ?? 1) < next) coverFrom(it, true);
}

/** What goes by the steps of a frame (beamer user guide, section 9). */
export const stepCommands: readonly CommandEntry[] = [
  only,
  uncovering,
  visible,
  onSteps(
    'invisible',
    { here: 'unseen', elsewhere: 'shown' },
    'Text that is hidden on some steps.',
  ),
  onSteps('alert', { here: 'alert', elsewhere: 'shown' }, 'Text that stands out.'),
  onslide,
  coverRows('bmr@coverrows', true),
  coverRows('bmr@showrows', false),
  choosing(
    'alt',
    2,
    (it, spec) => (showsOn(it, spec) ? 0 : 1),
    'One text on some steps, another on the others.',
  ),
  choosing('temporal', 3, temporal, 'One text before some steps, one on them, one behind them.'),
  {
    name: 'pause',
    signature: 'o',
    description: 'What follows appears a step later.',
    example: example('ebb\\pause flood'),
    run: (it, args) =>
      pause(
        it,
        parseInt(
          tokensOf(args, 0)
            .map(({ text }) => text)
            .join(''),
          10,
        ) || null,
      ),
    math: (reader, token) => {
      pause(reader.it);
      reader.color = reader.it.font.color;
      return { kind: 'colour', color: reader.color, ...reader.span(token) };
    },
  },
];
