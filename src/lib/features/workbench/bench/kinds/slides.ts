import { callsOf, partnerOf, partsNamed, shapeOf, type Shape } from '@odd-compass/engine/shape';
import type { LineEdit } from '../classLine';
import { headingsOf, type Heading } from './headings';

/** What a conversion does, and what it says of it. */
export interface Conversion {
  readonly edits: readonly LineEdit[];
  readonly notes: readonly string[];
}

const counted = (n: number, one: string, many: string): string =>
  n === 1 ? `1 ${one}` : `${n} ${many}`;

/** The body of a document: from behind `\begin{document}` to `\end{document}`. */
export function bodyOf(text: string): { from: number; to: number } | null {
  const shape = shapeOf(text);
  const [begin] = partsNamed(shape, 'begin', 'document');
  if (!begin) return null;
  return { from: begin.to, to: partnerOf(shape, begin)?.from ?? text.length };
}

/** What a frame is begun and ended with; what prints itself or nothing needs none. */
const OWN_FRAME = /^\s*(?:\\(?:maketitle|tableofcontents)\b\s*)*$/;

const frame = (title: string, body: string): string =>
  `\\begin{frame}${title === '' ? '' : `{${title}}`}\n${body.trim()}\n\\end{frame}\n`;

/** Title and contents become frames of their own. */
const withoutTitle = (body: string): string =>
  body
    .replace(/\\maketitle\b/g, '\\begin{frame}\n\\titlepage\n\\end{frame}')
    .replace(/\\tableofcontents\b/g, '\\begin{frame}\n\\tableofcontents\n\\end{frame}');

/** Sections become frames: one for each heading, in its section. */
export function toSlides(text: string): Conversion {
  const body = bodyOf(text);
  if (!body) return { edits: [], notes: [] };
  const headings = headingsOf(text).filter(
    ({ from, level }) => from >= body.from && from < body.to && level !== 'paragraph',
  );
  const ends = [...headings.slice(1).map(({ from }) => from), body.to];
  const opening = text.slice(body.from, headings[0]?.from ?? body.to);
  const intro = OWN_FRAME.test(opening)
    ? withoutTitle(opening)
    : withoutTitle(/^(?:\s*\\(?:maketitle|tableofcontents)\b)*\s*/.exec(opening)?.[0] ?? '') +
      frame('', opening.replace(/^(?:\s*\\(?:maketitle|tableofcontents)\b)*\s*/, ''));
  const frames = headings.map((heading, i) =>
    headingFrame(heading, text.slice(heading.to, ends[i])),
  );
  const insert = `${intro.trimEnd()}\n\n${frames.join('\n')}`;
  const dropped = droppedLines(text, body.from);
  const notes = [
    `${counted(headings.length, 'heading becomes a frame', 'headings become frames')}, each with what stands below it.`,
    ...dropped.notes,
    'Footnotes, floats and page numbers look otherwise on slides.',
  ];
  return {
    edits: [...dropped.edits, { from: body.from, to: body.to, insert: `\n${insert}` }],
    notes,
  };
}

function headingFrame({ level, starred, title }: Heading, behind: string): string {
  const label = /^\s*\\label\{[^}]*\}/.exec(behind)?.[0] ?? '';
  const body = behind.slice(label.length);
  const isSection = level === 'section' || level === 'chapter';
  const head = isSection ? `\\section${starred ? '*' : ''}{${title}}${label.trim()}\n` : '';
  return `${head}${body.trim() === '' ? '' : frame(title, isSection ? body : label + body)}`;
}

/** Theorems that slides have by themselves. */
const BROUGHT =
  /^(?:theorem|lemma|corollary|definition|definitions|example|examples|fact|problem|solution|proof)$/;
/** Packages that have no place on slides. */
const NOT_ON_SLIDES = ['geometry', 'fancyhdr', 'setspace', 'parskip', 'titlesec', 'fullpage'];

/** Lines of the preamble that slides do not take. */
function droppedLines(text: string, end: number): Conversion {
  const preamble = shapeOf(text.slice(0, end));
  const edits: LineEdit[] = [];
  const gone: string[] = [];
  for (const call of callsOf(preamble, ['newtheorem', 'newtheorem*'], 'smomo')) {
    const name = call.args[1]?.text ?? '';
    if (!BROUGHT.test(name)) continue;
    edits.push(wholeLine(text, call.from, call.to));
    gone.push(`\\newtheorem{${name}}`);
  }
  for (const call of callsOf(preamble, ['usepackage'], 'om')) {
    const names = (call.args[1]?.text ?? '').split(',').map((one) => one.trim());
    if (names.length !== 1 || !NOT_ON_SLIDES.includes(names[0] ?? '')) continue;
    edits.push(wholeLine(text, call.from, call.to));
    gone.push(names[0] ?? '');
  }
  const notes =
    gone.length === 0
      ? []
      : [`Taken out, because slides bring it or have no use for it: ${gone.join(', ')}.`];
  return { edits, notes };
}

/** The edit that takes a command out, with its line when it stands alone. */
function wholeLine(text: string, from: number, to: number): LineEdit {
  const start = text.lastIndexOf('\n', from - 1) + 1;
  const end = text.indexOf('\n', to);
  const alone =
    text.slice(start, from).trim() === '' &&
    text.slice(to, end < 0 ? text.length : end).trim() === '';
  return alone
    ? { from: start, to: end < 0 ? text.length : end + 1, insert: '' }
    : { from, to, insert: '' };
}

/** Commands of slides that show what is in their braces on some steps; it stays. */
const STEPPED = 'only onslide uncover visible invisible alert structure'.split(' ');
/** Lines of slides that mean nothing elsewhere. */
const LOOKS =
  'usetheme usecolortheme usefonttheme useinnertheme useoutertheme setbeamertemplate setbeamercolor setbeamerfont setbeamercovered beamertemplatenavigationsymbolsempty institute titlegraphic logo'.split(
    ' ',
  );

/** Frames become sections and subsections. */
export function fromSlides(text: string): Conversion {
  const shape = shapeOf(text);
  const edits: LineEdit[] = [];
  const frames = partsNamed(shape, 'begin', 'frame');
  const sections = headingsOf(text).filter(({ level }) => level === 'section');
  for (const begin of frames) {
    const end = partnerOf(shape, begin);
    const { title, to } = frameHead(text, shape, begin.to, end?.from ?? text.length);
    const section = sections.findLast(({ from }) => from < begin.from)?.title;
    const heading = title === '' || title === section ? '' : `\\subsection*{${title}}\n`;
    const inner = text.slice(to, end?.from ?? text.length);
    edits.push({
      from: begin.from,
      to,
      insert: /^\s*\\(?:titlepage|maketitle|tableofcontents)\b/.test(inner) ? '' : heading,
    });
    if (end) edits.push({ from: end.from, to: end.to, insert: '' });
  }
  const inHead = (at: number): boolean =>
    edits.some(({ from, to = from }) => from <= at && at < to);
  const steps = stepEdits(text, shape).filter(({ from }) => !inHead(from));
  const looks = callsOf(shape, LOOKS, 'omm').map(({ from, to }) => wholeLine(text, from, to));
  edits.push(...steps, ...looks, ...titleEdits(shape), ...boxEdits(text, shape));
  return {
    edits,
    notes: [
      `${counted(frames.length, 'frame becomes', 'frames become')} text, under a heading of its own where its title differs from the section’s.`,
      ...(steps.length > 0 ? ['What is shown step by step stands there at once.'] : []),
      ...(looks.length > 0 ? ['Themes and colours of the slides are taken out.'] : []),
    ],
  };
}

/** The title of a frame, in braces or by its command, and where what it holds begins. */
function frameHead(text: string, shape: Shape, at: number, end: number) {
  const head = /^\s*(?:<[^>]*>)?\s*(?:\[[^\]]*\])*/.exec(text.slice(at))?.[0].length ?? 0;
  const [braced] = callsOf(shapeOf(`\\frame${text.slice(at + head, end)}`), ['frame'], 'm');
  const inBraces = /^\s*\{/.test(text.slice(at + head)) ? braced?.args[0] : null;
  const titled = callsOf(shape, ['frametitle'], 'm').find(({ from }) => from >= at && from < end);
  if (inBraces)
    return { title: inBraces.text, to: at + head + inBraces.whole.to - '\\frame'.length };
  const behind = titled && text.slice(at + head, titled.from).trim() === '' ? titled.to : at + head;
  return { title: titled?.args[0]?.text ?? '', to: behind };
}

const titleEdits = (shape: Shape): LineEdit[] =>
  partsNamed(shape, 'command', 'titlepage').map(({ from, to }) => ({
    from,
    to,
    insert: '\\maketitle',
  }));

function stepEdits(text: string, shape: Shape): LineEdit[] {
  const pauses = partsNamed(shape, 'command', 'pause').map(({ from, to }) =>
    wholeLine(text, from, to),
  );
  const shown = partsNamed(shape, 'command', ...STEPPED).flatMap(({ from, to }): LineEdit[] => {
    const step = /^<[^>]*>/.exec(text.slice(to));
    if (!step) return [];
    const open = to + step[0].length;
    const [call] = callsOf(shapeOf(`\\x${text.slice(open)}`), ['x'], 'm');
    const inner = call?.args[0];
    if (!inner) return [{ from, to: open, insert: '' }];
    const shift = open - '\\x'.length;
    return [
      { from, to: inner.from + shift, insert: '' },
      { from: inner.to + shift, to: inner.whole.to + shift, insert: '' },
    ];
  });
  const items = partsNamed(shape, 'command', 'item').flatMap(({ to }): LineEdit[] => {
    const step = /^<[^>]*>/.exec(text.slice(to));
    return step ? [{ from: to, to: to + step[0].length, insert: '' }] : [];
  });
  return [...pauses, ...shown, ...items];
}

/** Blocks become paragraphs with a heading; columns stand one below the other. */
function boxEdits(text: string, shape: Shape): LineEdit[] {
  const edits: LineEdit[] = [];
  for (const begin of partsNamed(shape, 'begin', 'block', 'alertblock', 'exampleblock')) {
    const [title] = callsOf(shapeOf(`\\x${text.slice(begin.to, begin.to + 2000)}`), ['x'], 'm');
    const end = partnerOf(shape, begin);
    const to = begin.to + (title?.to ?? 2) - 2;
    edits.push({ from: begin.from, to, insert: `\\paragraph{${title?.args[0]?.text ?? ''}}` });
    if (end) edits.push({ from: end.from, to: end.to, insert: '' });
  }
  for (const begin of partsNamed(shape, 'begin', 'columns', 'column')) {
    const args = /^(?:\[[^\]]*\])?(?:\{[^{}]*\})?/.exec(text.slice(begin.to))?.[0] ?? '';
    const taken = begin.name === 'column' ? args : (/^\[[^\]]*\]/.exec(args)?.[0] ?? '');
    const end = partnerOf(shape, begin);
    edits.push({ from: begin.from, to: begin.to + taken.length, insert: '' });
    if (end) edits.push({ from: end.from, to: end.to, insert: '' });
  }
  for (const { from, to } of callsOf(shape, ['column'], 'm')) edits.push({ from, to, insert: '' });
  return edits;
}
