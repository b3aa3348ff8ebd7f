import { readArgument } from '../../expansion/arguments';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { Expandable, Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { scanDimen, scanInt } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import { comparedText } from '../constructs/knownPages';
import type { PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

/** A test of `\ifthenelse`, read from its tokens. */
class Test {
  private at = 0;
  private readonly tokens: readonly Token[];

  constructor(
    private readonly p: Processor,
    tokens: readonly Token[],
  ) {
    this.tokens = tokens.filter((t) => t.cat !== Cat.Space);
  }

  holds(): boolean {
    let value = this.term();
    for (;;) {
      const name = this.tokens[this.at]?.text.toLowerCase();
      if (this.tokens[this.at]?.cat !== Cat.Command || (name !== 'and' && name !== 'or'))
        return value;
      this.at++;
      const right = this.term();
      value = name === 'and' ? value && right : value || right;
    }
  }

  private term(): boolean {
    const token = this.tokens[this.at];
    if (!token) return false;
    if (token.cat === Cat.Command) {
      switch (token.text.toLowerCase()) {
        case 'not':
          this.at++;
          return !this.term();
        case '(': {
          this.at++;
          const inner = this.holds();
          if (this.tokens[this.at]?.text === ')') this.at++;
          return inner;
        }
        case 'equal':
          this.at++;
          return this.words() === this.words();
        case 'isempty':
          this.at++;
          return this.words().trim() === '';
        case 'isequivalentto':
          this.at++;
          return tokensText(this.group()) === tokensText(this.group());
        case 'isin': {
          this.at++;
          const part = this.words();
          return this.words().includes(part);
        }
        case 'endswith':
          this.at++;
          return this.words().endsWith(this.words());
        case 'isnamedefined':
          this.at++;
          return this.p.state.get(this.p.state.cell(textOf(this.p, this.group()))) !== undefined;
        case 'cnttest':
          this.at++;
          return this.related(scanInt, 'numexpr');
        case 'dimtest':
          this.at++;
          return this.related(scanDimen, 'dimexpr');
        case 'isodd':
          this.at++;
          return Math.abs(this.number(this.group())) % 2 === 1;
        case 'isundefined': {
          this.at++;
          const [name] = this.group();
          return !name?.cell || this.p.state.get(name.cell) === undefined;
        }
        case 'boolean': {
          this.at++;
          return this.isOn(textOf(this.p, this.group()));
        }
        case 'lengthtest':
          this.at++;
          return this.compare(this.group(), scanDimen);
      }
    }
    return this.compare(this.rest(), scanInt);
  }

  private isOn(name: string): boolean {
    const meaning = this.p.state.meaning(this.p.state.cell(`if${name}`));
    return meaning?.kind === 'expandable' && meaning.name === 'iftrue';
  }

  /** The tokens up to the next connective at this level. */
  private rest(): Token[] {
    const out: Token[] = [];
    let depth = 0;
    for (; this.at < this.tokens.length; this.at++) {
      const t = this.tokens[this.at] as Token;
      if (t.cat === Cat.Begin) depth++;
      if (t.cat === Cat.End) depth--;
      if (depth === 0 && t.cat === Cat.Command && /^(and|or|AND|OR|\))$/.test(t.text)) break;
      out.push(t);
    }
    return out;
  }

  private group(): Token[] {
    const first = this.tokens[this.at++];
    if (!first) return [];
    if (first.cat !== Cat.Begin) return [first];
    const out: Token[] = [];
    let depth = 1;
    for (; this.at < this.tokens.length; this.at++) {
      const t = this.tokens[this.at] as Token;
      if (t.cat === Cat.Begin) depth++;
      else if (t.cat === Cat.End && --depth === 0) {
        this.at++;
        break;
      }
      out.push(t);
    }
    return out;
  }

  private words(): string {
    return comparedText(this.p, this.group());
  }

  private number(tokens: readonly Token[]): number {
    return this.scanned(tokens, scanInt);
  }

  private scanned(tokens: readonly Token[], scan: (p: Processor) => number): number {
    this.p.push([...tokens, this.p.command('relax')]);
    const value = scan(this.p);
    const rest = this.p.next();
    if (rest && rest.text !== 'relax') this.p.unread(rest);
    return value;
  }

  /** Two sums with a relation between them, each in braces (package xifthen). */
  private related(scan: (p: Processor) => number, sum: string): boolean {
    const worth = (): number => this.scanned([this.p.command(sum), ...this.group()], scan);
    const left = worth();
    const relation = textOf(this.p, this.group()).trim();
    const right = worth();
    if (relation.startsWith('!')) return left !== right;
    const isEqual = relation.includes('=') && left === right;
    return (
      isEqual ||
      (relation.startsWith('<') ? left < right : relation.startsWith('>') && left > right)
    );
  }

  private compare(tokens: readonly Token[], scan: (p: Processor) => number): boolean {
    const sign = tokens.findIndex((t) => t.cell === null && /^[<>=]$/.test(t.text));
    if (sign < 0) return this.scanned(tokens, scan) !== 0;
    const left = this.scanned(tokens.slice(0, sign), scan);
    const right = this.scanned(tokens.slice(sign + 1), scan);
    const relation = tokens[sign]?.text;
    return relation === '<' ? left < right : relation === '>' ? left > right : left === right;
  }
}

const ifThenElse: Expandable = {
  kind: 'expandable',
  name: 'ifthenelse',
  expand: (p, caller) => {
    const test = readArgument(p, caller, true) ?? [];
    const yes = readArgument(p, caller, true) ?? [];
    const no = readArgument(p, caller, true) ?? [];
    p.push(new Test(p, test).holds() ? yes : no);
  },
};

const whileDo: Expandable = {
  kind: 'expandable',
  name: 'whiledo',
  expand: (p, caller) => {
    const test = readArgument(p, caller, true) ?? [];
    const body = readArgument(p, caller, true) ?? [];
    if (!new Test(p, test).holds()) return;
    const group = (tokens: readonly Token[]): Token[] => [
      p.make(Cat.Begin, '{'),
      ...tokens,
      p.make(Cat.End, '}'),
    ];
    p.push([...body, p.command('whiledo'), ...group(test), ...group(body)]);
  },
};

/** ifthen: choices and loops. */
export const ifthen: PackageEntry = {
  name: 'ifthen',
  description: 'Choices by tests, and loops.',
  options: null,
  commands: [
    macroEntry(
      'newboolean',
      'm',
      'A switch of your own.',
      '\\newboolean{tide}',
      '\\expandafter\\newif\\csname if#1\\endcsname',
    ),
    macroEntry(
      'provideboolean',
      'm',
      'A switch of your own, unless there is one.',
      '\\provideboolean{tide}',
      '\\@ifundefined{if#1}{\\newboolean{#1}}{}',
    ),
    macroEntry(
      'setboolean',
      'mm',
      'Sets a switch to true or false.',
      '\\newboolean{tide}\\setboolean{tide}{true}',
      '\\lowercase{\\csname #1#2\\endcsname}',
    ),
  ],
  setup: (it) => {
    for (const entry of [ifThenElse, whileDo]) it.state.set(it.state.cell(entry.name), entry, true);
  },
};
