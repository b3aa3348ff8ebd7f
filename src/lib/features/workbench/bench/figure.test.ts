import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  figureSource,
  picturesIn,
  placeBehind,
  readFloat,
  shareOf,
  widthChange,
  withShare,
} from './figure';

const apply = (text: string, edit: { from: number; to: number; insert: string }): string =>
  text.slice(0, edit.from) + edit.insert + text.slice(edit.to);

describe('a picture in the text', () => {
  it('is read with its options and its name, where they stand', () => {
    const text = 'See \\includegraphics[width=3cm,angle=90]{tide-gauge.png} here.';
    const [picture] = picturesIn(text, 100);
    expect(text.slice((picture?.name.from ?? 0) - 100, (picture?.name.to ?? 0) - 100)).toBe(
      'tide-gauge.png',
    );
    expect(text.slice((picture?.options.from ?? 0) - 100, (picture?.options.to ?? 0) - 100)).toBe(
      'width=3cm,angle=90',
    );
  });
  it('is given a width as a share of the text; what else is asked of it stays', () => {
    expect(withShare('width=3cm,angle=90', 0.5)).toBe('width=0.5\\textwidth,angle=90');
    expect(withShare('scale=2', 1)).toBe('width=\\textwidth');
    expect(shareOf('angle=90, width=0.75\\linewidth')).toBe(0.75);
    expect(shareOf('width=\\textwidth')).toBe(1);
    expect(shareOf('width=3cm')).toBeNull();
    const bare = '\\includegraphics{gauge}';
    const [picture] = picturesIn(bare);
    expect(picture && apply(bare, widthChange('', picture, 0.4))).toBe(
      '\\includegraphics[width=0.4\\textwidth]{gauge}',
    );
  });
  it('keeps the share it was given, whatever stood there before', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 100 }),
        fc.constantFrom('', 'angle=90', 'width=2cm', 'scale=0.3,trim=1 2 3 4,clip'),
        (percent, before) => {
          expect(shareOf(withShare(before, percent / 100))).toBeCloseTo(percent / 100, 2);
        },
      ),
    );
  });
});

describe('a figure', () => {
  const source = figureSource('tide-gauge.png');
  it('is written with caption and label, and read back', () => {
    const parts = readFloat(source, 10);
    expect(parts).toMatchObject({
      name: 'figure',
      placement: { text: 'htbp' },
      caption: { text: '' },
      label: { text: 'fig:tide-gauge' },
    });
    expect(parts.centred).not.toBeNull();
    expect(parts.pictures[0]?.name.text).toBe('tide-gauge.png');
    const { label } = parts;
    expect(source.slice((label?.from ?? 0) - 10, (label?.to ?? 0) - 10)).toBe('fig:tide-gauge');
  });
  it('has captions with braces in them', () => {
    const parts = readFloat('\\begin{table}\\caption{On $x_{1}$ and \\emph{tides}}\\end{table}', 0);
    expect(parts.caption?.text).toBe('On $x_{1}$ and \\emph{tides}');
    expect(parts.placement).toBeNull();
  });
  it('stands behind the paragraph it was dropped on, and within the document', () => {
    const text = '\\documentclass{article}\n\\begin{document}\nOne.\n\nTwo.\n\\end{document}\n';
    expect(text.slice(placeBehind(text, text.indexOf('One')))).toMatch(/^\nTwo/);
    expect(text.slice(placeBehind(text, text.indexOf('Two')))).toMatch(/^\\end\{document\}/);
    expect(placeBehind(text, 3)).toBeGreaterThan(text.indexOf('\\begin{document}'));
    expect(placeBehind(text, text.length)).toBe(text.indexOf('\\end{document}'));
  });
});
