import { glue, scaleGlue, type Glue, type Sp } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { getCount } from '../../expansion/registers';
import { tokensText } from '../../expansion/expandables';
import type { Args, CommandEntry } from '../entries';
import { isStarred, tokensOf } from '../entries';
import { closeOpenGroups } from '../environments';
import { counterText, refStepCounter } from '../counters';
import type { Interpreter } from '../interpreter';
import { setSize } from './fonts';

/** `\@secpenalty` (LaTeX classes). */
const SECTION_PENALTY = -300;
/** x-height of the roman font in em: 4.30554 pt at 10 pt. */
const EX = 0.430554;

interface Heading {
  readonly name: string;
  readonly level: number;
  readonly size: string;
  /** Space above and below in ex: natural, stretch, shrink. A run-in heading has `after` in em. */
  readonly before: readonly [number, number, number];
  readonly after: readonly [number, number];
  readonly runIn: boolean;
}

/** The headings of article (article.cls: `\@startsection` with these measures). */
const HEADINGS: readonly Heading[] = [
  {
    name: 'section',
    level: 1,
    size: 'Large',
    before: [3.5, 1, 0.2],
    after: [2.3, 0.2],
    runIn: false,
  },
  {
    name: 'subsection',
    level: 2,
    size: 'large',
    before: [3.25, 1, 0.2],
    after: [1.5, 0.2],
    runIn: false,
  },
  {
    name: 'subsubsection',
    level: 3,
    size: 'normalsize',
    before: [3.25, 1, 0.2],
    after: [1.5, 0.2],
    runIn: false,
  },
  {
    name: 'paragraph',
    level: 4,
    size: 'normalsize',
    before: [3.25, 1, 0.2],
    after: [1, 0],
    runIn: true,
  },
  {
    name: 'subparagraph',
    level: 5,
    size: 'normalsize',
    before: [3.25, 1, 0.2],
    after: [1, 0],
    runIn: true,
  },
];

/** Environments that no heading stands in: a heading inside one means its end was forgotten. */
const NEVER_AROUND =
  /^(itemize|enumerate|description|proof|theorem|lemma|proposition|corollary|definition|remark|example|quote|center)$/;

function ex(it: Interpreter): Sp {
  return EX * it.font.size;
}

/** Starts a heading: what was forgotten open before it is closed. */
function closeForgotten(it: Interpreter, token: Token): void {
  const forgotten = it.environments.findIndex(
    (e) => NEVER_AROUND.test(e.name) || e.data.theorem === true,
  );
  if (forgotten < 0) return;
  closeOpenGroups(it, it.environments[forgotten]?.groups ?? 0, it.spanOf(token));
}

function heading(h: Heading) {
  return (it: Interpreter, args: Args, token: Token): void => {
    closeForgotten(it, token);
    const span = it.spanOf(token);
    const title = tokensOf(args, 2);
    const numbered = !isStarred(args) && getCount(it.state, 'secnumdepth') >= h.level;
    it.endParagraph();
    const unit = ex(it);
    const after: Glue = glue(h.after[0] * unit, h.after[1] * unit);
    if (it.fact<boolean>('afterHeading') !== true) {
      it.vlist.push({ kind: 'penalty', penalty: SECTION_PENALTY });
    }
    it.vlist.push({ kind: 'vspace', glue: scaleGlue(glue(...h.before), unit), behaviour: 'merge' });
    if (numbered) refStepCounter(it, h.name);
    const number = numbered ? counterText(it, h.name) : '';
    const text = tokensText(title)
      .replace(/\\[A-Za-z]+ ?|[{}$]/g, '')
      .trim();
    it.vlist.push({
      kind: 'outline',
      level: h.level,
      number,
      title: text,
      from: span.from,
      to: Math.max(span.to, it.p.here()),
    });
    if (h.runIn) runIn(it, h, number, title);
    else displayed(it, h, number, title, after);
  };
}

/** A heading on a line of its own; never a page break behind it. */
function displayed(
  it: Interpreter,
  h: Heading,
  number: string,
  title: readonly Token[],
  after: Glue,
): void {
  it.setFact('afterHeading', false, true);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: 'roman', shape: 'upright', series: 'bold' });
  setSize(it, h.size);
  it.nextIndent = 0;
  it.startParagraph(false);
  for (const inline of numberInlines(it, number)) it.add(inline);
  for (const inline of it.inlinesOf(title)) it.add(inline);
  it.clubPenalty = 10000;
  it.endParagraph();
  it.closeGroup();
  it.vlist.push(
    { kind: 'penalty', penalty: 10000 },
    { kind: 'vspace', glue: after, behaviour: 'plain' },
  );
  it.setFact('afterHeading', true, true);
  it.setFact('noIndentNext', false, true);
}

function numberInlines(it: Interpreter, number: string): Inline[] {
  if (number === '') return [];
  const at = it.p.place;
  return [
    { kind: 'text', text: number, font: it.font, ...at },
    { kind: 'kern', width: it.font.size, ...at },
  ];
}

/** A heading that the paragraph goes on behind. */
function runIn(it: Interpreter, h: Heading, number: string, title: readonly Token[]): void {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: 'roman', shape: 'upright', series: 'bold' });
  const inlines = [...numberInlines(it, number), ...it.inlinesOf(title)];
  it.closeGroup();
  it.startParagraph(h.name === 'subparagraph');
  for (const inline of inlines) it.add(inline);
  it.add({ kind: 'glue', glue: glue(h.after[0] * it.font.size), ...it.p.place });
  it.skipBlanks();
}

/** The headings of article. */
export const sections: readonly CommandEntry[] = HEADINGS.map((h) => ({
  name: h.name,
  signature: 'soM',
  description: `A heading of level ${h.level}; with a star it has no number.`,
  example: `\\${h.name}{The three harbours}`,
  run: heading(h),
}));
