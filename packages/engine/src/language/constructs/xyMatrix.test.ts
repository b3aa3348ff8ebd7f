import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import type { DiagramNode } from '../../document/math';
import { typeset } from '../../testing/document';

/** The arrows of a diagram as they were read. */
function arrows(body: string): DiagramNode['arrows'] {
  const session = typeset(inArticle(`\\[\\xymatrix{${body}}\\]`, '\\usepackage{xy}'));
  let found: DiagramNode['arrows'] = [];
  JSON.stringify(session.nodes(), (_key, value: unknown) => {
    const node = value as DiagramNode | null;
    if (node?.kind === 'diagram') found = node.arrows;
    return value;
  });
  return found;
}

describe('diagrams of objects and arrows, in the older way', () => {
  it.each([
    [
      'to the right',
      'A \\ar[r] & B',
      { fromCell: [0, 0], toCell: [0, 1], line: 'solid', head: 'arrow' },
    ],
    ['down and right', 'A \\ar[dr] & B \\\\ C & D', { toCell: [1, 1] }],
    ['a hook', 'A \\ar@{^{(}->}[r] & B', { tail: 'hook', head: 'arrow' }],
    ['two heads', 'A \\ar@{->>}[r] & B', { head: 'two' }],
    ['dashes', 'A \\ar@{-->}[r] & B', { line: 'dashed', head: 'arrow' }],
    ['dots', 'A \\ar@{.>}[r] & B', { line: 'dotted' }],
    ['an equals sign', 'A \\ar@{=}[r] & B', { line: 'double', head: 'none' }],
    ['a bar', 'A \\ar@{|->}[r] & B', { tail: 'bar' }],
    ['a line', 'A \\ar@{-}[r] & B', { head: 'none' }],
    ['a curve', 'A \\ar@/^1pc/[r] & B', { bend: 30 }],
    ['a curve below', 'A \\ar@/_1pc/[r] & B', { bend: -30 }],
  ] as const)('%s', (_, body, wanted) => {
    expect(arrows(body)).toHaveLength(1);
    expect(arrows(body)[0]).toMatchObject(wanted);
  });
  it('labels stand to the left, to the right, or on the line', () => {
    const [arrow] = arrows('A \\ar[r]^f_{g}|h & B');
    expect(arrow?.labels.map(({ side }) => side)).toEqual(['left', 'right', 'on']);
    expect(arrows('A \\ar[r]^-{f} & B')[0]?.labels).toHaveLength(1);
  });
  it('stand in formulas and in text, without a finding', () => {
    expect(
      findingsIn(inArticle('\\xymatrix@C=1cm{Aft \\ar[r]^f & Bow}', '\\usepackage[all]{xy}')),
    ).toEqual([]);
    const near = laidBody('$\\xymatrix@C=1cm{A\\ar[r]&B}$', '\\usepackage{xy}');
    const far = laidBody('$\\xymatrix@C=3cm{A\\ar[r]&B}$', '\\usepackage{xy}');
    const across = (laid: typeof near) => laid.word('𝐵').x - laid.word('𝐴').x;
    expect(across(far) - across(near)).toBeCloseTo(2 * 28.45, 0);
  });
});
