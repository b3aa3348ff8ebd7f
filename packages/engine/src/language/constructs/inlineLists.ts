import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { CELLS } from '../machine/cells';
import { nameNext, setCounter, stepCounter } from '../machine/counters';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { ROMAN } from './listMeasures';
import { bothOf, listKeys, listLabel, listStart, refFormat, withDefaults } from './listOptions';

/** Lists within a paragraph (enumitem manual, section 4): their items follow one another on the line. */

/** What the items of such a list need to know of it. */
interface InlineList {
  readonly kind: string;
  readonly counter: string | null;
  readonly label: readonly Token[];
  readonly ref: readonly Token[] | null;
  readonly keys: ReadonlyMap<string, readonly Token[]>;
  readonly items: number;
}
const INLINE = cell<InlineList | null>('inlinelist', null);
/** Was the package loaded with its lists of this kind (option `inline`)? */
export const INLINE_LOADED = cell('inlinelistsloaded', false);

const ITEM = 'eit@item';

/** Does another item follow before the list ends? What is looked at is read again. */
function isFollowed(it: Interpreter): boolean {
  const seen: Token[] = [];
  let depth = 0;
  let found = false;
  for (let t = it.p.next(); t !== null; t = it.p.next()) {
    seen.push(t);
    if (t.cat !== Cat.Command) continue;
    if (t.text === 'begin') depth++;
    else if (t.text === 'end' && depth-- === 0) break;
    else if (t.text === 'item' && depth === 0) {
      found = true;
      break;
    }
  }
  it.p.push(seen);
  return found;
}

/** What stands before an item that is not the first: a blank, `itemjoin`, before the last one `itemjoin*`. */
function joinBefore(it: Interpreter, { keys }: InlineList): readonly Token[] {
  const last = keys.get('itemjoin*');
  const usual = keys.get('itemjoin') ?? [it.p.make(Cat.Space, ' ')];
  return last && !isFollowed(it) ? last : usual;
}

function nextNumber(it: Interpreter, list: InlineList, counter: string): void {
  stepCounter(it.state, counter);
  const shown = it.inlinesOf(list.ref ?? list.label);
  const value = shown.map((i) => (i.kind === 'text' ? i.text : '')).join('');
  nameNext(it, { value, shown: null, kind: counter });
}

function inlineItem(it: Interpreter, args: Args): void {
  const frame = it.environments.findLast(({ data }) => data.get(INLINE) !== null);
  const list = frame?.data.get(INLINE);
  if (!frame || !list) return;
  frame.data.set(INLINE, { ...list, items: list.items + 1 });
  it.startParagraph();
  if (list.items > 0) it.execute([it.p.command('unskip'), ...joinBefore(it, list)]);
  const own = Array.isArray(args[0]) ? tokensOf(args, 0) : null;
  if (list.counter && !own) nextNumber(it, list, list.counter);
  const font = list.keys.get('font') ?? list.keys.get('format') ?? [];
  const braced = (tokens: readonly Token[]): Token[] => [
    it.p.make(Cat.Begin, '{'),
    ...tokens,
    it.p.make(Cat.End, '}'),
  ];
  const label = own ?? list.label;
  const dressed = list.kind === 'description' ? [it.p.command('textbf'), ...braced(label)] : label;
  const behind = list.keys.get('afterlabel') ?? [it.p.command('nobreakspace')];
  it.execute([...braced([...font, ...dressed]), ...behind]);
  it.skipBlanks();
}

/** Its items are read by the command above; what is said of all lists of its name holds for it. */
function beginInline(it: Interpreter, args: Args, kind: string, name: string): void {
  const options = withDefaults(it, name, tokensOf(args, 0));
  const keys = listKeys(it, options);
  const isNumbered = kind === 'enumerate';
  const depths = isNumbered ? CELLS.enumerateDepth : CELLS.itemizeDepth;
  const depth = Math.min(it.read(depths) + 1, 4);
  if (kind !== 'description') it.write(depths, depth);
  const counter = isNumbered ? `enum${ROMAN[depth - 1] as string}` : null;
  const usual = counter ? `label${counter}` : `labelitem${ROMAN[depth - 1] as string}`;
  if (counter) setCounter(it.state, counter, listStart(it, options) - 1);
  it.innermost.data.set(INLINE, {
    kind,
    counter,
    label: listLabel(it, options, counter) ?? [it.p.command(usual)],
    ref: counter ? refFormat(it, options, counter) : null,
    keys,
    items: 0,
  });
  it.state.set(it.state.cell('item'), it.state.meaning(it.state.cell(ITEM)));
  it.execute(bothOf(keys, 'before'));
  it.skipBlanks();
}

function endInline(it: Interpreter): void {
  const keys = it.innermost.data.get(INLINE)?.keys;
  it.execute([it.p.command('unskip'), ...(keys ? bothOf(keys, 'after') : [])]);
}

const WHAT: Readonly<Record<string, string>> = {
  enumerate: 'A numbered list within the paragraph.',
  itemize: 'A list within the paragraph, a mark before each item.',
  description: 'Terms and what they mean within the paragraph.',
};

/** The list of that kind, under its own name or under one that a document gives it. */
export const inlineList = (kind: string, name = `${kind}*`): EnvironmentEntry => ({
  name,
  signature: 'o',
  description: WHAT[kind] ?? '',
  example: `\\begin{${name}}\n\\item[Ebb] low\n\\item[Flood] high\n\\end{${name}}`,
  begin: (it, args) => {
    if (!it.read(INLINE_LOADED)) {
      const args = { name, option: 'inline', package: 'enumitem' };
      it.p.report('option-needed', it.innermost.span, args);
    }
    beginInline(it, args, kind, name);
  },
  end: endInline,
});

export const inlineLists: readonly EnvironmentEntry[] = Object.keys(WHAT).map((kind) =>
  inlineList(kind),
);

export const inlineListCommands: readonly CommandEntry[] = [
  {
    name: ITEM,
    signature: 'o',
    description: 'An item within a line.',
    example: '',
    run: inlineItem,
  },
];
