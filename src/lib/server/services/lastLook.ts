import type { Finding } from '@odd-compass/engine';
import type { HandInRules } from '../../domain/assignment';
import { folderOf } from '../../domain/fileName';
import type { LookLine, LookPlace } from '../../domain/courseSite';
import type { PagePicture, StepFact } from '../typeset/job';
import { lookAtMathematics } from './lookAtMathematics';

/** What the last look looks at: facts of the engine, the sources, and what the course asks for. */
export interface Looked {
  readonly findings: readonly Finding[];
  readonly pages: readonly PagePicture[];
  readonly steps: readonly StepFact[];
  /** Of the handout as it was taken; empty when there was none. */
  readonly handout: readonly PagePicture[];
  readonly texts: Readonly<Record<string, string>>;
  readonly mainPath: string;
  readonly author: string;
  readonly problems: readonly string[];
  readonly rules: HandInRules | null;
  /** Files that could go, with their sizes in bytes. */
  readonly files: readonly { readonly name: string; readonly size: number }[];
  readonly now: Date;
}

/** Looks at everything that is checked before a hand-in. Each line is a fact, with ways to its places. */
export function lastLook(looked: Looked): LookLine[] {
  return [
    answered(looked),
    named(looked),
    dated(looked),
    ...ofFindings(looked),
    noNotes(looked),
    ...lookAtMathematics(looked.texts, looked.mainPath, looked.steps),
    ...withinRules(looked),
  ].filter((line) => line !== null);
}

const lines = (pages: readonly PagePicture[]): string[] =>
  pages.flatMap((page) => page.lines.map(({ text }) => text));

const HEADING = /^\s*(?:Problem|Exercise|Question|Task|Part)\s+(\d+[a-z]?)\b/i;
/** So many words more than the handout had make an answer. */
const LEAST_WORDS = 3;

/** The words under each problem's heading, by its number. */
export function problemParts(pages: readonly PagePicture[]): Map<string, string[]> {
  const parts = new Map<string, string[]>();
  let open: string[] | null = null;
  for (const line of lines(pages)) {
    const number = HEADING.exec(line)?.[1];
    if (number !== undefined) {
      open = parts.get(number) ?? [];
      parts.set(number, open);
    }
    // Page numbers and running heads are no answer; single signs are.
    if (open && /\p{L}|[=<>]/u.test(line)) open.push(...(line.match(/\S+/g) ?? []));
  }
  return parts;
}

function answered({ problems, pages, handout, texts, mainPath }: Looked): LookLine | null {
  if (problems.length === 0) return null;
  const now = problemParts(pages);
  const before = problemParts(handout);
  const open = problems.filter((number) => {
    const words = now.get(number);
    return !words || words.length < (before.get(number)?.length ?? 0) + LEAST_WORDS;
  });
  const source = texts[mainPath] ?? '';
  const heads = [
    ...source.matchAll(
      /\\begin\{(?:problem|exercise|question|task)\}|\\question\b|\\(?:sub)*section\*?\{\s*(?:Problem|Exercise|Question|Task)|(?:Problem|Exercise|Question|Task)\s+\d/gi,
    ),
  ];
  return {
    topic: 'Problems',
    well: open.length === 0,
    says:
      open.length === 0
        ? `All ${problems.length} problems of the handout are answered.`
        : open.length === 1
          ? `Problem ${open[0]} is not answered.`
          : `Problems ${open.slice(0, -1).join(', ')} and ${open.at(-1)} are not answered.`,
    places: open.flatMap((number) => {
      const head = heads[problems.indexOf(number)];
      return head ? [{ says: `Problem ${number}`, path: mainPath, from: head.index }] : [];
    }),
  };
}

const plain = (text: string): string => text.replace(/[\s~]+/g, ' ').toLowerCase();

function named({ author, pages, texts, mainPath }: Looked): LookLine {
  const first = plain(lines(pages.slice(0, 1)).join(' '));
  if (author === '')
    return {
      topic: 'Your name',
      well: null,
      says: 'Your name is not known here: write it under “Who you are” on the desk.',
      places: [],
    };
  const found = first.includes(plain(author));
  return {
    topic: 'Your name',
    well: found,
    says: found ? `${author} stands on page 1.` : `${author} does not stand on page 1.`,
    places: found ? [] : placesOf(texts, mainPath, /\\author\b|\\maketitle\b|\\begin\{document\}/),
  };
}

const MONTHS =
  'January|February|March|April|May|June|July|August|September|October|November|December';
const DATE = new RegExp(
  `(${MONTHS})\\s+\\d|\\d{1,2}\\.?\\s+(${MONTHS})|\\d{4}-\\d{2}-\\d{2}|\\d{1,2}[./]\\d{1,2}[./]\\d{2,4}`,
);

function dated({ pages, texts, mainPath }: Looked): LookLine {
  const found = DATE.test(lines(pages.slice(0, 1)).join(' '));
  return {
    topic: 'Date',
    well: found ? true : null,
    says: found ? 'A date stands on page 1.' : 'No date stands on page 1.',
    places: found ? [] : placesOf(texts, mainPath, /\\date\b|\\maketitle\b|\\begin\{document\}/),
  };
}

/** Findings by what they mean for the one who marks it. */
const GROUPS: readonly {
  readonly topic: string;
  readonly kinds: readonly string[];
  readonly fine: string;
  readonly says: (count: number) => string;
}[] = [
  {
    topic: 'References',
    kinds: ['reference-unknown', 'citation-unknown', 'label-repeated', 'facts-unsettled'],
    fine: 'Every reference and citation leads somewhere.',
    says: (n) => `${n === 1 ? 'One reference leads' : `${n} references lead`} nowhere.`,
  },
  {
    topic: 'Margins',
    kinds: ['line-too-wide', 'formula-too-wide', 'picture-too-wide'],
    fine: 'Nothing stands outside the margins.',
    says: (n) => `${n === 1 ? 'One place stands' : `${n} places stand`} outside the margins.`,
  },
];

function ofFindings({ findings, mainPath }: Looked): LookLine[] {
  const place = ({ message, file, from }: Finding): LookPlace => ({
    says: message,
    path: inFolderOf(mainPath, file),
    from,
  });
  const grouped = new Set(GROUPS.flatMap(({ kinds }) => kinds));
  const rest = findings.filter(({ kind, severity }) => severity !== 'advice' && !grouped.has(kind));
  return [
    {
      topic: 'Mistakes',
      well: rest.length === 0,
      says:
        rest.length === 0
          ? 'The engine found no mistake.'
          : `${rest.length === 1 ? 'One mistake is' : `${rest.length} mistakes are`} left.`,
      places: rest.map(place),
    },
    ...GROUPS.map(({ topic, kinds, fine, says }): LookLine => {
      const found = findings.filter(({ kind }) => kinds.includes(kind));
      return {
        topic,
        well: found.length === 0,
        says: found.length === 0 ? fine : says(found.length),
        places: found.map(place),
      };
    }),
  ];
}

/** A file that the engine names, as a path of the assignment. */
const inFolderOf = (mainPath: string, file: string): string => folderOf(mainPath) + file;

const NOTES =
  /\b(?:TODO|FIXME|TBD|XXX)\b|\?\?\?|\\(?:todo|lipsum|blindtext|Blindtext|kant)\b|\blorem ipsum\b/gi;

/** Notes to oneself and dummy text, in comments too: who gets the source reads them. */
function noNotes({ texts }: Looked): LookLine {
  const places = Object.entries(texts)
    .filter(([path]) => path.endsWith('.tex'))
    .flatMap(([path, text]) =>
      [...text.matchAll(NOTES)].map(({ index }) => ({
        says: lineAt(text, index),
        path,
        from: index,
      })),
    );
  return {
    topic: 'Notes to yourself',
    well: places.length === 0,
    says:
      places.length === 0
        ? 'No notes to yourself and no dummy text are left.'
        : `${places.length === 1 ? 'One note' : `${places.length} notes`} to yourself or dummy text left.`,
    places,
  };
}

const lineAt = (text: string, at: number): string => {
  const start = text.lastIndexOf('\n', at) + 1;
  const end = text.indexOf('\n', at);
  return text
    .slice(start, end < 0 ? text.length : end)
    .trim()
    .slice(0, 90);
};

function placesOf(
  texts: Readonly<Record<string, string>>,
  path: string,
  pattern: RegExp,
): LookPlace[] {
  const found = pattern.exec(texts[path] ?? '');
  return found ? [{ says: 'Go there', path, from: found.index }] : [];
}

const SIZE = (bytes: number): string =>
  bytes < 1_000_000
    ? `${Math.max(1, Math.round(bytes / 1000))} kB`
    : `${(bytes / 1_000_000).toFixed(1)} MB`;

function withinRules({ rules, pages, files, now }: Looked): LookLine[] {
  if (!rules) return [];
  const { mostPages, largest, deadline } = rules;
  const all = files.reduce((sum, { size }) => sum + size, 0);
  const late = now.getTime() > new Date(deadline).getTime();
  const out: LookLine[] = [
    {
      topic: 'Size',
      well: all <= largest,
      says: `${SIZE(all)} in all; the course takes up to ${SIZE(largest)}.`,
      places: [],
    },
    {
      topic: 'Deadline',
      well: late ? false : true,
      says: late ? `The deadline has passed. ${rules.latePolicy}` : 'It is before the deadline.',
      places: [],
    },
  ];
  if (mostPages === null) return out;
  const well = pages.length <= mostPages;
  const says = `${pages.length === 1 ? 'One page' : `${pages.length} pages`}; the course takes up to ${mostPages}.`;
  return [{ topic: 'Length', well, says, places: [] }, ...out];
}
