import { textOf, tokensText } from '../../expansion/tokenText';
import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { LISTS_THEOREMS } from '../constructs/theorems';
import { kindNames } from '../machine/cells';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { keyValues } from '../scanning/optionLists';
import { theoremList } from './thmtoolsList';

type Keys = Readonly<Record<string, string>>;

/** What a style says beyond what `\newtheoremstyle` can. */
const styleKeys = cellsBy<Keys>('thmstylekeys', {});

/** Options as names and the source of their values; a key alone is there with nothing. */
const keysOf = (tokens: readonly Token[]): Keys =>
  Object.fromEntries([...keyValues(tokens)].map(([key, value]) => [key, tokensText(value).trim()]));

/** What a style leaves to the kinds declared in it. */
const BEYOND =
  /^(?:qed|shaded|thmbox|mdframed|preheadhook|postheadhook|prefoothook|postfoothook|numbered|numberwithin|within|parent|sibling|numberlike|sharenumber|refname|Refname|name|title|heading)$/;

/** `headformat`: margin and swapnumber are names, anything else is the form itself (thmtools manual, section 3). */
function headForm(keys: Keys): string {
  const form = keys.headformat;
  const note = (keys.notebraces ?? '()').replace(/[{}]/g, '');
  const [open = '(', close = ')'] = [note.slice(0, note.length / 2), note.slice(note.length / 2)];
  const noted = `\\thmnote{ {${keys.notefont ?? ''}${open}#3${close}}}`;
  if (form === undefined && keys.notefont === undefined && keys.notebraces === undefined) return '';
  if (form === 'margin' || form === 'swapnumber') return `\\thmnumber{#2} \\thmname{#1}${noted}`;
  if (form === undefined) return `\\thmname{#1}\\thmnumber{ #2}${noted}`;
  return form
    .replaceAll('\\NAME', '\\thmname{#1}')
    .replaceAll('\\NUMBER', '\\thmnumber{#2}')
    .replaceAll('\\NOTE', noted);
}

const declareStyle: CommandEntry = {
  name: 'declaretheoremstyle',
  signature: 'om',
  description: 'A style of theorems by names and values: headfont, bodyfont, spaceabove, qed.',
  example: '\\declaretheoremstyle[headfont=\\scshape,bodyfont=\\itshape,qed=$\\diamond$]{tidal}',
  package: 'thmtools',
  run: (it, args) => {
    const keys = keysOf(tokensOf(args, 0));
    const name = textOf(it.p, tokensOf(args, 1));
    it.write(
      styleKeys(name),
      Object.fromEntries(Object.entries(keys).filter(([key]) => BEYOND.test(key))),
      true,
    );
    const of = (key: string, fallback: string): string => `{${keys[key] ?? fallback}}`;
    const gap = keys.break !== undefined ? '\\newline' : (keys.postheadspace ?? ' ');
    it.execute(
      it.source(
        `\\newtheoremstyle{${name}}${of('spaceabove', '')}${of('spacebelow', '')}${of('bodyfont', '\\normalfont')}${of('headindent', '')}${of('headfont', '\\normalfont\\bfseries')}${of('headpunct', '.')}{${gap}}{${headForm(keys)}}`,
      ),
    );
  },
};

/** Colours as thmtools takes them: a name, or a model and its values. */
function colourOption(key: string, value: string | undefined, name: string): [string, string] {
  if (value === undefined) return ['', ''];
  const model = /^\{?(\w+)\}\s*\{(.+?)\}?$/.exec(value);
  if (!model) return ['', `,${key}=${value}`];
  return [`\\definecolor{${name}}{${model[1]}}{${model[2]}}`, `,${key}=${name}`];
}

/** The box around a kind of theorem: what stands before and behind it, and what is to be loaded. */
function boxOf(keys: Keys, name: string): { options: string; setup: string } | null {
  if (keys.mdframed !== undefined) return { options: keys.mdframed, setup: '' };
  if (keys.thmbox !== undefined)
    return { options: 'hidealllines=true,leftline=true,linewidth=1pt', setup: '' };
  if (keys.shaded === undefined) return null;
  const shade = Object.fromEntries(
    keys.shaded.split(/,(?![^{]*\})/).map((part) => {
      const at = part.indexOf('=');
      return [part.slice(0, at).trim(), part.slice(at + 1).trim()];
    }),
  );
  const [ground, backgroundcolor] = colourOption('backgroundcolor', shade.bgcolor, `${name}ground`);
  const [line, linecolor] = colourOption('linecolor', shade.rulecolor, `${name}rule`);
  const width = shade.rulewidth ? `,linewidth=${shade.rulewidth}` : ',hidealllines=true';
  const usual = backgroundcolor === '' ? ',backgroundcolor=black!10' : backgroundcolor;
  return { options: `${usual}${linecolor}${width}`.slice(1), setup: ground + line };
}

/** What is carried out around and within a kind of theorem. */
function hooksOf(keys: Keys, name: string): string {
  const at = (place: string, code: string | undefined): string =>
    code === undefined || code === '' ? '' : `\\@hookenv{${name}}{${place}}{${code}}`;
  const box = boxOf(keys, name);
  const qed = keys.qed;
  const mark =
    qed === undefined
      ? ''
      : qed === '' || qed === '\\qedsymbol'
        ? '\\qed'
        : `{\\renewcommand\\qedsymbol{${qed}}\\qed}`;
  return [
    box ? `\\RequirePackage{xcolor,mdframed}${box.setup}` : '',
    at('before', box ? `\\begin{mdframed}[${box.options}]` : ''),
    at('after', box ? '\\end{mdframed}' : ''),
    at('begin', `${keys.preheadhook ?? ''}${keys.postheadhook ?? ''}`),
    at('end', mark + (keys.prefoothook ?? '')),
    at('after', keys.postfoothook),
  ].join('');
}

function declareOne(it: Interpreter, name: string, own: Keys): void {
  const style = own.style;
  const keys: Keys = { ...(style === undefined ? {} : it.read(styleKeys(style))), ...own };
  const title =
    keys.name ?? keys.title ?? keys.heading ?? name.charAt(0).toUpperCase() + name.slice(1);
  const shared = keys.sibling ?? keys.numberlike ?? keys.sharenumber;
  const within = keys.numberwithin ?? keys.within ?? keys.parent;
  const star = /^(?:no|false|unless unique)$/.test(keys.numbered ?? '') ? '*' : '';
  const body = shared
    ? `{${name}}[${shared}]{${title}}`
    : `{${name}}{${title}}${within ? `[${within}]` : ''}`;
  const names = (value: string | undefined): [string, string] | null => {
    const [one, many] = (value ?? '').replace(/[{}]/g, '').split(',');
    return one ? [one.trim(), (many ?? `${one}s`).trim()] : null;
  };
  const [small, capital] = [names(keys.refname), names(keys.Refname)];
  // `\\cref` knows what is declared so (thm-autoref): by its title where no other word is said.
  const usual = [title.toLowerCase(), `${title.toLowerCase()}s`] as const;
  it.write(kindNames(name), { small: small ?? usual, ...(capital ? { capital } : {}) }, true);
  it.execute(
    it.source(
      `${style ? `\\theoremstyle{${style}}` : ''}\\newtheorem${star}${body}${hooksOf(keys, name)}`,
    ),
  );
}

/** Where what is added to all theorems, or to a kind of them, is carried out. */
const HOOKS: Readonly<Record<string, string>> = {
  addtotheorempreheadhook: 'begin',
  addtotheorempostheadhook: 'begin',
  addtotheoremprefoothook: 'end',
  addtotheorempostfoothook: 'after',
};

const hook = (name: string, place: string): CommandEntry => ({
  name,
  signature: 'om',
  description: 'Adds to what is carried out with a kind of theorem.',
  example: `\\newtheorem{tide}{Tide}\\${name}[tide]{\\itshape}`,
  package: 'thmtools',
  run: (it, args) => {
    if (!args[0]) return;
    const kind = tokensText(tokensOf(args, 0)).trim();
    it.execute([
      ...it.source(`\\@hookenv{${kind}}{${place}}{`),
      ...tokensOf(args, 1),
      ...it.source('}'),
    ]);
  },
});

/** thmtools: theorems and their styles declared by keys, and a list of all of them. */
export const thmtools: PackageEntry = {
  name: 'thmtools',
  description: 'Kinds of theorems by names and values.',
  options: null,
  requires: ['amsthm'],
  commands: [
    declareStyle,
    {
      name: 'declaretheorem',
      signature: 'omo',
      description: 'A kind of theorem: its name, what it is numbered with or within, its style.',
      example: '\\declaretheorem[name=Tide]{tide}',
      package: 'thmtools',
      run: (it, args) => {
        const keys = { ...keysOf(tokensOf(args, 0)), ...keysOf(tokensOf(args, 2)) };
        for (const name of textOf(it.p, tokensOf(args, 1)).split(','))
          declareOne(it, name.trim(), keys);
      },
    },
    ...theoremList,
    ...Object.entries(HOOKS).map(([name, place]) => hook(name, place)),
  ],
  source: '\\def\\listtheoremname{List of Theorems}',
  setup: (it) => it.write(LISTS_THEOREMS, true, true),
};
