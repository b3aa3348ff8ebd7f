import { describe, expect, it } from 'vitest';
import { kernel } from '../language/kernel/kernel';
import { inArticle, linesOf, newSession, typeset } from '../testing/document';

const times = (n: number, text: string): string => text.repeat(n);
const kindsOf = (text: string): string[] =>
  typeset(text)
    .findings()
    .map(({ kind }) => kind);

describe('the work of a block', () => {
  it.each([
    ['macros called', '\\newcommand{\\t}{ebb }', times(30_000, '\\t ')],
    [
      'macros that call macros',
      '\\newcommand{\\t}{\\u}\\newcommand{\\u}{\\emph{x} }',
      times(10_000, '\\t '),
    ],
    ['commands', '', times(40_000, '\\relax ')],
    ['items', '', `\\begin{itemize}${times(3000, '\\item x ')}\\end{itemize}`],
    ['conditions', '', times(20_000, '\\iftrue x\\fi ')],
    [
      'cells',
      '',
      `\\begin{tabular}{*{40}{c}}${times(150, `${times(39, '1&')}1\\\\`)}\\end{tabular}`,
    ],
    [
      'text given to a macro',
      '\\newcommand{\\t}[1]{#1}',
      `\\t{${times(20_000, 'ebb and flood ')}}`,
    ],
  ])('may be as much as its source is long: %s', (_what, preamble, body) => {
    expect(kindsOf(inArticle(body, preamble))).not.toContain('macro-runaway');
  });
  it.each([
    [
      'a loop of a thousand rounds',
      '\\newcount\\n\\loop x \\advance\\n by1 \\ifnum\\n<1000 \\repeat',
    ],
    [
      'a list of a hundred, made by a macro',
      '\\newcount\\n\\def\\a{\\item x \\advance\\n by1 \\ifnum\\n<100 \\expandafter\\a\\fi}\\begin{itemize}\\a\\end{itemize}',
    ],
    [
      'twenty pages by a loop',
      '\\newcount\\n\\loop x\\newpage\\advance\\n by1 \\ifnum\\n<20 \\repeat',
    ],
    [
      'fifty displays by a loop',
      '\\newcount\\n\\loop\\[x\\]\\advance\\n by1 \\ifnum\\n<50 \\repeat',
    ],
  ])('that ends is done: %s', (_what, body) => {
    expect(kindsOf(inArticle(body, ''))).toEqual([]);
  });
  it('is that of cells, which cells may not make without end', () => {
    const cell = '{tabular}{>{$}c<{$} r} \\alpha & b \\\\ x & y & z';
    const text = inArticle(
      `\\begin{tabular}{c >{${cell}}r *{2}{c}} a & b & c\\end{tabular} After.`,
    );
    expect(kindsOf(text)).toContain('macro-runaway');
    expect(linesOf(typeset(text)).length).toBeLessThan(3000);
  });
  it('is that of letters which no source holds', () => {
    const pages = (letters: number): number => {
      const word = `${times(letters, 'x')} `;
      return typeset(inArticle(`\\def\\a{${word}\\a}\\a`, '')).pages.length;
    };
    expect(pages(90)).toBeLessThan(130);
  });
  it('is that of slides', () => {
    const deck = (body: string): string =>
      `\\documentclass{beamer}\\begin{document}${body}\\end{document}`;
    const runaway = '\\def\\a{\\begin{frame}x\\end{frame}\\a}\\a';
    expect(typeset(deck(runaway)).pages.length).toBeLessThan(350);
    const steps = Array.from({ length: 30 }, (_, i) => `\\only<${i + 1}>{${i}}`).join('');
    expect(kindsOf(deck(times(8, `\\begin{frame}${steps}\\end{frame}\n`)))).toEqual([]);
  });
  it('what is found at one place is said once, however often it is read', () => {
    const found = kindsOf(
      inArticle('\\newcount\\n\\loop \\gone\\advance\\n by1 \\ifnum\\n<200 \\repeat', ''),
    );
    expect(found.filter((kind) => kind === 'command-unknown')).toHaveLength(1);
  });
  it('is counted anew in the next: one that runs away takes nothing from others', () => {
    const runaway = '\\def\\a{x\\a}\\a';
    const text = inArticle(
      `${runaway}\n\n${times(5000, '\\emph{x} ')}\n\n${runaway}\n\nAfter.`,
      '',
    );
    expect(kindsOf(text).filter((kind) => kind === 'macro-runaway')).toHaveLength(2);
    expect(linesOf(typeset(text)).join('\n')).toContain('After.');
  });
  it('is bounded over the rounds of the document too', () => {
    // What stands in its contents depends on what stood in them.
    const swinging =
      '\\def\\w{1}\\tableofcontents\\ifnum\\w=1 \\addtocontents{toc}{\\protect\\gdef\\protect\\w{0}}\\fi';
    const read = (more: string): number => {
      const session = newSession();
      session.setText(inArticle(swinging + more, ''));
      session.settleAll();
      expect(session.findings().map(({ kind }) => kind)).toContain('facts-unsettled');
      return session.work.blocksRead;
    };
    expect(read('\\def\\a{\\emph{x} \\a}\\a')).toBeLessThan(read('') * 0.7);
  });
  it('names the macro that ran away, where it was called', () => {
    const text = inArticle('Low \\runs water.', '\\newcommand{\\runs}{\\runs}');
    const [found] = typeset(text).findings();
    expect(found?.kind).toBe('macro-runaway');
    expect(found?.message).toContain('\\runs');
    expect(text.slice(found?.from, found?.to)).toBe('\\runs');
  });
  it('that was stopped and is mended is as if it had never been', () => {
    const text = inArticle('Low \\runs water.', '\\newcommand{\\runs}{\\runs}');
    const at = text.indexOf('{\\runs}\n') + 1;
    const session = newSession();
    session.setText(text);
    session.settleAll();
    session.edit(at, at + 5, 'high');
    session.settleAll();
    const mended = text.slice(0, at) + 'high' + text.slice(at + 5);
    expect(session.text).toBe(mended);
    expect(linesOf(session)).toEqual(linesOf(typeset(mended)));
    expect(session.findings()).toEqual(typeset(mended).findings());
  });
});

describe('names that objects are born with', () => {
  it.each(['constructor', 'toString', 'valueOf', 'hasOwnProperty'])(
    'are names like others: %s',
    (name) => {
      expect(kindsOf(inArticle(`Low \\${name} water.`, ''))).toEqual(['command-unknown']);
      const mine = `\\newcommand{\\${name}}{ebb}`;
      expect(kindsOf(inArticle(`Low \\${name}.`, mine))).toEqual([]);
    },
  );
});

describe('the heavier commands', () => {
  it('are commands that there are', () => {
    const names = new Set((kernel.commands ?? []).map(({ name }) => name));
    for (const name of [
      'newpage',
      'clearpage',
      'caption',
      'footnote',
      'marginpar',
      'item',
      'label',
    ])
      expect(names.has(name)).toBe(true);
  });
  it.each([
    ['\\newpage x', 3000],
    ['\\footnote{x}', 6000],
    ['\\maketitle', 1500],
    ['\\chapter{x}', 6000],
    ['\\label{x}', 40_000],
    ['\\[x\\]', 10_000],
  ])('%s by a macro without end stops before there are %d of it', (command, most) => {
    const session = typeset(
      inArticle(`\\def\\a{${command}\\a}\\a`, '\\title{x}').replace('{article}', '{report}'),
    );
    const { pages } = session;
    expect(pages.length).toBeLessThan(most);
    expect(session.findings().map(({ kind }) => kind)).toContain('macro-runaway');
  });
});
