import type { Word } from '@odd-compass/engine/worker';
import { describe, expect, it } from 'vitest';
import {
  CHOICES,
  choose,
  chosen,
  marginsOf,
  printTitle,
  readClassLine,
  setMargins,
  setPart,
  setSpacing,
  spacingOf,
  type ClassLine,
  type LineEdit,
} from './classLine';
import { namesUsed, packagesIn, useOf, withoutPackage } from './packageLines';

const applied = (text: string, edits: LineEdit | readonly LineEdit[]): string =>
  [...(Array.isArray(edits) ? (edits as readonly LineEdit[]) : [edits as LineEdit])]
    .sort((a, b) => b.from - a.from)
    .reduce((t, { from, to, insert }) => t.slice(0, from) + insert + t.slice(to), text);

const SHEET =
  '\\documentclass[a4paper,11pt]{article}\n\\usepackage{amsmath}\n\\begin{document}\nTides.\n\\end{document}\n';
const line = readClassLine(SHEET) as ClassLine;
const choice = (title: string) => CHOICES.find((one) => one.title === title) as (typeof CHOICES)[0];

describe('the class line', () => {
  it('tells kind and options', () => {
    expect(line.name.text).toBe('article');
    expect(chosen(line, choice('Size'))).toBe('11pt');
    expect(chosen(line, choice('Paper'))).toBe('a4paper');
    expect(chosen(line, choice('Columns'))).toBe('');
    expect(readClassLine('no class')).toBeNull();
  });
  it('takes another answer, and leaves the others', () => {
    expect(applied(SHEET, choose(line, choice('Size'), '12pt'))).toContain(
      '\\documentclass[a4paper,12pt]{article}',
    );
    const plain = readClassLine('\\documentclass[letterpaper,10pt,draft]{article}') as ClassLine;
    expect(choose(plain, choice('Paper'), 'a4paper').insert).toBe(
      '\\documentclass[10pt,draft,a4paper]{article}',
    );
    const only = readClassLine('\\documentclass[12pt]{article}') as ClassLine;
    expect(choose(only, choice('Size'), '').insert).toBe('\\documentclass{article}');
  });
  it('has a title that is also printed', () => {
    const titled = applied(SHEET, setPart(SHEET, 'title', 'Three harbours'));
    expect(titled).toMatch(/\\title\{Three harbours\}\n\\begin\{document\}\n\\maketitle/);
    expect(printTitle(titled)).toEqual([]);
    expect(applied(titled, setPart(titled, 'title', 'Two'))).toContain('\\title{Two}');
  });
  it('has margins and spacing in lines of their own', () => {
    const narrow = applied(SHEET, setMargins(SHEET, '2cm'));
    expect(narrow).toContain('{article}\n\\usepackage[margin=2cm]{geometry}\n');
    expect(marginsOf(narrow)).toBe('2cm');
    expect(applied(narrow, setMargins(narrow, ''))).toBe(SHEET);
    expect(marginsOf('\\usepackage[left=1cm,right=4cm]{geometry}')).toBeNull();
    const wide = applied(SHEET, setSpacing(SHEET, 'doublespacing'));
    expect(wide).toContain('\\usepackage{setspace}\n\\doublespacing\n\\begin{document}');
    expect(spacingOf(wide)).toBe('doublespacing');
    expect(applied(wide, setSpacing(wide, ''))).toBe(SHEET);
  });
});

describe('package lines', () => {
  const text =
    '\\usepackage[x]{amsmath, amsthm}\n\\usepackage{xcolor} % red\n%\\usepackage{gone}\n\\begin{document}\\text{a}\\begin{align}\\end{align}';
  const words = [
    { kind: 'package', name: 'amsmath', package: '', requires: [] },
    { kind: 'package', name: 'mathtools', package: '', requires: ['amsmath'] },
    { kind: 'package', name: 'xcolor', package: '', requires: [] },
    { kind: 'command', name: 'text', package: 'amsmath', requires: [] },
    { kind: 'command', name: 'textcolor', package: 'xcolor', requires: [] },
    { kind: 'environment', name: 'align', package: 'amsmath', requires: [] },
  ] as unknown as Word[];
  it('tell what is loaded, not what is commented out', () => {
    const found = packagesIn(text);
    expect(found.map(({ name }) => name)).toEqual(['amsmath', 'amsthm', 'xcolor']);
    expect(found.map(({ from, to }) => text.slice(from, to))).toEqual([
      'amsmath',
      'amsthm',
      'xcolor',
    ]);
  });
  it('tell what of a package the sheet uses, also by way of one that loads it', () => {
    const used = namesUsed(text);
    const loaded = new Set(['amsmath']);
    expect(useOf('amsmath', used, words, loaded)).toEqual({
      kind: 'used',
      names: ['\\text', 'align'],
    });
    expect(useOf('mathtools', used, words, new Set(['mathtools'])).kind).toBe('used');
    expect(useOf('mathtools', used, words, loaded).kind).toBe('by-itself');
    expect(useOf('xcolor', used, words, loaded)).toEqual({ kind: 'unused' });
    expect(useOf('geometry', used, words, loaded)).toEqual({ kind: 'by-itself' });
  });
  it('go with their line, or out of a list of several', () => {
    const [first, second, third] = packagesIn(text);
    if (!first || !second || !third) throw new Error('three packages');
    expect(applied(text, withoutPackage(text, first))).toContain('\\usepackage[x]{amsthm}');
    expect(applied(text, withoutPackage(text, second))).toContain('\\usepackage[x]{amsmath}');
    expect(applied(text, withoutPackage(text, third))).not.toContain('xcolor');
  });
});
