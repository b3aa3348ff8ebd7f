import { composed, growthOf, scaledTurned } from '../../base/maps';
import type { Span } from '../../base/spans';
import type { Mark } from '../../document/drawing';
import type { Inline } from '../../document/inlines';
import type { OutsideMark, OutsideText } from '../../document/outsideDrawing';
import type { Interpreter } from '../machine/interpreter';

/** The marks of a drawing that was made elsewhere as marks of the page, its words in the document's types. */
export const marksOf = (
  it: Interpreter,
  marks: readonly OutsideMark[],
  span: Span,
): readonly Mark[] =>
  marks.flatMap((mark): Mark[] => {
    if (mark.kind === 'text') return wordsOf(it, mark, span);
    if (mark.kind === 'group') return [{ ...mark, marks: marksOf(it, mark.marks, span) }];
    return [{ ...mark, ...span }];
  });

/** Words as wide as they were where they were made: what stands around them goes by that. */
function wordsOf(it: Interpreter, mark: OutsideText, span: Span): Mark[] {
  const size = Math.round(growthOf(mark.map));
  if (size < 1) return [];
  const font = it.intern({
    ...it.font,
    family: mark.family,
    series: mark.bold ? 'bold' : 'medium',
    shape: mark.italic ? 'italic' : 'upright',
    size,
    color: mark.paint,
  });
  const inlines = mark.text
    .split(/(\s+)/)
    .filter((part) => part !== '')
    .map((part): Inline =>
      part.trim() === ''
        ? { kind: 'space', font, factor: 1000, ...span }
        : { kind: 'text', text: part, font, foreign: true, ...span },
    );
  const natural = it.host.measure(inlines).width;
  const stretch = natural > 0 && mark.width > 0 ? (mark.width * size) / natural : 1;
  const map = composed(mark.map, scaledTurned(stretch / size, 1 / size, 0));
  const label: Mark = { kind: 'label', inlines, at: { x: 0, y: 0 }, across: 0, up: null };
  return [{ kind: 'group', map, clip: null, marks: [label] }];
}
