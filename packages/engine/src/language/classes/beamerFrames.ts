import type { BlockNode } from '../../document/blocks';
import { CELLS } from '../machine/cells';
import { FILL, gluePt, PT, type Sp } from '../../base/lengths';
import { readOptional } from '../../expansion/arguments';
import { cell, cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { type EnvironmentEntry, tokensOf } from '../machine/entries';
import { clearPage } from '../constructs/chapters';
import { setTitlePart, space, titlePart } from '../constructs/title';
import type { Interpreter } from '../machine/interpreter';
import { coverFrom, overlaySpec, showsEver, showsOn } from '../machine/overlays';
import { brokenFrame, continuation, heightOf } from './beamerBreaks';
import { headOf, slideBackdrop } from './beamerDrawing';
import { aroundTemplate, partFont, templateOf } from './beamerTemplates';
import { LOOK, PLAIN_LOOK, SEA } from './beamerThemes';
import { tokensText } from '../../expansion/tokenText';

/** Everything from `\begin{frame}` to its `\end`, as tokens, so that it can be set once for each step. */
function frameBody(it: Interpreter, name: string): Token[] {
  const out: Token[] = [];
  let depth = 0;
  for (let t = it.p.next(); t !== null; t = it.p.next()) {
    if (t.cat === Cat.Command && (t.text === 'begin' || t.text === 'end')) {
      const { name: found, tokens } = nameAhead(it);
      if (found === name) {
        if (t.text === 'end' && depth === 0) return out;
        depth += t.text === 'begin' ? 1 : -1;
      }
      out.push(t, ...tokens);
      continue;
    }
    out.push(t);
    if (t.cat === 18) break;
  }
  return out;
}

function nameAhead(it: Interpreter): { name: string; tokens: Token[] } {
  const tokens: Token[] = [];
  for (let t = it.p.next(); t !== null; t = it.p.next()) {
    tokens.push(t);
    if (t.cat === Cat.End || t.cat === 18) break;
  }
  const name = tokens
    .filter((t) => t.cat !== Cat.Begin && t.cat !== Cat.End && t.cat !== Cat.Space)
    .map((t) => t.text)
    .join('');
  return { name, tokens };
}

/** What the options of a frame say. */
export interface FrameOptions {
  /** Without head and foot. */
  readonly plain: boolean;
  readonly top: boolean | null;
  readonly numbered: boolean;
  readonly label: string | null;
  /** Text as it is typed stands in it. */
  readonly fragile: boolean;
  /** It goes on over several slides where there is no room. */
  readonly breaks: boolean;
  /** Few words, large, on the dark ground that titles have elsewhere. */
  readonly standout: boolean;
  /** Only these of its steps are shown; null for all. */
  readonly steps: string | null;
}
/** Frames that have a label (`[label=tides]`), to be shown again. */
export const labelledFrame = cellsBy<{
  readonly body: readonly Token[];
  readonly options: FrameOptions;
} | null>('labelledframe', null);

const NO_OPTIONS: FrameOptions = {
  plain: false,
  top: null,
  numbered: true,
  label: null,
  fragile: false,
  breaks: false,
  standout: false,
  steps: null,
};

export function frameOptions(
  tokens: readonly Token[] | null,
  steps: string | null = null,
): FrameOptions {
  const words = tokensText(tokens ?? [])
    .split(',')
    .map((word) => word.trim());
  const label =
    words
      .find((word) => word.startsWith('label='))
      ?.slice(6)
      .trim() ?? null;
  const top = words.includes('t')
    ? true
    : words.includes('c') || words.includes('b')
      ? false
      : null;
  const standout = words.includes('standout');
  return {
    plain: standout || words.includes('plain'),
    top: standout ? false : top,
    numbered: !standout && !words.includes('noframenumbering'),
    label,
    fragile: words.some((word) => /^(fragile|containsverbatim)\b/.test(word)),
    breaks: words.some((word) => word.startsWith('allowframebreaks')),
    standout,
    steps,
  };
}

/** `[<+->][options]`: steps for all its items may come first. */
export function optionsHere(it: Interpreter): readonly Token[] | null {
  const first = readOptional(it.p);
  return first?.[0]?.text === '<' ? readOptional(it.p) : first;
}

/** What is counted on a slide counts anew on its next step. */
export const OVERLAY_COUNTERS = cell<readonly string[]>('overlaycounters', [
  'equation',
  'theorem',
  'figure',
  'table',
  'footnote',
  'mpfootnote',
  'lstlisting',
]);

/** What a slide costs: it is read, set and painted anew for each step. */
const STEP_WORK = 600;

/** Only the frames of these labels are set (`\\includeonlyframes`); null for all. */
export const ONLY_FRAMES = cell<readonly string[] | null>('onlyframes', null);

function isLeftOut(it: Interpreter, { label, steps }: FrameOptions): boolean {
  const chosen = it.read(ONLY_FRAMES);
  if (chosen !== null && !chosen.includes(label ?? '')) return true;
  return steps !== null && !showsEver(it, steps);
}

/** A frame: once for each step of its overlays, each on a page of its own. */
export function frame(it: Interpreter, body: readonly Token[], options = NO_OPTIONS): void {
  if (isLeftOut(it, options)) return;
  if (options.numbered) it.execute(it.source('\\stepcounter{framenumber}'));
  // A dot in the line at the head.
  if (it.read(LOOK).headline === 'dots' && options.numbered)
    it.execute(it.source('\\addcontentsline{nav}{frame}{\\arabic{framenumber}}'));
  it.write(CELLS.overlay, 1, true);
  it.write(CELLS.overlays, 1, true);
  const counters = it.read(OVERLAY_COUNTERS).map((counter) => {
    const name = `c@${counter}`;
    const storage = it.state.register('count', name);
    return { cell: storage, value: it.state.get(storage) };
  });
  it.write(CELLS.frameOfTokens, !options.fragile, true);
  let isFirst = true;
  const first = it.labels.length;
  for (let step = 1; step <= it.read(CELLS.overlays); step++) {
    if (!it.p.spend(STEP_WORK, 'frame')) break;
    it.write(CELLS.overlay, step, true);
    it.write(CELLS.pauses, 1, true);
    if (options.steps !== null && !showsOn(it, options.steps)) continue;
    if (!isFirst) for (const one of counters) it.state.set(one.cell, one.value, true);
    const labels = it.labels.length;
    oneStep(it, body, options);
    // Places are those of the first slide they stand on.
    if (!isFirst) {
      const later = it.labels.splice(labels);
      const before = new Set(it.labels.slice(first).map(({ name }) => name));
      it.labels.push(...later.filter(({ name }) => !before.has(name)));
    }
    isFirst = false;
  }
  it.write(CELLS.frameOfTokens, false, true);
  it.write(CELLS.overlay, null, true);
}

function oneStep(it: Interpreter, body: readonly Token[], options: FrameOptions): void {
  clearPage(it, false);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  // What ended the slide before says nothing of how this one begins.
  for (const said of [CELLS.afterDisplay, CELLS.noIndentNext, CELLS.listEnded])
    it.write(said, false, true);
  const blocks = it.gather(() => {
    setTitlePart(it, 'frametitle', []);
    setTitlePart(it, 'framesubtitle', []);
    it.skipBlanks();
    if (options.standout) standOut(it);
    it.execute(body);
  });
  coverFrom(it, false);
  const title = titlePart(it, 'frametitle') ?? [];
  const sub = titlePart(it, 'framesubtitle') ?? [];
  const keep = { kind: 'vspace' as const, glue: gluePt(0), behaviour: 'keep' as const };
  const fill = { kind: 'vspace' as const, glue: FILL, behaviour: 'plain' as const };
  const top = options.top ?? it.read(CELLS.topFrames);
  const pages = options.breaks ? brokenFrame(it, blocks, roomBelow(it, title, sub)) : [blocks];
  const whole = options.breaks ? [] : [{ kind: 'wholepage' as const }];
  pages.forEach((page, i) => {
    if (i > 0) clearPage(it, false);
    const shown = options.breaks && title.length > 0 ? [...title, ...continuation(it, i)] : title;
    paintSlide(it, shown, sub.length > 0, options);
    if (title.length > 0) frameTitle(it, shown, sub);
    const places = i === 0 ? anchors(it, options) : [];
    it.mode.vlist.push(...whole, ...places, keep, ...(top ? [] : [fill]), ...page, fill);
  });
  it.closeGroup();
}

/** Words in the colours that titles have, in the middle of a slide of that ground. */
function standOut(it: Interpreter): void {
  const look = it.read(LOOK);
  const { ground, words } = look.bar ?? { ground: look.structure, words: 0xffffff };
  it.write(LOOK, { ...look, ground, bar: null });
  it.execute(it.source('\\centering\\Large\\bfseries '));
  it.changeFont({ color: words });
}

/** So much of the room is used where a frame breaks (beamer user guide, section 8.2.1). */
const USED = 0.95;

function roomBelow(it: Interpreter, title: readonly Token[], sub: readonly Token[]): Sp {
  const all = it.dimen('textheight');
  if (title.length === 0) return all;
  return (
    USED *
    (all -
      heightOf(
        it,
        it.gather(() => frameTitle(it, title, sub)),
      ))
  );
}

/** Where `\hyperlink{label}` and `\hyperlink{label<2>}` lead to (beamer user guide, section 11.1). */
function anchors(it: Interpreter, { label }: FrameOptions): BlockNode[] {
  const step = it.read(CELLS.overlay) ?? 1;
  if (label === null) return [];
  const names = [...(step === 1 ? [label] : []), `${label}<${step}>`];
  return names.map((name) => ({ kind: 'label', name }));
}

const TITLE_LINE = 18;

/** Ground, bar, head and foot of a slide. */
function paintSlide(
  it: Interpreter,
  title: readonly Token[],
  hasSub: boolean,
  { plain }: FrameOptions,
): void {
  const look = it.read(LOOK);
  if (look === PLAIN_LOOK) return;
  const wide = it.host.measure(it.inlinesOf([...it.source('\\Large '), ...title])).width;
  const lines = Math.max(1, Math.ceil(wide / it.dimen('textwidth')));
  const head = headOf(look);
  const isOwn = templateOf(it, 'frametitle') !== null;
  const bar = title.length === 0 || isOwn ? 0 : 12 + head + lines * TITLE_LINE + (hasSub ? 12 : 0);
  const size = { width: it.dimen('paperwidth'), height: it.dimen('paperheight') };
  const drawn = slideBackdrop(it, look, size, bar, plain);
  it.execute([
    ...it.source('\\@backdrop*{\\sffamily\\def\\and{\\unskip, }\\def\\inst##1{}'),
    ...drawn,
    ...it.source('}{}'),
  ]);
}

/** The title of a frame, by the template of the document or our own. */
function frameTitle(it: Interpreter, title: readonly Token[], sub: readonly Token[]): void {
  const braced = (tokens: readonly Token[]) => [it.p.make(1, '{'), ...tokens, it.p.make(2, '}')];
  for (const [name, tokens] of [
    ['insertframetitle', title],
    ['insertframesubtitle', sub],
  ] as const)
    it.execute([...it.source(`\\gdef\\${name}`), ...braced(tokens)]);
  const own = templateOf(it, 'frametitle');
  const { before, behind } = aroundTemplate(it, 'frametitle');
  it.execute(before);
  if (own) it.execute(own);
  else plainTitle(it, title, sub);
  it.endParagraph();
  it.execute(behind);
  it.endParagraph();
}

function plainTitle(it: Interpreter, title: readonly Token[], sub: readonly Token[]): void {
  const { bar, structure, titles } = it.read(LOOK);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(CELLS.alignment, titles);
  it.changeFont({ color: bar?.words ?? structure });
  it.execute([
    ...it.source(bar ? '\\Large ' : '\\Large\\bfseries '),
    ...it.read(partFont('frametitle')),
  ]);
  it.startParagraph(false);
  it.execute(title);
  it.endParagraph();
  if (sub.length > 0) {
    it.execute(it.source('\\small\\mdseries'));
    it.startParagraph(false);
    it.execute(sub);
    it.endParagraph();
  }
  it.closeGroup();
  if (bar || structure !== SEA) {
    it.mode.vlist.push(space(10));
    return;
  }
  it.mode.vlist.push(space(3), {
    kind: 'rule',
    width: it.dimen('textwidth'),
    height: 0.6 * PT,
    left: 0,
    color: SEA,
  });
  it.mode.vlist.push(space(4));
}

/** A group that stands right here, or null. */
export function bracedHere(it: Interpreter): readonly Token[] | null {
  it.p.skipSpaces();
  const token = it.p.next();
  if (!token) return null;
  it.p.unread(token);
  if (token.cat !== Cat.Begin) return null;
  return tokensOf(it.readArguments('M', it.p.command('frame')) ?? [], 0);
}

export const frameEnvironment = (name: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'One slide; overlays make it several pages.',
  example: `\\begin{${name}}{Tides}\nHigh water\n\\end{${name}}`,
  begin: (it) => {
    const steps = overlaySpec(it);
    const options = frameOptions(optionsHere(it), steps);
    const title = bracedHere(it);
    const sub = title ? bracedHere(it) : null;
    const body = frameBody(it, name);
    const { p } = it;
    const group = (tokens: readonly Token[]): Token[] => [
      p.make(1, '{'),
      ...tokens,
      p.make(2, '}'),
    ];
    const head = title ? [p.command('frametitle'), ...group(title)] : [];
    const subHead = sub ? [p.command('framesubtitle'), ...group(sub)] : [];
    const whole = [...head, ...subHead, ...body];
    if (options.label !== null)
      it.write(labelledFrame(options.label), { body: whole, options }, true);
    frame(it, whole, options);
    p.push([p.command('end'), ...group(p.chars(name))]);
  },
  end: (it) => it.endParagraph(),
});
