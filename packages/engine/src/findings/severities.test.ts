import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import type { Severity } from './entry';

const severities = (source: string): readonly Severity[] =>
  typeset(source)
    .findings()
    .map(({ severity }) => severity);
const body = (text: string, preamble = ''): readonly Severity[] =>
  severities(inArticle(text, preamble));

/** A standard run stops at these with the error that is named, or leaves part of the sheet out. */
const STOPS: readonly (readonly [string, string])[] = [
  ['a power in text', 'Then x^2 is large.'],
  ['a Greek letter in text', 'An angle \\alpha here.'],
  ['a command nobody knows', 'Some \\textbff{word}.'],
  ['one whose meaning is clear', 'Let $x \\in \\R$.'],
  ['Environment undefined', '\\begin{centre}x\\end{centre}'],
  ['begin ended by another', '\\begin{center}x\\end{cetner}'],
  ['begin ended by the document', '\\begin{itemize}\\item a\n\n\\section{B}'],
  ['Extra end', 'a \\end{center} b'],
  ['Too many }', 'a } b'],
  ['Misplaced alignment tab', 'a & b'],
  ['Extra alignment tab', '\\begin{tabular}{c}a & b\\end{tabular}'],
  ['Illegal pream-token', '\\begin{tabular}{cq}a & b\\end{tabular}'],
  ['Lonely item', 'a \\item b'],
  ['perhaps a missing item', '\\begin{itemize} ebb \\item flood \\end{itemize}'],
  ['macro parameter character', 'Number # one'],
  ['Paragraph ended before the formula', '\\begin{equation*}\nx\n\n= y\n\\end{equation*}'],
  ['Double superscript', '$x^a^b$'],
  ['Missing delimiter', '$\\left x \\right)$'],
  ['Missing number', '\\setcounter{page}{x}'],
  ['Illegal unit of measure', '\\hspace{3}'],
  ['Command already defined', '\\newcommand{\\emph}{x}'],
  ['Command undefined', '\\renewcommand{\\ebbing}{x}'],
  ['No counter defined', '\\stepcounter{ebb}'],
  ['verb ended by end of line', 'Type \\verb|x and on.'],
  ['No title given', '\\maketitle x'],
  ['Can be used only in preamble', '\\usepackage{xcolor} x'],
  ['Incomplete if', 'a \\iffalse b'],
];

describe('what other LaTeX programs stop at is broken, however it is set here', () => {
  it.each(STOPS)('%s', (_, source) => {
    expect(body(source)).toContain('broken');
  });
  it.each([
    ['no class', 'Text alone.'],
    ['an unknown class', '\\documentclass{artikel}\\begin{document}x\\end{document}'],
    ['no beginning', '\\documentclass{article}\nText.'],
    ['no end', '\\documentclass{article}\\begin{document}x'],
  ])('%s', (_, source) => {
    expect(severities(source)).toContain('broken');
  });
});

describe('what is set, but wrongly or otherwise elsewhere, is off', () => {
  it.each([
    ['a lost reference', 'See \\ref{tides}.', ''],
    ['a lost citation', 'See \\cite{tides}.', ''],
    ['an option without effect', '\\pagestyle{ebb} x', ''],
    ['a package that is not known', 'x', '\\usepackage{tidewater}'],
    ['a line that is too wide', `\\mbox{${'x'.repeat(200)}}`, ''],
  ])('%s', (_, source, preamble) => {
    expect(body(source, preamble)).toEqual(['off']);
  });
});

describe('what sets as it is written, a likely slip, is advice', () => {
  it.each([
    ['straight quotes', 'He said "ebb" twice.'],
    ['typed dots', 'And so on ... and on.'],
    ['a blank that is swallowed', 'Set in \\LaTeX by us.'],
    ['a name in letters', 'So $sin x + 1$ is.'],
  ])('%s', (_, source) => {
    expect(body(source)).toEqual(['advice']);
  });
});
