import { blended } from '../../base/paint';
import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { ALERT_COLOUR } from '../machine/overlays';
import { colourOf, definedColour } from '../scanning/colours';
import { keyValues } from '../scanning/optionLists';
import { change, LOOK } from './beamerThemes';

/** What the document says of a part's colours: of its words, of its ground, and whose it has where it says nothing. */
interface PartColours {
  readonly fg: number | null;
  readonly bg: number | null;
  readonly parents: readonly string[];
}
const NOTHING: PartColours = { fg: null, bg: null, parents: [] };
const said = cellsBy<PartColours>('beamercolour', NOTHING);

/** Whose colours a part has (beamer user guide, section 17). */
const PARENTS: Readonly<Record<string, readonly string[]>> = {
  title: ['titlelike'],
  subtitle: ['titlelike'],
  frametitle: ['titlelike'],
  framesubtitle: ['frametitle'],
  titlelike: ['structure'],
  'block title': ['structure'],
  'block title alerted': ['alerted text'],
  'block title example': ['example text'],
  'block body': ['normal text'],
  'block body alerted': ['block body'],
  'block body example': ['block body'],
  item: ['structure'],
  'itemize item': ['item'],
  'itemize subitem': ['subitem', 'item'],
  'itemize subsubitem': ['subsubitem', 'item'],
  'enumerate item': ['item'],
  'enumerate subitem': ['subitem', 'item'],
  'enumerate subsubitem': ['subsubitem', 'item'],
  'description item': ['item'],
  'caption name': ['structure'],
  'section in toc': ['structure'],
  'author in head/foot': ['palette tertiary'],
  'title in head/foot': ['palette secondary'],
  'institute in head/foot': ['palette tertiary'],
  'date in head/foot': ['palette primary'],
  'section in head/foot': ['palette tertiary'],
  'subsection in head/foot': ['palette primary'],
  'page number in head/foot': ['palette primary'],
  footline: ['palette primary'],
  headline: ['palette primary'],
  button: ['palette primary'],
};

/** What the look gives a part that nobody said anything of. */
function byLook(it: Interpreter, part: string, kind: 'fg' | 'bg'): number | null {
  const { structure, bar, foot, ground, filled } = it.read(LOOK);
  // Titles have the ground of the bar where the look has grounds.
  const isTitle = part === 'titlelike' && filled;
  const [deep, middle, pale] = foot.grounds;
  const grounds: Readonly<Record<string, number>> = {
    'palette primary': pale,
    'palette secondary': middle,
    'palette tertiary': deep,
    'palette quaternary': deep,
  };
  if (kind === 'bg')
    return part === 'frametitle' || isTitle
      ? (bar?.ground ?? null)
      : part === 'background canvas'
        ? ground
        : (grounds[part] ?? null);
  if (part === 'structure') return structure;
  if (part === 'normal text') return 0;
  if (part === 'alerted text') return it.read(ALERT_COLOUR);
  if (part === 'example text') return EXAMPLE;
  if (part === 'frametitle' || (isTitle && bar)) return bar?.words ?? null;
  return part in grounds ? foot.words : null;
}

/** The colour of blocks that show. */
export const EXAMPLE = 0x2f6b4f;

/** What was said of a part, or of those whose colours it has; null where nobody said anything. */
export function ownColour(
  it: Interpreter,
  part: string,
  kind: 'fg' | 'bg',
  depth = 0,
): number | null {
  const own = it.read(said(part));
  if (own[kind] !== null || depth > 8) return own[kind];
  for (const parent of [...own.parents, ...(PARENTS[part] ?? [])]) {
    const found = ownColour(it, parent, kind, depth + 1);
    if (found !== null) return found;
  }
  return null;
}

/** The colour of a part's words or ground: as it was said, or as the look has it; null for none. */
export function colourOfPart(
  it: Interpreter,
  part: string,
  kind: 'fg' | 'bg',
  depth = 0,
): number | null {
  const own = it.read(said(part))[kind] ?? byLook(it, part, kind);
  if (own !== null || depth > 8) return own;
  for (const parent of [...it.read(said(part)).parents, ...(PARENTS[part] ?? [])]) {
    const found = colourOfPart(it, parent, kind, depth + 1);
    if (found !== null) return found;
  }
  return null;
}

/** Of a part and of those within it: `structure.fg` and `bg` name its colours for `\color` while they are used. */
function nameColours(it: Interpreter, part: string): void {
  for (const kind of ['fg', 'bg'] as const) {
    const colour = colourOfPart(it, part, kind);
    if (colour === null) continue;
    it.write(definedColour(kind), colour);
    it.write(definedColour(`${part}.${kind}`), colour);
  }
}

/** `\setbeamercolor{frametitle}{fg=white,bg=blue,parent=structure}`. */
function setColour(it: Interpreter, part: string, value: readonly Token[], fresh: boolean): void {
  const keys = keyValues(value);
  const words = (key: string): string => textOf(it.p, keys.get(key) ?? []).trim();
  const using = words('use');
  const list = (text: string): string[] =>
    text
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  for (const one of list(using)) nameColours(it, one);
  const paint = (key: string): number | null => {
    const given = keys.get(key);
    return given && given.length > 0 ? colourOf(it, null, given) : null;
  };
  const [fg, bg] = [paint('fg'), paint('bg')];
  it.closeGroup();
  const before = fresh ? NOTHING : it.read(said(part));
  const parents = [...list(words('parent')), ...before.parents];
  it.write(said(part), { fg: fg ?? before.fg, bg: bg ?? before.bg, parents }, true);
  carryOut(it, part, fg, bg);
}

/** What is drawn by the look takes the colour at once. */
function carryOut(it: Interpreter, part: string, fg: number | null, bg: number | null): void {
  const look = it.read(LOOK);
  if (part === 'structure' && fg !== null) change(it, { structure: fg });
  if (part === 'alerted text' && fg !== null) it.write(ALERT_COLOUR, fg, true);
  if (part === 'normal text' && fg !== null) it.changeFont({ color: fg });
  if (part === 'normal text' && bg !== null) change(it, { ground: bg });
  if (part === 'background canvas' && bg !== null) change(it, { ground: bg });
  if (/^(?:frametitle|titlelike|palette primary)$/.test(part)) {
    const bar = look.bar ?? { ground: 0xffffff, words: look.structure };
    if (bg !== null) change(it, { bar: { ground: bg, words: fg ?? bar.words } });
    else if (fg !== null && look.bar) change(it, { bar: { ...look.bar, words: fg } });
  }
  if (/^block title/.test(part) && bg !== null) change(it, { filled: true });
}

/** Grounds of a block: behind its title and behind its text, and the words on the first. */
export function blockColours(it: Interpreter, kind: string, filled: boolean) {
  const own = colourOfPart(it, `block title${kind}`, 'fg') ?? 0;
  const title = ownColour(it, `block title${kind}`, 'bg');
  const ground = title ?? (filled ? own : null);
  const words =
    title === null ? (filled ? 0xffffff : own) : colourOfPart(it, `block title${kind}`, 'fg');
  const body = ownColour(it, `block body${kind}`, 'bg');
  return {
    ground,
    words: words ?? 0,
    body: body ?? (ground === null ? null : blended(ground, 0xffffff, 0.1)),
    text: ownColour(it, `block body${kind}`, 'fg'),
  };
}

const partOf = (it: Interpreter, tokens: readonly Token[]): string => textOf(it.p, tokens).trim();

/** Colours of parts of slides (beamer user guide, section 17). */
export const colourCommands: readonly CommandEntry[] = [
  {
    name: 'setbeamercolor',
    signature: 'smm',
    description: 'The colours of a part of slides: fg for its words, bg for its ground.',
    example: '\\setbeamercolor{structure}{fg=red}',
    run: (it, args) =>
      setColour(it, partOf(it, tokensOf(args, 1)), tokensOf(args, 2), args[0] === true),
  },
  {
    name: 'usebeamercolor',
    signature: 'som',
    description: 'The colour of a part of slides, from here on.',
    example: '{\\usebeamercolor[fg]{structure}Tide}',
    run: (it, args) => {
      const part = partOf(it, tokensOf(args, 2));
      nameColours(it, part);
      const kind = args[1] ? partOf(it, tokensOf(args, 1)) : '';
      const colour = kind === 'fg' || kind === 'bg' ? colourOfPart(it, part, kind) : null;
      if (colour !== null) it.changeFont({ color: colour });
    },
  },
  {
    name: 'bmr@colour',
    signature: 'm',
    description: 'The colour of the words of a part, by its name.',
    example: '',
    run: (it, args) => {
      const colour = colourOfPart(it, partOf(it, tokensOf(args, 0)), 'fg');
      if (colour !== null) it.changeFont({ color: colour });
    },
  },
];
