import { describe, expect, it } from 'vitest';
import { typeset } from '../../../../packages/engine/src/testing/document';
import { EXAMPLES, NOTHING, TEMPLATES } from './catalog';
import {
  clearedBody,
  dateOf,
  hasAbstract,
  hasPackage,
  needPackage,
  preambleOf,
  withAbstract,
  withDate,
  withPart,
} from './choices';

const findings = (text: string): string[] =>
  typeset(text)
    .findings()
    .map(({ message }) => message);

describe('templates and worked examples', () => {
  it('are at least eight of each', () => {
    expect(TEMPLATES.length).toBeGreaterThanOrEqual(8);
    expect(EXAMPLES.length).toBeGreaterThanOrEqual(8);
  });
  it.each([...TEMPLATES, ...EXAMPLES].map(({ id, text }) => [id, text]))(
    '%s is typeset without a finding',
    (_, text) => {
      expect(text).toContain('\\begin{document}');
      expect(findings(text)).toEqual([]);
    },
  );
});

describe('choices', () => {
  it('load what is needed in plain words and take it out again', () => {
    const pictures = needPackage(NOTHING, 'graphicx', true);
    expect(hasPackage(pictures, 'graphicx')).toBe(true);
    expect(needPackage(pictures, 'graphicx', true)).toBe(pictures);
    expect(needPackage(pictures, 'graphicx', false)).toBe(NOTHING);
  });
  it('define kinds of theorem when theorems are needed', () => {
    const text = needPackage(NOTHING, 'amsthm', true).replace(
      '\\end{document}',
      '\\begin{lemma}Ebb.\\end{lemma}\\end{document}',
    );
    expect(findings(withPart(text, 'title', 'Tides'))).toEqual([]);
  });
  it('give the date in three ways', () => {
    expect(dateOf(NOTHING).choice).toBe('today');
    expect(dateOf(withDate(NOTHING, 'none', '')).choice).toBe('none');
    expect(dateOf(withDate(NOTHING, 'fixed', '1 March'))).toEqual({
      choice: 'fixed',
      fixed: '1 March',
    });
    expect(dateOf('\\documentclass{article}').choice).toBe('today');
  });
  it('put an abstract below the title and take it out again', () => {
    const text = withAbstract(NOTHING, true);
    expect(text.indexOf('abstract')).toBeGreaterThan(text.indexOf('\\maketitle'));
    expect(hasAbstract(text)).toBe(true);
    expect(hasAbstract(withAbstract(text, false))).toBe(false);
  });
  it('keep an earlier preamble and clear what the sheet says', () => {
    const cleared = clearedBody(TEMPLATES[0]?.text ?? '');
    expect(preambleOf(cleared)).toBe(preambleOf(TEMPLATES[0]?.text ?? ''));
    expect(cleared).toContain('\\begin{document}\n\\maketitle\n');
    expect(cleared).not.toContain('begin{problem}');
    expect(clearedBody('no document')).toBe('no document');
  });
});
