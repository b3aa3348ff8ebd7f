import type { RefWhat } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { KindNames } from '../machine/reading';
import type { Interpreter } from '../machine/interpreter';
import { leading } from '../constructs/linking';
import { quietEntry } from '../machine/macroEntry';
import { keysOf } from '../constructs/bibliography';
import { cell } from '../../expansion/cells';
import { kindNames } from '../machine/cells';

function addRef(
  it: Interpreter,
  label: string,
  what: RefWhat,
  capital = false,
  plural = false,
  long = capital,
): void {
  const { place } = it.p;
  const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
  const ref = { kind: 'ref' as const, what, label, font: it.font, capital, plural, long, ...at };
  it.add(what === 'kind' ? ref : leading(it, ref));
}

/** What the package line asked for: capitals everywhere, names unabbreviated. */
interface Options {
  readonly capital: boolean;
  readonly long: boolean;
}

const OPTIONS = cell<Options>('cleveref', { capital: false, long: false });

/** “theorem 1 and lemma 2”, “eqs. (1) to (3)”: one kind named once. */
function smartRefs(
  it: Interpreter,
  labels: readonly string[],
  capital: boolean,
  page: boolean,
): void {
  it.startParagraph();
  const options = it.read(OPTIONS);
  if (!page && labels.length > 1)
    return addRef(
      it,
      labels.join(','),
      'clevers',
      capital || options.capital,
      false,
      capital || options.long,
    );
  labels.forEach((label, i) => {
    if (i > 0)
      it.execute(
        it.source(i === labels.length - 1 ? (labels.length > 2 ? ', and ' : ' and ') : ', '),
      );
    if (page) {
      if (i === 0) it.execute(it.source(labels.length > 1 ? 'pages~' : 'page~'));
      addRef(it, label, 'page');
      return;
    }
    const { place } = it.p;
    const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
    const neighbours = ['', ''] as const;
    const form = { capital: capital || options.capital, long: capital || options.long };
    it.add({ kind: 'ref', what: 'kind', label, font: it.font, ...form, neighbours, ...at });
    addRef(it, label, 'clever');
  });
}

const reference = (name: string, capital: boolean, page: boolean): CommandEntry => ({
  name,
  signature: 'sm',
  description: 'Numbers of what labels name, with what they are.',
  example: `\\${name}{eq:tide}`,
  package: 'cleveref',
  run: (it, args) => smartRefs(it, keysOf(it, tokensOf(args, 1)), capital, page),
});

const range = (name: string, capital: boolean): CommandEntry => ({
  name,
  signature: 'smm',
  description: 'From the first of two labels to the second.',
  example: `\\${name}{eq:a}{eq:b}`,
  package: 'cleveref',
  run: (it, args) => {
    it.startParagraph();
    const [from, to] = [textOf(it.p, tokensOf(args, 1)), textOf(it.p, tokensOf(args, 2))];
    const options = it.read(OPTIONS);
    addRef(it, from, 'kind', capital || options.capital, true, capital || options.long);
    it.execute(it.source('~'));
    addRef(it, from, 'clever');
    it.execute(it.source(' to '));
    addRef(it, to, 'clever');
  },
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

/** cleveref: references that say what they point to. */
export const cleveref: PackageEntry = {
  name: 'cleveref',
  description: 'References that say what they point to.',
  options: null,
  setup: (it, options) => {
    const capital = options.some((o) => /^capitali[sz]e$/.test(o));
    it.write(OPTIONS, { capital, long: options.includes('noabbrev') }, true);
  },
  commands: [
    reference('cref', false, false),
    reference('Cref', true, false),
    reference('cpageref', false, true),
    reference('Cpageref', true, true),
    range('crefrange', false),
    range('Crefrange', true),
    {
      name: 'namecref',
      signature: 'm',
      description: 'What a label names is called.',
      example: '\\namecref{eq:tide}',
      package: 'cleveref',
      run: (it, args) => addRef(it, textOf(it.p, tokensOf(args, 0)), 'kind'),
    },
    {
      name: 'nameCref',
      signature: 'm',
      description: 'What a label names is called, with a capital.',
      example: '\\nameCref{eq:tide}',
      package: 'cleveref',
      run: (it, args) => addRef(it, textOf(it.p, tokensOf(args, 0)), 'kind', true),
    },
    {
      name: 'labelcref',
      signature: 'm',
      description: 'The number of what a label names.',
      example: '\\labelcref{eq:tide}',
      package: 'cleveref',
      run: (it, args) => addRef(it, textOf(it.p, tokensOf(args, 0)), 'clever'),
    },
    naming('crefname', 'small'),
    naming('Crefname', 'capital'),
    quietEntry('crefformat', 'mM', 'How references of a kind are written.'),
    quietEntry('Crefformat', 'mM', 'How references of a kind are written.'),
    quietEntry('creflabelformat', 'mM', 'How numbers of a kind are written.'),
    quietEntry('crefdefaultlabelformat', 'M', 'How numbers are written.'),
    quietEntry('crefalias', 'mm', 'One kind is called as another.'),
    quietEntry('crefrangeformat', 'mM', 'How ranges of a kind are written.'),
    quietEntry('crefmultiformat', 'mMMM', 'How several references of a kind are written.'),
  ],
};
