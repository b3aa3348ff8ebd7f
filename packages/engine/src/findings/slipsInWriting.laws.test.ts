import { describe, expect, it } from 'vitest';
import { accountOf, typeset } from '../testing/document';
import { mended } from '../testing/press';
import { editBetween } from '../source/edits';
import { COMMON_SLIPS } from '../testing/commonSlips';
import { ADVISED, IN_SHEETS, IN_TEXT, sheetWith } from '../testing/slipRows';

/** Of the steps of writing one in so many is taken with each slip, another with the next; all with LAW_SHARE=1. */
const EVERY = process.env.LAW_SHARE === '1' ? 1 : 3;

/** Paragraphs before the slip and behind it: what is told may not hang on what is not read again. */
const BEGIN = '\\begin{document}';
const among = (source: string): string =>
  source
    .replace(BEGIN, `${BEGIN}\nEbb and flood.\n\nSlack.\n\n`)
    .replace(/\n?\\end\{document\}/, '\n\nSpring tide.\n\nNeap tide.$&');

const sources = [
  ...[...IN_TEXT, ...ADVISED].map(([typed]) => sheetWith(typed)),
  ...IN_SHEETS.map(([source]) => source),
  ...COMMON_SLIPS.map(([, source]) => source),
];

/** A text and what its session says, which has to be what one from cold says, after each of these. */
function agree(texts: readonly string[]): void {
  const [first = '', ...others] = texts;
  const session = typeset(first);
  for (const [i, text] of others.entries()) {
    const edit = editBetween(session.text, text);
    if (edit) session.edit(edit.from, edit.to, edit.text);
    session.settleAll();
    expect([i, accountOf(session)]).toEqual([i, accountOf(typeset(text))]);
  }
}

describe('a slip in writing leaves what cold gives', () => {
  it.each(sources.map((source, i) => ({ source, i })))('$source', ({ source, i }) => {
    const slip = among(source);
    const sound = mended(slip).text;
    const typed = editBetween(sound, slip);
    const behind = slip.indexOf('\n', (typed?.from ?? 0) + (typed?.text.length ?? 0));
    const written = [
      slip.replace('Slack', 'Slack water'),
      slip.replace(/(.*)Spring/s, '$1High spring'),
      `${slip.slice(0, behind)} x${slip.slice(behind)}`,
      `${slip.slice(0, behind)}\n${slip.slice(behind)}`,
      slip,
      slip.replace('Ebb and flood.\n\n', ''),
    ];
    agree([sound, slip, ...written.filter((_, nth) => (nth + i) % EVERY === 0), sound]);
  });
});
