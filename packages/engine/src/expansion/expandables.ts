import { formatPt, type Glue } from '../base/lengths';
import { readGeneralText } from './arguments';
import { conditionals, readCsName } from './conditionals';
import { evaluations } from './evaluations';
import { helpers } from './helpers';
import { FOOTNOTE_SIGNS, toLetter, toRoman } from './numerals';
import { type Expandable, isExpandable, type RegisterMeaning, type Token } from './meaning';
import type { Processor } from './processor';
import { quantityOf, scanInt } from './scan';
import { tokensText, tokenText } from './tokenText';

const ORDER_NAMES = ['pt', 'fil', 'fill', 'filll'];

/** A register's value as `\the` prints it. */
function registerText(type: RegisterMeaning['type'], value: unknown): string {
  if (type === 'count') return String(value ?? 0);
  if (type === 'dimen') return formatPt(Number(value ?? 0));
  const g = value as Glue | undefined;
  if (!g) return '0.0pt';
  const part = (length: number, order: number) =>
    formatPt(length).replace(/pt$/, '') + (ORDER_NAMES[order] ?? 'pt');
  return (
    formatPt(g.width) +
    (g.stretch ? ` plus ${part(g.stretch, g.stretchOrder)}` : '') +
    (g.shrink ? ` minus ${part(g.shrink, g.shrinkOrder)}` : '')
  );
}

function expandOnce(p: Processor, token: Token): void {
  const meaning = token.cell ? p.state.meaning(token.cell) : undefined;
  if (isExpandable(meaning)) p.expand(token, meaning);
  else p.unread(token);
}

/** The tokens shielded from `\edef`: each that could expand is put behind `\noexpand`. */
function shield(p: Processor, tokens: readonly Token[]): Token[] {
  return tokens.flatMap((t) =>
    t.cell !== null && isExpandable(p.state.meaning(t.cell)) ? [p.command('noexpand'), t] : [t],
  );
}

function the(p: Processor): void {
  const token = p.nextExpanded();
  if (token === null) return;
  const quantity = quantityOf(p, token);
  if (!quantity) {
    p.report('number-missing', p.spanOf(token));
    return;
  }
  const { type, value } = quantity;
  if (type === 'toks') p.push(shield(p, (value as Token[] | undefined) ?? []));
  else p.push(p.chars(registerText(type, value)));
}

function expandable(name: string, expand: Expandable['expand']): Expandable {
  return { kind: 'expandable', name, expand };
}

function number(name: string, print: (n: number) => string): Expandable {
  return expandable(name, (p) => p.push(p.chars(print(scanInt(p)))));
}

/** Every expandable primitive and the kernel's expandable helpers (The TeXbook, chapter 20). */
export const expandables: readonly Expandable[] = [
  ...conditionals,
  ...evaluations,
  expandable('expandafter', (p) => {
    const first = p.next();
    const second = p.next();
    if (second) expandOnce(p, second);
    if (first) p.unread(first);
  }),
  expandable('noexpand', () => undefined),
  expandable('csname', (p) => {
    const token = p.command(readCsName(p));
    if (token.cell && p.state.get(token.cell) === undefined) {
      p.state.set(token.cell, p.state.get(p.state.cell('relax')));
    }
    p.unread(token);
  }),
  expandable('string', (p) => {
    const token = p.next();
    if (token) p.push(p.chars(tokenText(token)));
  }),
  expandable('meaning', (p) => {
    const token = p.next();
    const meaning = token?.cell ? p.state.meaning(token.cell) : undefined;
    if (!token) return;
    const text =
      meaning?.kind === 'macro'
        ? `macro:${tokensText(meaning.params)}->${tokensText(meaning.body)}`
        : meaning === undefined && token.cell
          ? 'undefined'
          : tokenText(token);
    p.push(p.chars(text));
  }),
  expandable('the', the),
  number('number', String),
  number('romannumeral', (n) => toRoman(n).toLowerCase()),
  number('@arabic', String),
  number('@roman', (n) => toRoman(n).toLowerCase()),
  number('@fnsymbol', (n) => FOOTNOTE_SIGNS[n - 1] ?? ''),
  number('@Roman', toRoman),
  number('@alph', (n) => toLetter(n).toLowerCase()),
  number('@Alph', toLetter),
  ...helpers,
  expandable('detokenize', (p) => {
    p.push(p.chars(tokensText(readGeneralText(p, p.command('detokenize')))));
  }),
  expandable('unexpanded', (p) => {
    p.push(shield(p, readGeneralText(p, p.command('unexpanded'))));
  }),
];
