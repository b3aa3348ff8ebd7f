import { afterEach, describe, expect, it } from 'vitest';
import { gatherEarlyKeys, takeEarlyKeys } from './earlyKeys';
import { startOfText } from './preamble';

describe('where a text begins', () => {
  it.each([
    ['\\documentclass{article}\n\\begin{document}\n|Low water.\n\\end{document}'],
    ['\\documentclass{article}\n\\begin{document}\n\\maketitle\n\n|Low water.\n'],
    ['\\begin{document}\n  \\maketitle % printed\n\\tableofcontents\n|\\section{Ebb}\n'],
    ['\\begin{document}\n% a note\n\\thispagestyle{empty}\n|Words\n'],
    ['% \\begin{document}\n\\begin{document}\n|Words\n'],
    ['|A part. \\section{x}\n'],
    ['\\begin{document}|'],
    ['|'],
  ])('%j', (marked) => {
    const at = marked.indexOf('|');
    expect(startOfText(marked.replace('|', ''))).toBe(at);
  });
});

describe('keys typed before the editor is there', () => {
  const host = globalThis as { earlyKeys?: { text: string; open: boolean } };
  afterEach(() => delete host.earlyKeys);
  it('are taken once, and gathered no more while it is there', () => {
    host.earlyKeys = { text: 'ab', open: true };
    expect([takeEarlyKeys(), takeEarlyKeys(), host.earlyKeys.open]).toEqual(['ab', '', false]);
    gatherEarlyKeys();
    expect(host.earlyKeys).toEqual({ text: '', open: true });
  });
  it('are none where nothing gathers them', () => expect(takeEarlyKeys()).toBe(''));
});
