import type { CommandEntry, Described, EnvironmentEntry } from '../language/machine/entries';
import { CLASSES } from '../language/classes';
import { kernel } from '../language/kernel/kernel';
import { PACKAGES } from '../language/packages';
import { KEY_WORDS } from './keyWords';
import { NATIVE_WORDS, type NativeWord } from './nativeWords';

/** What completion, hover and the handbook show of one name of the language. */
export interface Word {
  readonly kind: 'command' | 'environment' | 'package' | 'class' | 'key';
  readonly name: string;
  /** A letter for each argument: `s` star, `o` optional, `m` and `M` mandatory. */
  readonly signature: string;
  readonly description: string;
  readonly example: string;
  /** The package that brings it, or '' for the kernel. */
  readonly package: string;
  /** The packages that a package loads in turn. */
  readonly requires: readonly string[];
  /** The classes that bring it; empty for what every class has. */
  readonly classes: readonly string[];
  /** The options that a package or a class knows by name. */
  readonly options: readonly string[];
  /** It acts in formulas, in text, or in both. */
  readonly where: 'formula' | 'text' | 'both';
}

/** Arguments as the entry names them; of one that reads its own, as its example has them. */
function signatureOf({ name, signature, example }: Described): string {
  if (/[mM]/.test(signature) || !/^[A-Za-z]+$/.test(name) || /^(begin|end)$/.test(name))
    return signature;
  const shown = new RegExp(
    `\\\\${name}\\*?(?:\\[[^\\]]*\\])?((?:\\{(?:[^{}]|\\{[^{}]*\\})*\\})*)`,
  ).exec(example);
  return (
    signature + 'm'.repeat((shown?.[1] ?? '').match(/\{(?:[^{}]|\{[^{}]*\})+\}/g)?.length ?? 0)
  );
}

const hidden = (name: string): boolean => /[@\u0000-\u001f]/.test(name) || name === '';

function commandWord(entry: CommandEntry, from: string): Word {
  const shown = entry.example.startsWith('$') || entry.example.startsWith('\\[');
  const formula = entry.math !== undefined || (entry.macro !== undefined && shown);
  const text = entry.run !== undefined || (entry.macro !== undefined && !shown);
  return {
    kind: 'command',
    name: entry.name,
    signature: signatureOf(entry),
    description: entry.description,
    example: entry.example,
    package: from,
    requires: [],
    classes: [],
    options: [],
    where: formula && text ? 'both' : formula ? 'formula' : 'text',
  };
}

const environmentWord = (entry: EnvironmentEntry, from: string): Word => ({
  kind: 'environment',
  name: entry.name,
  signature: entry.signature,
  description: entry.description,
  example: entry.example,
  package: from,
  requires: [],
  classes: [],
  options: [],
  where: entry.math && !entry.begin ? 'formula' : 'text',
});

/** Every name that a document can use, with what is to be said of it; those of the kernel come first. */
export function vocabulary(): Word[] {
  const words = new Map<string, Word>();
  const add = (word: Word): void => {
    const key = `${word.kind} ${word.name}`;
    const known = words.get(key);
    if (hidden(word.name)) return;
    if (known && known.where !== word.where && known.package === word.package)
      words.set(key, { ...known, where: 'both' });
    else if (!known) words.set(key, word);
  };
  const addModule = (module: typeof kernel, from: string): void => {
    for (const entry of module.commands ?? []) add(commandWord(entry, from));
    for (const entry of module.environments ?? []) add(environmentWord(entry, from));
    for (const { kind, ...entry } of module.described ?? [])
      add(
        kind === 'command'
          ? commandWord({ ...entry, macro: '' }, from)
          : environmentWord(entry, from),
      );
  };
  addModule(kernel, '');
  const plain = {
    signature: '',
    package: '',
    requires: [],
    classes: [],
    options: [],
    where: 'text' as const,
  };
  for (const entry of Object.values(PACKAGES)) {
    if (!entry) continue;
    const { name, description, requires = [] } = entry;
    const example = `\\usepackage{${name}}`;
    const options = entry.options ?? [];
    add({ kind: 'package', name, description, example, ...plain, requires, options });
    addModule(entry, name);
  }
  for (const { name, description, options } of Object.values(CLASSES))
    add({
      kind: 'class',
      name,
      description,
      example: `\\documentclass{${name}}`,
      ...plain,
      options,
    });
  for (const word of [...NATIVE_WORDS.map(nativeWord), ...classWords()]) add(word);
  for (const key of KEY_WORDS) add({ kind: 'key', ...plain, ...key });
  return [...words.values()];
}

/** What classes bring, with the names of those that do. */
function classWords(): Word[] {
  const words = new Map<string, Word>();
  for (const { name, commands = [], environments = [] } of Object.values(CLASSES))
    for (const word of [
      ...commands.map((entry) => commandWord(entry, '')),
      ...environments.map((entry) => environmentWord(entry, '')),
    ]) {
      const key = `${word.kind} ${word.name}`;
      const known = words.get(key) ?? word;
      words.set(key, { ...known, classes: [...known.classes, name] });
    }
  return [...words.values()];
}

const nativeWord = (native: NativeWord): Word => ({
  kind: 'command',
  ...native,
  package: '',
  requires: [],
  classes: [],
  options: [],
  where: /^(?:new|renew|provide|today|def|let|make|append|and)/.test(native.name) ? 'text' : 'both',
});
