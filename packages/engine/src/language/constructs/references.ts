import { aside } from '../machine/asides';
import { labelValue, namesOfKind, OWN_LABEL } from '../machine/counters';
import { CELLS } from '../machine/cells';
import type { Inline, RefInline } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import { tagBrackets } from '../machine/displayTags';
import type { Token } from '../../expansion/meaning';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import { labelAsNumber } from './knownPages';
import { leading } from './linking';
import type { Interpreter, LabelDefinition } from '../machine/interpreter';
import { pick } from '../../base/spans';

/** A label with all that references may ask of it. */
export function labelDefinition(
  it: Interpreter,
  name: string,
  span: { readonly from: number; readonly to: number },
): LabelDefinition {
  const given = it.read(CELLS.currentLabel);
  const byHand = it.state.get(it.state.cell(OWN_LABEL)) !== undefined;
  const current = byHand ? labelValue(it, [it.p.command(OWN_LABEL)], given?.kind ?? '') : given;
  const title = it.read(CELLS.currentTitle);
  return {
    name,
    value: current?.value ?? '',
    ...(current?.shown ? { shown: current.shown } : {}),
    ...(current?.part ? { part: current.part } : {}),
    ...(title ? { title } : {}),
    ...(current ? { kind: current.kind, ...namesOfKind(it, current.kind) } : {}),
    ...pick(span),
  };
}

/** `\label`: names the number given out last. */
function label(it: Interpreter, args: Args, token: Token): void {
  const name = textOf(it.p, tokensOf(args, 0));
  const at = it.spanOf(token);
  const span = { from: at.from, to: Math.max(at.to, it.p.here()) };
  it.labels.push(labelDefinition(it, name, span));
  if (it.mode.hlist === null) it.mode.vlist.push({ kind: 'label', name });
  else aside(it, () => it.add({ kind: 'anchor', label: name, ...span }));
}

function reference(
  it: Interpreter,
  tokens: readonly Token[],
  what: 'number' | 'page' | 'part',
  at: { from: number; to: number },
  upright: boolean,
): RefInline {
  const font = upright
    ? it.intern({ ...it.font, family: it.textFamily, series: 'medium', shape: 'upright' })
    : it.font;
  return {
    kind: 'ref',
    label: textOf(it.p, tokens),
    what,
    font,
    from: at.from,
    to: Math.max(at.to, it.p.here()),
  };
}

/** Inlines of a reference, with brackets for `\eqref`. */
function referenceInlines(
  it: Interpreter,
  tokens: readonly Token[],
  what: 'number' | 'page' | 'part',
  token: Token,
  bracketed: boolean,
): Inline[] {
  const at = it.spanOf(token);
  // amsmath: `\\eqref` sets its number by `\\tagform@`, which documents define anew.
  const form = it.p.command('tagform@');
  if (bracketed && it.state.meaning(it.state.cell(form.text))?.kind === 'macro') {
    const [open, close] = [it.p.make(1, '{'), it.p.make(2, '}')];
    return [...it.inlinesOf([form, open, it.p.command('ref'), open, ...tokens, close, close])];
  }
  const ref = reference(it, tokens, what, at, bracketed);
  const shown = leading(it, ref);
  if (!bracketed) return [shown];
  const text = (s: string): Inline => ({
    kind: 'text',
    text: s,
    font: ref.font,
    from: ref.from,
    to: ref.to,
  });
  const [open, close] = tagBrackets(it);
  return [text(open), shown, text(close)];
}

export function refCommand(
  name: string,
  what: 'number' | 'page' | 'part',
  bracketed: boolean,
  description: string,
): CommandEntry {
  return {
    name,
    // With a star it is no link (hyperref).
    signature: 'sm',
    description,
    example: `\\${name}{eq:tide}`,
    read: labelAsNumber(what === 'page' ? 'page' : 'value'),
    run: (it, args, token) => {
      it.startParagraph();
      for (const inline of referenceInlines(it, tokensOf(args, 1), what, token, bracketed))
        it.add(inline);
    },
    math: (reader, token) => {
      reader.p.takeChar('*');
      const inlines = referenceInlines(reader.it, reader.argument(token), what, token, bracketed);
      return { kind: 'text', inlines, ...reader.span(token) };
    },
  };
}

/** Labels and what points to them. */
export const references: readonly CommandEntry[] = [
  {
    name: 'label',
    signature: 'm',
    description: 'Names this place, so that it can be referred to.',
    example: '\\label{eq:tide}',
    run: label,
    math: (reader, token) => {
      const name = textOf(reader.p, reader.argument(token));
      if (reader.rowMarks) reader.rowMarks.labels.push({ name, span: reader.span(token) });
      else reader.it.labels.push(labelDefinition(reader.it, name, reader.span(token)));
      return null;
    },
  },
  refCommand('ref', 'number', false, 'The number of what the label names.'),
  refCommand('pageref', 'page', false, 'The page of what the label names.'),
];

export const eqref: CommandEntry = {
  ...refCommand('eqref', 'number', true, 'The number of an equation, in brackets.'),
  package: 'amsmath',
};
