import { describe, expect, it } from 'vitest';
import { cell, cellsBy, citeLabel, flag, isOwnName, ownName } from '../../expansion/cells';
import { State } from '../../expansion/state';
import { bodyLines, findingsIn, inArticle } from '../../testing/document';
import { InlineList } from './inlineList';
import { freshMode, modeName } from './modes';

describe('a mode', () => {
  it('has nothing of the one around it but the table it stands in', () => {
    const outer = freshMode(null, {
      hlist: new InlineList(new Map()),
      restricted: true,
      nextIndent: 5,
      clubPenalty: 9,
      table: {} as never,
      cell: {} as never,
    });
    const inner = freshMode(outer);
    expect(inner).toMatchObject({
      vlist: [],
      hlist: null,
      restricted: false,
      nextIndent: null,
      clubPenalty: null,
      pendingLabel: null,
    });
    expect([inner.table, inner.cell, inner.outer]).toEqual([outer.table, outer.cell, outer]);
  });
  it('is called as TeX asks', () => {
    expect(modeName(freshMode(null))).toBe('vertical');
    expect(modeName(freshMode(null, { hlist: new InlineList(new Map()) }))).toBe('horizontal');
    expect(modeName(freshMode(null, { inMath: true }))).toBe('math');
  });
  const asked = '\\ifmmode M\\else\\ifhmode H\\else V\\fi\\fi\\ifinner i\\fi';
  it.each([
    ['between paragraphs', `\\edef\\x{${asked}}\\x`, 'V'],
    ['in a paragraph', `x\\edef\\x{${asked}}\\x`, 'xH'],
    ['in a box', `\\mbox{${asked}}`, 'Hi'],
    ['in a column', `\\parbox{3cm}{\\edef\\x{${asked}}\\x}`, 'Vi'],
    ['in a display', `\\[\\mathrm{${asked}}\\]`, 'M'],
    ['in words within a formula', `$\\text{${asked}}$`, 'Hi'],
    ['behind a formula', `$a$${asked}`, '𝑎H'],
  ])('is known to the conditionals: %s', (_where, body, prints) => {
    expect(bodyLines(body).join(' ').replace(/\s/g, '')).toBe(prints);
  });
  it.each([
    'a \\parbox{3cm}{b\n\nc} d',
    '\\begin{itemize}\\item a \\mbox{b \\parbox{2cm}{c}} d\\end{itemize}',
    '\\begin{tabular}{p{3cm}}a $b_{\\text{c}}$ \\\\ d\\end{tabular} e',
    'a\\footnote{b \\begin{minipage}{3cm}c\\[d\\]\\end{minipage}} e',
    '\\fbox{\\begin{minipage}{3cm}\\begin{equation}a\\end{equation}\\end{minipage}}',
  ])('is given back whole, however deep: %s', (body) => {
    expect(findingsIn(inArticle(body))).toEqual([]);
    const alone = bodyLines(body).length;
    // What stands behind is a paragraph of its own, as if nothing had been before.
    expect(bodyLines(`${body}\n\nBehind.`).length).toBeGreaterThan(alone);
    expect(bodyLines(`${body}\n\nBehind.`)).toContain('Behind.');
  });
});

describe('a cell', () => {
  const rows = cell<readonly string[] | null>('rowsForTest', null);
  it('holds what it started with until it is written', () => {
    const state = new State();
    expect(state.read(rows)).toBeNull();
    state.write(rows, ['a']);
    expect(state.read(rows)).toEqual(['a']);
  });
  it('is as it was when its group ends, unless it was written globally', () => {
    const state = new State();
    const there = flag('thereForTest');
    state.openGroup();
    state.write(rows, ['b']);
    state.write(there, true, true);
    state.closeGroup();
    expect([state.read(rows), state.read(there)]).toEqual([null, true]);
  });
  it('is another for each key', () => {
    const state = new State();
    const styles = cellsBy<number>('styleForTest', 0);
    state.write(styles('a'), 1);
    expect([state.read(styles('a')), state.read(styles('b'))]).toEqual([1, 0]);
  });
  it('has a name that no document can write', () => {
    expect(isOwnName(rows.name)).toBe(true);
    expect(isOwnName(ownName('x'))).toBe(true);
    expect(isOwnName(citeLabel('x', 'year'))).toBe(true);
    expect(isOwnName('x')).toBe(false);
    expect(bodyLines('\\csname rowsForTest\\endcsname x')).toEqual(['x']);
  });
});
