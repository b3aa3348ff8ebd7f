import type { Span } from '../../base/spans';
import type { DisplayRow } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { CELLS } from './cells';
import { counterText, namesOfKind, stepCounter, type Shown } from './counters';
import type { Interpreter } from './interpreter';
import type { RowMarks } from './rowMarks';

/** What stands around the number of a formula: `\newtagform` of mathtools says otherwise. */
export const tagBrackets = (it: Interpreter): readonly [string, string] => [
  textOf(it.p, [it.p.command('@tagopen')]),
  textOf(it.p, [it.p.command('@tagclose')]),
];

/** The number of a row and the labels that stand for it. */
export function tagOf(
  it: Interpreter,
  marks: RowMarks,
  place: Span,
): Pick<DisplayRow, 'tag' | 'endMark' | 'number' | 'labels'> {
  const tag = rowTag(it, marks, place);
  for (const { name, span } of marks.labels) {
    const shown = tag?.shown ? { shown: tag.shown } : {};
    const kind = { kind: 'equation', ...namesOfKind(it, 'equation') };
    it.labels.push({ name, value: tag?.value ?? '', ...kind, ...shown, ...span });
  }
  return {
    tag: tag?.inlines ?? null,
    ...(tag?.endMark ? { endMark: tag.endMark } : {}),
    number: tag?.value ?? '',
    labels: marks.labels.map(({ name }) => name),
  };
}

interface RowTag {
  readonly inlines: readonly Inline[] | null;
  readonly value: string;
  readonly shown?: Shown;
  readonly endMark?: readonly Inline[];
}

/** The tag of a row: the one it is given, or the next number. */
function rowTag(it: Interpreter, marks: RowMarks, at: Span): RowTag | null {
  const upright = it.intern({ ...it.font, family: 'roman', series: 'medium', shape: 'upright' });
  const text = (s: string): Inline => ({ kind: 'text', text: s, font: upright, ...at });
  if (marks.tag) {
    const inner = it.inlinesOf(marks.tag.tokens);
    if (marks.tag.tokens[0]?.text === 'qedsymbol') {
      if (!marks.numbered) return { inlines: null, value: '', endMark: inner };
      return { ...nextNumber(it, text), endMark: inner };
    }
    const value = marks.tag.bare ? '' : marks.tag.tokens.map((t) => t.text).join('');
    const shown = marks.tag.tokens.some((t) => t.cell !== null || t.cat === Cat.Math)
      ? { shown: { inlines: inner, font: it.font } }
      : {};
    const [open, close] = tagBrackets(it);
    return {
      inlines: marks.tag.bare ? inner : [text(open), ...inner, text(close)],
      value,
      ...shown,
    };
  }
  if (!marks.numbered) return null;
  if (it.read(CELLS.onlyReferred)) {
    const referred = it.read(CELLS.referred);
    if (!marks.labels.some(({ name }) => referred.includes(name))) return null;
  }
  return nextNumber(it, text);
}

/** The next number in its brackets. Not what a later `\label` means: labels of the row have been taken already. */
function nextNumber(it: Interpreter, text: (s: string) => Inline): RowTag {
  stepCounter(it.state, 'equation');
  const value = counterText(it, 'equation');
  const [open, close] = tagBrackets(it);
  return { inlines: ownTag(it) ?? [text(`${open}${value}${close}`)], value };
}

/** The number as the document's own `\\@eqnnum` or `\\tagform@` (amsmath) sets it, or null. */
function ownTag(it: Interpreter): readonly Inline[] | null {
  const ams = it.hasPackage('amsmath');
  const own = it.p.command(ams ? 'tagform@' : '@eqnnum');
  if (it.state.meaning(it.state.cell(own.text))?.kind !== 'macro') return null;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: 'roman', series: 'medium', shape: 'upright' });
  const inlines = it.inlinesOf([own, ...(ams ? it.source('{\\theequation}') : [])]);
  it.closeGroup();
  return inlines;
}
