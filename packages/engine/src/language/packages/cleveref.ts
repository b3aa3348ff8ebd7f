import type { RefWhat } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import {
  type Args,
  type CommandEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import {
  LINK_FROM,
  LINK_TO,
  NUMBERS_AT,
  type Format,
  type FormatPiece,
  type KindNames,
  type ReferenceFormats,
} from '../machine/reading';
import { ANY_KIND } from '../machine/counters';
import type { Interpreter } from '../machine/interpreter';
import { leading, linkColour } from '../constructs/linking';
import { idleEntry } from '../machine/macroEntry';
import { keysOf } from '../constructs/bibliography';
import { cell } from '../../expansion/cells';
import { kindNames } from '../machine/cells';
import { Cat } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';

/** What the package line asked for: capitals everywhere, names unabbreviated. */
interface Options {
  /** The name is part of the link. */
  readonly nameInLink: boolean;
  readonly capital: boolean;
  readonly long: boolean;
}

const OPTIONS = cell<Options>('cleveref', {
  nameInLink: false,
  capital: false,
  long: false,
});

/** The words between references, each a command that a document may define itself. */
const JOINS: readonly (readonly [string, string, string])[] = [
  ['crefrangeconjunction', ' to\\nobreakspace{}', 'The word within a range of numbers.'],
  ['crefpairconjunction', ' and ', 'The word between two numbers.'],
  ['crefmiddleconjunction', ', ', 'What stands between three numbers and more.'],
  ['creflastconjunction', ' and ', 'The word before the last of three numbers and more.'],
  ['crefpairgroupconjunction', ' and ', 'The word between two kinds.'],
  ['crefmiddlegroupconjunction', ', ', 'What stands between three kinds and more.'],
  ['creflastgroupconjunction', ', and ', 'The word before the last of three kinds and more.'],
];

/** A blank that no line ends at, as plain text has it. */
const asText = (it: Interpreter, tokens: readonly Token[]): string =>
  it
    .inlinesOf(tokens)
    .map((inline) => (inline.kind === 'text' ? inline.text : inline.kind === 'space' ? ' ' : ''))
    .join('');

/** The words between, where a document has its own; none of them otherwise. */
function ownJoins(it: Interpreter): readonly string[] {
  const said = JOINS.map(([name]) => it.state.meaning(it.state.cell(name)));
  const own = said.some((meaning) => meaning?.kind === 'macro');
  if (!own) return [];
  return JOINS.map(([name, usual], i) =>
    asText(it, said[i]?.kind === 'macro' ? [it.p.command(name)] : it.source(usual)),
  );
}

interface Asked {
  readonly what: RefWhat;
  readonly label: string;
  readonly capital?: boolean;
  readonly plural?: boolean;
  readonly neighbours?: readonly [string, string];
  readonly joins?: readonly string[];
}

/** Adds a reference; with a star it is no link. */
function addRef(it: Interpreter, { capital = false, ...asked }: Asked, starred = false): void {
  it.startParagraph();
  const { place } = it.p;
  const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
  const options = it.read(OPTIONS);
  const form = { capital: capital || options.capital, long: capital || options.long };
  const start = capital ? { starts: true } : {};
  const ref = { kind: 'ref' as const, font: it.font, ...form, ...start, ...asked, ...at };
  const isPlain = starred || !it.hasPackage('hyperref');
  if (isPlain || (asked.what === 'kind' && !options.nameInLink)) return it.add(ref);
  const leads = { color: linkColour(it, 'linkcolor'), names: options.nameInLink };
  it.add(asked.what === 'page' ? leading(it, ref) : { ...ref, leads });
}

/** “theorem 1 and lemma 2”, “eqs. (1) to (3)”: one kind named once. */
function smartRefs(it: Interpreter, args: Args, capital: boolean): void {
  const labels = keysOf(it, tokensOf(args, 1));
  const [starred, joins] = [isStarred(args), ownJoins(it)];
  const [label = ''] = labels;
  if (labels.length > 1)
    return addRef(it, { what: 'clevers', label: labels.join(','), capital, joins }, starred);
  if (label === '') return;
  addRef(it, { what: 'kind', label, capital, neighbours: ['', ''] });
  addRef(it, { what: 'clever', label, capital }, starred);
}

/** “page 3”, “pages 3 and 5”. */
function pageRefs(it: Interpreter, args: Args, capital: boolean): void {
  const labels = keysOf(it, tokensOf(args, 1));
  const word = labels.length > 1 ? 'pages~' : 'page~';
  it.startParagraph();
  it.execute(it.source(capital ? `P${word.slice(1)}` : word));
  labels.forEach((label, i) => {
    const last = labels.length > 2 ? ', and ' : ' and ';
    if (i > 0) it.execute(it.source(i === labels.length - 1 ? last : ', '));
    addRef(it, { what: 'page', label }, isStarred(args));
  });
}

const reference = (
  name: string,
  run: (it: Interpreter, args: Args, capital: boolean) => void,
): CommandEntry => ({
  name,
  signature: 'sm',
  description: 'Numbers of what labels name, with what they are.',
  example: `\\${name}{eq:tide}`,
  package: 'cleveref',
  run: (it, args) => run(it, args, name.startsWith('C')),
});

const range = (name: string, capital: boolean): CommandEntry => ({
  name,
  signature: 'smm',
  description: 'From the first of two labels to the second.',
  example: `\\${name}{eq:a}{eq:b}`,
  package: 'cleveref',
  run: (it, args) => {
    const ends = [1, 2].map((i) => textOf(it.p, tokensOf(args, i)).trim());
    const joins = ownJoins(it);
    addRef(it, { what: 'cleverrange', label: ends.join(','), capital, joins }, isStarred(args));
  },
});

const kindOnly = (name: string, plural: boolean, letters: 'small' | 'capital'): CommandEntry => ({
  name,
  signature: 'm',
  description: `What a label names is called${plural ? ', several of them' : ''}.`,
  example: `\\${name}{eq:tide}`,
  package: 'cleveref',
  run: (it, args) => {
    const label = textOf(it.p, tokensOf(args, 0)).trim();
    addRef(it, { what: 'kind', label, capital: letters === 'capital', plural }, true);
  },
});

/** The number alone, as it stands among others. */
const numbersOnly = (name: string): CommandEntry => ({
  name,
  signature: 'sm',
  description: 'The number of what a label names.',
  example: `\\${name}{eq:tide}`,
  package: 'cleveref',
  run: (it, args) =>
    keysOf(it, tokensOf(args, 1)).forEach((label, i) => {
      if (i > 0) it.execute(it.source(', '));
      addRef(it, { what: 'cleverlabel', label }, isStarred(args));
    }),
});

/** `\crefname{theorem}{theorem}{theorems}`: kept for references by kind. */
const naming = (name: string, form: keyof KindNames): CommandEntry => ({
  name,
  signature: 'mMM',
  description: 'What a kind is called, one of them and several.',
  example: `\\${name}{theorem}{theorem}{theorems}`,
  package: 'cleveref',
  run: (it, args) => {
    const kind = textOf(it.p, tokensOf(args, 0));
    const names = [textOf(it.p, tokensOf(args, 1)), textOf(it.p, tokensOf(args, 2))] as const;
    it.write(kindNames(kind), { ...it.read(kindNames(kind)), [form]: names }, true);
  },
});

/** A format as words: marks where numbers go, and where links begin and end. */
function formatIn(it: Interpreter, tokens: readonly Token[], numbers: number): Format {
  const out: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat !== Cat.Parameter) out.push(token);
    else {
      const n = Number(tokens[++i]?.text ?? 0);
      const sign = n <= numbers ? NUMBERS_AT[n - 1] : (n - numbers) % 2 ? LINK_FROM : LINK_TO;
      if (n >= 1) out.push(...it.p.chars(sign ?? ''));
    }
  }
  const around = it.font;
  const pieces = it.inlinesOf(out).flatMap((inline): FormatPiece[] => {
    if (inline.kind !== 'text' && inline.kind !== 'space') return [];
    const differing = Object.entries(inline.font).filter(
      ([key, value]) => around[key as keyof typeof around] !== value,
    );
    const text = inline.kind === 'text' ? inline.text : ' ';
    return [{ text, change: Object.fromEntries(differing) }];
  });
  return pieces;
}

/** Both forms are given by the one that is not said: `\crefformat` gives `\Crefformat`, and the other way round. */
function formatted(
  it: Interpreter,
  kind: string,
  capital: boolean,
  change: ReferenceFormats,
): void {
  const names = it.read(kindNames(kind));
  const { Capital, ...small } = names?.formats ?? {};
  const missing = Object.fromEntries(
    Object.entries(change).filter(([key]) => small[key as keyof typeof small] === undefined),
  );
  const formats: ReferenceFormats = capital
    ? { ...missing, ...small, Capital: { ...Capital, ...change } }
    : { ...small, ...change, ...(Capital ? { Capital } : {}) };
  it.write(kindNames(kind), { ...names, formats }, true);
}

const format = (
  name: string,
  formats: number,
  description: string,
  change: (it: Interpreter, args: Args) => ReferenceFormats,
): CommandEntry => ({
  name,
  signature: `m${'M'.repeat(formats)}`,
  description,
  example: `\\${name}{theorem}${'{#2#1#3}'.repeat(formats)}`,
  package: 'cleveref',
  run: (it, args) => {
    const kind = textOf(it.p, tokensOf(args, 0)).trim();
    formatted(it, kind, name.startsWith('C'), change(it, args));
  },
});

const FORMATS: readonly CommandEntry[] = ['c', 'C'].flatMap((c) => [
  format(`${c}refformat`, 1, 'How a reference to a kind is written.', (it, args) => ({
    one: formatIn(it, tokensOf(args, 1), 1),
  })),
  format(`${c}refrangeformat`, 1, 'How a range of a kind is written.', (it, args) => ({
    range: formatIn(it, tokensOf(args, 1), 2),
  })),
  format(`${c}refmultiformat`, 4, 'How several of a kind are written.', (it, args) => ({
    multi: [1, 2, 3, 4].map((i) => formatIn(it, tokensOf(args, i), 1)),
  })),
]);

/** cleveref: references that say what they point to. */
export const cleveref: PackageEntry = {
  name: 'cleveref',
  description: 'References that say what they point to.',
  options: null,
  setup: (it, options) => {
    const capital = options.some((o) => /^capitali[sz]e$/.test(o));
    const [long, nameInLink] = ['noabbrev', 'nameinlink'].map((one) => options.includes(one));
    it.write(OPTIONS, { capital, long: long === true, nameInLink: nameInLink === true }, true);
  },
  commands: [
    reference('cref', smartRefs),
    reference('Cref', smartRefs),
    reference('cpageref', pageRefs),
    reference('Cpageref', pageRefs),
    range('crefrange', false),
    range('Crefrange', true),
    kindOnly('namecref', false, 'small'),
    kindOnly('nameCref', false, 'capital'),
    kindOnly('lcnamecref', false, 'small'),
    kindOnly('namecrefs', true, 'small'),
    kindOnly('nameCrefs', true, 'capital'),
    kindOnly('lcnamecrefs', true, 'small'),
    numbersOnly('labelcref'),
    numbersOnly('labelCref'),
    naming('crefname', 'small'),
    naming('Crefname', 'capital'),
    ...FORMATS,
    format('creflabelformat', 1, 'How a number of a kind is written.', (it, args) => ({
      label: formatIn(it, tokensOf(args, 1), 1),
    })),
    idleEntry('crefrangelabelformat', 'mM', 'How a range of numbers of a kind is written.'),
    {
      name: 'crefdefaultlabelformat',
      signature: 'M',
      description: 'How numbers are written, where nothing is said of their kind.',
      example: '\\crefdefaultlabelformat{(#2#1#3)}',
      package: 'cleveref',
      run: (it, args) =>
        formatted(it, ANY_KIND, false, { label: formatIn(it, tokensOf(args, 0), 1) }),
    },
    {
      name: 'crefalias',
      signature: 'mm',
      description: 'One kind is called as another.',
      example: '\\crefalias{claim}{lemma}',
      package: 'cleveref',
      run: (it, args) => {
        const [kind, other] = [0, 1].map((i) => textOf(it.p, tokensOf(args, i)).trim());
        const names = it.read(kindNames(other ?? '')) ?? usualKind(other ?? '');
        it.write(kindNames(kind ?? ''), names, true);
      },
    },
  ],
};

/** A kind that nothing was said of is called by its name. */
const usualKind = (kind: string): KindNames => ({ small: [kind, `${kind}s`] });
