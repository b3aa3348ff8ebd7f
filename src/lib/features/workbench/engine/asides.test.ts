import { applyEdit, applyEdits } from '@odd-compass/engine/edits';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { editOf, relativeEdit } from '../../../../../packages/engine/src/testing/edits';
import { paragraphAround, toldWithAsides, withoutAsides, type Aside } from './asides';

const TEXT = 'Low water\nat noon.\n\n  \n\nHigh $x$\nwater.\n \nSlack.';

describe('the paragraph around a place', () => {
  it.each([
    [0, 'Low water\nat noon.'],
    [12, 'Low water\nat noon.'],
    [TEXT.indexOf('High'), 'High $x$\nwater.'],
    [TEXT.indexOf('water.') + 3, 'High $x$\nwater.'],
    [TEXT.length, 'Slack.'],
  ])('at %d', (at, paragraph) => {
    const { from, to } = paragraphAround(TEXT, at);
    expect(TEXT.slice(from, to)).toBe(paragraph);
  });
});

describe('what is set aside', () => {
  const high = paragraphAround(TEXT, TEXT.indexOf('High'));
  it('is blank to the engine, and all other places stay', () => {
    const left = withoutAsides(TEXT, [high]);
    expect(left).toHaveLength(TEXT.length);
    expect(left.split('\n')).toHaveLength(TEXT.split('\n').length);
    expect(left).not.toContain('High');
    expect(left.indexOf('Slack')).toBe(TEXT.indexOf('Slack'));
  });
  it('comes back with an edit that touches it', () => {
    const edit = { from: high.from + 2, to: high.from + 3, text: 'G' };
    const { edits, asides } = toldWithAsides(TEXT, [high], edit);
    expect(asides).toEqual([]);
    const told = edits.reduce(applyEdit, withoutAsides(TEXT, [high]));
    expect(told).toBe(applyEdit(TEXT, edit));
  });
  it('stays what it is under all other edits: the engine has the text without it', () => {
    fc.assert(
      fc.property(fc.array(relativeEdit, { maxLength: 6 }), fc.nat(TEXT.length), (edits, at) => {
        let text = TEXT;
        let asides: readonly Aside[] = [paragraphAround(TEXT, at)];
        let engine = withoutAsides(text, asides);
        for (const relative of edits) {
          const edit = editOf(text, relative);
          const told = toldWithAsides(text, asides, edit);
          text = applyEdits(text, [edit]);
          engine = told.edits.reduce(applyEdit, engine);
          asides = told.asides;
          expect(engine).toBe(withoutAsides(text, asides));
        }
      }),
    );
  });
});
