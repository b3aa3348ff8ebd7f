import { CELLS } from '../machine/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { currentStyleFile, loadStyleFile, passedOptions } from '../constructs/files';
import { CLASSES } from '../classes';
import { type Args, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { namesOf } from '../scanning/namesOf';
import { splitAt, trimmed } from '../scanning/optionLists';
import { tellUnknownKey, writtenKeys } from '../scanning/unknownKeys';
import { renameFix } from '../machine/unknown';
import { install } from '../machine/install';
import { languageNamed } from '../symbols/languages';
import { PACKAGES } from '../packages';
import { isPublished } from './publishedPackages';
import { meantClass, meantPackages, nearestOption, nearestPackage } from './meantModules';
import { tellClash } from './packageClashes';

/** Options that a class does not have: elsewhere they go unused, which is said but stops nothing. */
function reportOptions(it: Interpreter, args: Args, known: readonly string[] | null): void {
  for (const { own, name, span } of unknownOptions(args, known)) {
    const fix = renameFix(it, own, nearestOption(name, known ?? []));
    it.p.report('option-unknown', span, { name }, fix);
  }
}

function* unknownOptions(args: Args, known: readonly string[] | null) {
  for (const part of known ? splitAt(tokensOf(args, 0), ',') : []) {
    const own = part.filter((t) => t.cat !== Cat.Space);
    const name = own.map((t) => t.text).join('');
    const [first] = own;
    if (!first || known?.includes(name) || name.includes('=') || isGeneral(name)) continue;
    yield { part, own, name, span: { from: first.from, to: (own.at(-1) as Token).to } };
  }
}

/** Options and keys that a package does not have; a length alone is taken for the first of its keys. */
function reportKeys(it: Interpreter, args: Args, { options, keys = [] }: PackageEntry): void {
  for (const { part } of unknownOptions(args, options)) tellUnknownKey(it, part, options ?? []);
  for (const key of keys.length > 0 ? writtenKeys(tokensOf(args, 0)) : []) {
    const name = tokensText(key).trim();
    if (name === '' || keys.includes(name) || isGeneral(name)) continue;
    tellUnknownKey(it, key, keys, /^\d/.test(name) ? `${keys[0]}=${name}` : undefined);
  }
}

/** Options of a class that packages read, not the class itself. */
const GENERAL_OPTIONS: ReadonlySet<string> = new Set(
  'utf8,hidelinks,usenames,dvipsnames,svgnames,x11names,table,draftcls,journal,conference,compsoc,reqno,intlimits,sumlimits,nosumlimits,psamsfonts,cmex10,fontset=fandol,UTF8,oldfontcommands'.split(
    ',',
  ),
);

/** The driver that a document names for elsewhere: it means nothing here. */
const DRIVER = /^dvi[a-z]+$|^[a-z]+tex$/;

const isGeneral = (name: string): boolean =>
  GENERAL_OPTIONS.has(name) || DRIVER.test(name) || languageNamed(name) !== null;

/** `{12pt}[article]`: the name where its options belong, and they where it does. */
function inPlace(
  it: Interpreter,
  args: Args,
  token: Token,
  isKnown: (name: string) => boolean,
): Args {
  const [name, meant] = [1, 2].map((i) => textOf(it.p, tokensOf(args, i)).trim());
  if (!name || !meant || args[0] || isKnown(name) || !isKnown(meant)) return args;
  const from = token.from + token.text.length + 1;
  const span = { from, to: it.p.here() };
  const fix = { title: 'Change their places', edits: [{ ...span, text: `[${name}]{${meant}}` }] };
  it.p.report('name-swapped', span, { name: meant, command: token.text }, fix);
  return [tokensOf(args, 1), tokensOf(args, 2)];
}

/** Where a command ends whose last argument these tokens are. */
const behind = (tokens: readonly Token[], { to }: Token): number =>
  Math.max(to, (tokens.at(-1)?.to ?? to) + 1);

export function documentClass(it: Interpreter, given: Args, token: Token): void {
  const args = inPlace(it, given, token, (name) => CLASSES[name] !== undefined);
  const isTyped = token.chunk === it.p.reader.chunk;
  if (isTyped && it.read(CELLS.class) !== null && !currentStyleFile(it)) {
    const span = { from: token.from, to: behind(tokensOf(args, 1), token) };
    const edits = [{ ...span, text: '' }];
    const what = '\\documentclass';
    return it.p.report('stands-twice', span, { what }, { title: 'Take it out', edits });
  }
  const name = textOf(it.p, tokensOf(args, 1));
  const options = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  if (it.read(CELLS.classOptions) === null) it.write(CELLS.classOptions, options, true);
  if (CLASSES[name] === undefined || it.host.readFile(`${name}.cls`) !== null) {
    it.write(CELLS.class, name, true);
    if (loadStyleFile(it, name, 'cls', options)) return;
    const fix = renameFix(it, tokensOf(args, 1), meantClass(name));
    it.p.report('class-unknown', it.spanOf(token), { name }, fix);
  }
  loadClass(it, CLASSES[name] ? name : 'article', options);
  reportOptions(it, args, CLASSES[name]?.options ?? null);
}

/** Puts a class in force. */
export function loadClass(it: Interpreter, name: string, options: readonly string[]): void {
  const entry = CLASSES[name];
  if (!entry) return;
  const all = [...passedOptions(it, name, 'cls'), ...options];
  if (it.read(CELLS.class) === null || !currentStyleFile(it)) it.write(CELLS.class, name, true);
  if (it.read(CELLS.classOptions) === null) it.write(CELLS.classOptions, all, true);
  install(it, entry, all, () => {
    for (const needed of entry.requires ?? []) loadPackage(it, needed);
  });
}

/** `\\LoadClass` in a class that comes with the assignment. */
export function loadBaseClass(
  it: Interpreter,
  args: Args,
  token: Token,
  withOptions: boolean,
): void {
  const name = textOf(it.p, tokensOf(args, 1));
  const given = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  const options = withOptions ? (currentStyleFile(it)?.options ?? []) : given;
  if (loadStyleFile(it, name, 'cls', options)) return;
  if (!CLASSES[name]) it.p.report('class-unknown', it.spanOf(token), { name });
  loadClass(it, CLASSES[name] ? name : 'article', options);
}

/** A package of the assignment, read once. */
function openPackage(it: Interpreter, name: string, options: readonly string[]): void {
  const loaded = it.read(CELLS.packages);
  if (loaded.includes(name)) return;
  it.write(CELLS.packages, [...loaded, name], true);
  loadStyleFile(it, name, 'sty', [...passedOptions(it, name, 'sty'), ...options]);
}

function loadLater(it: Interpreter, parts: readonly (readonly Token[])[], args: Args): Token[] {
  const { p } = it;
  const options = args[0] ? [...p.chars('['), ...tokensOf(args, 0), ...p.chars(']')] : [];
  const names = parts.flatMap((part, i) => (i === 0 ? part : [...p.chars(','), ...part]));
  return [p.command('RequirePackage'), ...options, p.make(1, '{'), ...names, p.make(2, '}')];
}

/** A package nobody knows: commands that may be its own are gathered and told of with it. */
function unknownPackage(
  it: Interpreter,
  part: readonly Token[],
  name: string,
  token: Token,
  options: readonly string[],
): void {
  const own = trimmed(part);
  const meant = meantPackages(textOf(it.p, own));
  const near = meant.length > 0 ? meant.join(',') : nearestPackage(name);
  const [first] = own;
  const inPlace = first !== undefined && first.chunk === it.p.reader.chunk;
  const span = inPlace ? { from: first.from, to: own.at(-1)?.to ?? 0 } : it.spanOf(token);
  const fix = renameFix(it, own, near);
  for (const one of meant) loadPackage(it, one, options);
  const unknown = it.read(CELLS.unknownPackages);
  if (meant.length === 0 && !unknown.includes(name))
    it.write(CELLS.unknownPackages, [...unknown, name], true);
  const written = textOf(it.p, own).trim();
  if (near) it.p.report('package-misspelt', span, { name: written, meant: near }, fix);
  else
    it.p.report(isPublished(name) ? 'package-not-here' : 'package-unknown', span, {
      name,
      uses: '',
    });
}

/** Puts a package in force, and those it needs; false when it is not known. */
export function loadPackage(
  it: Interpreter,
  name: string,
  options: readonly string[] = [],
): boolean {
  const entry = PACKAGES[name];
  if (!entry) return false;
  const loaded = it.read(CELLS.packages);
  const again = loaded.includes(name);
  const all = [...passedOptions(it, name, 'sty'), ...options];
  if (!again) {
    it.write(CELLS.packages, [...loaded, name], true);
    for (const needed of entry.requires ?? []) loadPackage(it, needed);
  }
  if (!again || options.length > 0) install(it, entry, all);
  return true;
}

/** A package before the kind of document, when that is named further down. */
function reportEarly(it: Interpreter, token: Token): void {
  const { text, base } = it.p.reader;
  it.p.reach = Math.max(it.p.reach, text.length);
  if (!text.includes('\\documentclass', base + token.to)) return;
  it.p.report('line-too-early', it.spanOf(token), { name: token.text });
}

export function usePackage(
  it: Interpreter,
  written: Args,
  token: Token,
  withOptions = false,
): void {
  const args = inPlace(it, written, token, (name) => PACKAGES[name] !== undefined);
  if (it.read(CELLS.class) === null && token.chunk === it.p.reader.chunk) reportEarly(it, token);
  const given = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  const options = withOptions ? (currentStyleFile(it)?.options ?? []) : given;
  const parts = splitAt(tokensOf(args, 1), ',').filter((part) => trimmed(part).length > 0);
  parts.forEach((part, i) => {
    const own = part.filter((t) => t.cat !== Cat.Space);
    const name = textOf(it.p, own);
    tellClash(it, name, { from: token.from, to: behind(tokensOf(args, 1), token) }, token);
    if (it.host.readFile(`${name}.sty`) === null) {
      if (!loadPackage(it, name, options)) unknownPackage(it, part, name, token, options);
      else if (parts.length === 1) {
        reportKeys(it, args, PACKAGES[name] as PackageEntry);
      }
      return;
    }
    // The file is read when we are done here: what stands behind it in the list must wait.
    const rest = parts.slice(i + 1);
    if (rest.length > 0) it.p.push(loadLater(it, rest, args));
    openPackage(it, name, options);
    parts.length = i + 1;
  });
}
