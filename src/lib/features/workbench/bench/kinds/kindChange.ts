import { callsOf, partnerOf, partsNamed, shapeOf } from '@odd-compass/engine/shape';
import { readClassLine, type LineEdit } from '../classLine';
import { headingsOf, shifted } from './headings';
import { bodyOf, fromSlides, toSlides, type Conversion } from './slides';

/** How a kind of document is divided. */
type Family = 'sections' | 'chapters' | 'slides' | 'letter';

const FAMILIES: Readonly<Record<string, Family>> = {
  article: 'sections',
  amsart: 'sections',
  proc: 'sections',
  scrartcl: 'sections',
  report: 'chapters',
  book: 'chapters',
  amsbook: 'chapters',
  scrreprt: 'chapters',
  scrbook: 'chapters',
  memoir: 'chapters',
  beamer: 'slides',
  letter: 'letter',
};
/** Of a kind that is not known nothing is converted. */
const familyOf = (name: string): Family | null => FAMILIES[name] ?? null;

/** Options that one family alone takes. */
const OWN_OPTIONS: readonly (readonly [RegExp, readonly Family[]])[] = [
  [/^(?:aspectratio|handout|t|c|trans|ignorenonframetext|xcolor|compress)(?:=|$)/, ['slides']],
  [
    /^(?:a4paper|a5paper|letterpaper|twocolumn|onecolumn|twoside|oneside|titlepage|notitlepage|draft|landscape)$/,
    ['sections', 'chapters', 'letter'],
  ],
  [/^(?:openany|openright|openleft)$/, ['chapters']],
];

/**
 * What has to be written otherwise when a document becomes another kind: the edits, which convert
 * what can be converted, and sentences that say so and what is lost. Without sentences nothing but
 * the name changes.
 */
export function kindChange(text: string, kind: string): Conversion {
  const line = readClassLine(text);
  if (!line) return { edits: [], notes: [] };
  const [from, to] = [familyOf(line.name.text), familyOf(kind)];
  const body = from && to && from !== to ? converted(text, from, to) : { edits: [], notes: [] };
  const taken = to === null ? [] : line.options.filter((option) => !takes(option, to));
  const options = line.options.filter((option) => !taken.includes(option));
  const brackets = options.length === 0 ? '' : `[${options.join(',')}]`;
  const head = { from: line.from, to: line.to, insert: `\\documentclass${brackets}{${kind}}` };
  const optionNotes =
    taken.length === 0
      ? []
      : [
          `The ${taken.length === 1 ? 'option' : 'options'} ${taken.join(', ')} of the class line ${taken.length === 1 ? 'goes' : 'go'}.`,
        ];
  const abstractNote = abstractLost(text, kind);
  return {
    edits: distinct([head, ...body.edits, ...abstractNote.edits]),
    notes: [...body.notes, ...abstractNote.notes, ...optionNotes],
  };
}

const takes = (option: string, family: Family): boolean =>
  OWN_OPTIONS.every(([pattern, families]) => !pattern.test(option) || families.includes(family));

/** Edits in order; of two that meet the first alone. */
function distinct(edits: readonly LineEdit[]): LineEdit[] {
  const sorted = [...edits].sort((a, b) => a.from - b.from || b.to - a.to);
  let end = -1;
  return sorted.filter(({ from, to }) => {
    if (from < end) return false;
    end = Math.max(end, to);
    return true;
  });
}

function converted(text: string, from: Family, to: Family): Conversion {
  if (to === 'slides') return toSlides(text);
  if (to === 'letter') return toLetter(text);
  if (from === 'letter') return fromLetter(text);
  if (from === 'slides') {
    const plain = fromSlides(text);
    if (to === 'sections') return plain;
    return {
      ...plain,
      notes: [...plain.notes, 'Sections stay sections: make chapters of them as you like.'],
    };
  }
  return to === 'chapters' ? toChapters(text) : toSections(text);
}

const headings = (n: number): string => (n === 1 ? '1 heading' : `${n} headings`);

function toChapters(text: string): Conversion {
  if (headingsOf(text).some(({ level }) => level === 'chapter')) return { edits: [], notes: [] };
  const { edits, count } = shifted(text, -1);
  const notes =
    count === 0
      ? []
      : [
          `${headings(count)} one step higher: sections become chapters, subsections become sections.`,
        ];
  return { edits, notes };
}

/** What divides a book, and nothing else. */
const MATTER = ['frontmatter', 'mainmatter', 'backmatter'];

function toSections(text: string): Conversion {
  const all = headingsOf(text);
  const matter = partsNamed(shapeOf(text), 'command', ...MATTER);
  const out = matter.map(({ from, to }) => ({ from, to, insert: '' }));
  const lost =
    matter.length === 0
      ? []
      : [`Taken out: ${[...new Set(matter.map(({ name }) => `\\${name}`))].join(', ')}.`];
  if (!all.some(({ level }) => level === 'chapter')) return { edits: out, notes: lost };
  const { edits, count } = shifted(text, 1);
  return {
    edits: [...edits, ...out],
    notes: [
      `${headings(count)} one step lower: chapters become sections, sections become subsections.`,
      ...lost,
    ],
  };
}

/** A book has no abstract: it becomes a chapter without a number. */
function abstractLost(text: string, kind: string): Conversion {
  const shape = shapeOf(text);
  const [begin] = partsNamed(shape, 'begin', 'abstract');
  const end = begin && partnerOf(shape, begin);
  if (!begin || !end || (kind !== 'book' && kind !== 'letter')) return { edits: [], notes: [] };
  if (kind === 'letter')
    return { edits: [], notes: ['A letter has no abstract: it will be told of.'] };
  return {
    edits: [
      { from: begin.from, to: begin.to, insert: '\\chapter*{Abstract}' },
      { from: end.from, to: end.to, insert: '' },
    ],
    notes: ['A book has no abstract: it becomes a chapter without a number.'],
  };
}

function toLetter(text: string): Conversion {
  const body = bodyOf(text);
  if (!body) return { edits: [], notes: [] };
  const found = headingsOf(text).filter(({ from }) => from > body.from);
  const titles = partsNamed(shapeOf(text), 'command', 'maketitle', 'tableofcontents');
  return {
    edits: [
      { from: body.from, to: body.from, insert: '\n\\begin{letter}{}\n\\opening{Dear }' },
      ...titles.map(({ from, to }) => ({ from, to, insert: '' })),
      ...found.map(({ title, from, to }) => ({ from, to, insert: `\\textbf{${title}}` })),
      { from: body.to, to: body.to, insert: '\\closing{Yours sincerely,}\n\\end{letter}\n' },
    ],
    notes: [
      'All of it becomes one letter, with an opening and a closing to fill in.',
      ...(found.length > 0
        ? [`${headings(found.length)} become bold words: a letter has none.`]
        : []),
      ...(titles.length > 0 ? ['The title is not printed.'] : []),
    ],
  };
}

function fromLetter(text: string): Conversion {
  const shape = shapeOf(text);
  const edges = [...partsNamed(shape, 'begin', 'letter'), ...partsNamed(shape, 'end', 'letter')];
  const edits: LineEdit[] = edges.map(({ from, to, kind }) => {
    const address = kind === 'begin' ? /^\s*\{[^{}]*\}/.exec(text.slice(to))?.[0].length : 0;
    return { from, to: to + (address ?? 0), insert: '' };
  });
  for (const { from, to, args } of callsOf(
    shape,
    ['opening', 'closing', 'signature', 'address', 'cc', 'encl', 'ps'],
    'm',
  ))
    edits.push({ from, to, insert: args[0]?.text ?? '' });
  return { edits, notes: ['Address, opening and closing of the letter become plain text.'] };
}
