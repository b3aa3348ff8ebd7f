import { CELLS } from '../machine/cells';
import { FILL, gluePt, PT } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { getCount, setDimen } from '../../expansion/registers';
import { textOf } from '../../expansion/tokenText';
import { type Args, type CommandEntry, isStarred, tokensOf } from '../machine/entries';
import { refStepCounter, setCounter } from '../machine/counters';
import type { Interpreter } from '../machine/interpreter';
import { addContentsLine, addToList } from './contents';
import { setSize } from './fonts';
import { plainPage, setPage } from './pageStyle';
import {
  afterHeading,
  formatFor,
  type HeadingFormat,
  markHeading,
  plainTitle,
  spacingOf,
  wrapTitle,
} from './sections';
import { dimenOf } from '../scanning/dimenOf';
import { glueOf } from '../scanning/glueOf';

/** Is the switch `\if@name` on? */
export const isOn = (it: Interpreter, name: string): boolean => {
  const meaning = it.state.meaning(it.state.cell(`if@${name}`));
  return meaning?.kind === 'expandable' && meaning.name === 'iftrue';
};

/** Ends the page; the next one is a right-hand one in a book. */
export function clearPage(it: Interpreter, odd: boolean): void {
  it.addBlock(
    { kind: 'vspace', glue: { ...FILL, stretchOrder: 1 }, behaviour: 'plain' },
    { kind: 'clear', odd },
  );
}

/** A line of a large heading, ragged right, without indent; no break inside or behind. */
function bigLine(
  it: Interpreter,
  size: string,
  tokens: readonly Token[],
  centred: boolean,
  style?: readonly Token[],
): void {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  // A style of the document's own starts from the type of the text (titlesec).
  const series = style ? 'medium' : 'bold';
  it.changeFont({ family: it.textFamily, shape: 'upright', series });
  setSize(it, size);
  it.write(CELLS.alignment, centred ? 'center' : 'left');
  if (style) it.execute(style);
  setDimen(it.state, 'parindent', 0);
  it.startParagraph(false);
  it.execute(tokens);
  it.mode.clubPenalty = 10000;
  it.endParagraph();
  it.closeGroup();
  it.mode.vlist.push({ kind: 'penalty', penalty: 10000 });
}

const gap = (it: Interpreter, points: number, keep = false): void =>
  void it.mode.vlist.push({
    kind: 'vspace',
    glue: gluePt(points),
    behaviour: keep ? 'keep' : 'plain',
  });

/** “Chapter 3” and the title, with report.cls's 50, 20 and 40 pt around them. */
function chapterHead(it: Interpreter, numbered: boolean, title: readonly Token[]): void {
  const format = formatFor(it, 'chapter', numbered);
  const spacing = it.read(spacingOf('chapter'));
  const own = it.state.meaning(it.state.cell(numbered ? '@makechapterhead' : '@makeschapterhead'));
  if (own?.kind === 'macro') {
    it.call(numbered ? '@makechapterhead' : '@makeschapterhead', title);
    return;
  }
  if (spacing)
    it.mode.vlist.push({ kind: 'vspace', glue: glueOf(it, spacing.above), behaviour: 'keep' });
  else gap(it, 50, true);
  if (format) formattedHead(it, format, numbered, title);
  else {
    if (numbered) {
      const { p } = it;
      const label = [p.command('@chapapp'), p.command('space'), p.command('thechapter')];
      bigLine(it, 'huge', label, false);
      gap(it, 20);
    }
    bigLine(it, 'Huge', title, false);
  }
  if (spacing)
    it.mode.vlist.push({ kind: 'vspace', glue: glueOf(it, spacing.below), behaviour: 'plain' });
  else gap(it, 40);
}

function formattedHead(
  it: Interpreter,
  format: HeadingFormat,
  numbered: boolean,
  title: readonly Token[],
): void {
  const between = dimenOf(it, format.gap);
  const kern = it.source(`\\kern ${between / PT}pt `);
  const whole = [...wrapTitle(it, format, title), ...format.after];
  if (numbered && (format.shape === 'display' || format.shape === 'frame')) {
    bigLine(it, 'normalsize', format.label, false, format.format);
    gap(it, between / PT);
    bigLine(it, 'normalsize', whole, false, format.format);
    return;
  }
  const label = numbered ? [...format.label, ...kern] : [];
  bigLine(it, 'normalsize', [...label, ...whole], false, format.format);
}

/** `\chapter*[short]{title}` (report.cls, book.cls). */
function chapter(it: Interpreter, args: Args): void {
  const starred = isStarred(args);
  const title = tokensOf(args, 2);
  const short = Array.isArray(args[1]) ? tokensOf(args, 1) : title;
  clearPage(it, isOn(it, 'openright'));
  plainPage(it);
  it.mode.vlist.push({ kind: 'notop' });
  const numbered = !starred && getCount(it.state, 'c@secnumdepth') >= 0 && isOn(it, 'mainmatter');
  if (numbered) refStepCounter(it, 'chapter');
  const words = plainTitle(it, title);
  it.write(CELLS.currentTitle, words, true);
  const number = numbered ? textOf(it.p, [it.p.command('thechapter')]) : '';
  markHeading(it, 0, number, words);
  if (!starred) {
    addContentsLine(it, 'toc', 'chapter', numbered ? [it.p.command('thechapter')] : null, short);
    for (const list of ['lof', 'lot']) addToList(it, list, it.source('\\addvspace{10pt}'));
    it.call('chaptermark', short);
  }
  const two = isOn(it, 'twocolumn');
  if (two) it.execute(it.source('\\@topnewpage'));
  chapterHead(it, numbered, title);
  afterHeading(it);
}

/** The type of all headings, where a class has one (KOMA). */
const headingType = (it: Interpreter): readonly Token[] | undefined =>
  it.state.get(it.state.cell('sectfont')) === undefined ? undefined : it.source('\\sectfont ');

/** `\part`: in article in the text, in report and book on a page of its own. */
function part(it: Interpreter, args: Args): void {
  const starred = isStarred(args);
  const title = tokensOf(args, 2);
  const short = Array.isArray(args[1]) ? tokensOf(args, 1) : title;
  const ownPage = it.state.get(it.state.cell('chapter')) !== undefined;
  const level = ownPage ? -1 : 0;
  const numbered = !starred && getCount(it.state, 'c@secnumdepth') >= level;
  if (ownPage) {
    clearPage(it, isOn(it, 'openright'));
    plainPage(it);
    it.mode.vlist.push(
      { kind: 'vspace', glue: gluePt(0), behaviour: 'keep' },
      { kind: 'vspace', glue: { ...FILL, stretchOrder: 1 }, behaviour: 'plain' },
    );
  } else {
    it.endParagraph();
    it.mode.vlist.push({ kind: 'vspace', glue: glueOf(it, it.source('4ex')), behaviour: 'merge' });
  }
  if (numbered) refStepCounter(it, 'part');
  const words = plainTitle(it, title);
  it.write(CELLS.currentTitle, words, true);
  markHeading(it, -1, numbered ? textOf(it.p, [it.p.command('thepart')]) : '', words);
  if (!starred)
    addContentsLine(it, 'toc', 'part', numbered ? [it.p.command('thepart')] : null, short);
  it.call('markboth', [], []);
  if (numbered) {
    const label = [it.p.command('partname'), it.p.command('space'), it.p.command('thepart')];
    bigLine(it, ownPage ? 'huge' : 'Large', label, ownPage, headingType(it));
    if (ownPage) gap(it, 20);
  }
  bigLine(it, ownPage ? 'Huge' : 'huge', title, ownPage, headingType(it));
  if (ownPage) {
    it.mode.vlist.push({ kind: 'vspace', glue: { ...FILL, stretchOrder: 1 }, behaviour: 'plain' });
    clearPage(it, isOn(it, 'openright'));
  } else {
    it.mode.vlist.push({ kind: 'vspace', glue: glueOf(it, it.source('3ex')), behaviour: 'plain' });
    afterHeading(it);
  }
}

export const chapterCommand: CommandEntry = {
  name: 'chapter',
  signature: 'soM',
  description: 'A chapter, on a new page; with a star it has no number.',
  example: '\\chapter{The three harbours}',
  run: chapter,
};

export const partCommand: CommandEntry = {
  name: 'part',
  signature: 'soM',
  description: 'A part of the document.',
  example: '\\part{Harbours}',
  run: part,
};

/** The three matters of a book (book.cls). */
export const matterCommands: readonly CommandEntry[] = [
  {
    name: 'frontmatter',
    signature: '',
    description: 'Before the chapters: pages in small Roman numerals, no chapter numbers.',
    example: '\\frontmatter',
    run: (it) => matter(it, 'roman', false),
  },
  {
    name: 'mainmatter',
    signature: '',
    description: 'The chapters: pages from 1.',
    example: '\\mainmatter',
    run: (it) => matter(it, 'arabic', true),
  },
  {
    name: 'backmatter',
    signature: '',
    description: 'After the chapters: no chapter numbers.',
    example: '\\backmatter',
    run: (it) => {
      clearPage(it, isOn(it, 'openright'));
      it.execute(it.source('\\@mainmatterfalse'));
    },
  },
];

function matter(it: Interpreter, style: 'roman' | 'arabic', main: boolean): void {
  clearPage(it, true);
  it.execute(it.source(main ? '\\@mainmattertrue' : '\\@mainmatterfalse'));
  it.define('thepage', `\\${style}{page}`);
  setCounter(it.state, 'page', 1);
  setPage(it, 1, style);
}

/** The heading of a chapter alone, without a new page: over the columns of an index. */
export const chapterHeading: CommandEntry = {
  name: '@schapterhead',
  signature: 'm',
  description: 'The heading of a chapter without a number.',
  example: '',
  run: (it, args) => chapterHead(it, false, tokensOf(args, 0)),
};
