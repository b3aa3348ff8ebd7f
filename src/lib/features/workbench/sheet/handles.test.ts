import { inArticle, typeset } from '@odd-compass/engine/testing';
import { EditorState } from '@codemirror/state';
import { history, undo } from '@codemirror/commands';
import { describe, expect, it } from 'vitest';
import { handlesOf, keyStep, movedHandle, type Handle } from './handles';
import { heldPicture } from './heldPicture';
import { sourceAt } from './hit';
import { cornersOf, distanceTo } from './pathPoints';

const picture = (body: string, options = ''): string =>
  `\\begin{tikzpicture}${options}\n${body}\n\\end{tikzpicture}`;

function taken(body: string) {
  const text = inArticle(body, '\\usepackage{tikz}');
  const session = typeset(text);
  const description = session.describe(session.pages[0] as never);
  const blocks = new Map(session.blocksOf(description).map((place) => [place.id, place]));
  const from = text.indexOf('\\begin{tikzpicture}');
  const to = text.indexOf('\\end{tikzpicture}');
  const read = (a: number, b: number): string => text.slice(a, b);
  return {
    text,
    description,
    blocks,
    handles: handlesOf(description, blocks, { from, to }, read) ?? [],
  };
}
const at = (handles: readonly Handle[], text: string): Handle => {
  const found = handles.find((one) => one.text === text);
  if (!found) throw new Error(`no point ${text}`);
  return found;
};
const CM = 72 / 2.54;

describe('the points of a picture on the page', () => {
  it('are those whose numbers stand in it, each once', () => {
    const { text, handles } = taken(
      `Low water. ${picture('\\draw (0,0) -- (2,1);\n\\foreach \\i in {1,2} \\fill (1,1) circle (1pt);\n\\node at (60:1) {x};')} ${picture('\\draw (5,5) -- (6,6);')}`,
    );
    expect(handles.map((one) => one.text).sort()).toEqual(['0,0', '1,1', '2,1', '60:1']);
    for (const { from, text: numbers } of handles)
      expect(text.slice(from, from + numbers.length)).toBe(numbers);
  });

  it('lie where they are drawn', () => {
    const { handles } = taken(picture('\\draw (0,0) -- (2,1);'));
    const [a, b] = [at(handles, '0,0'), at(handles, '2,1')];
    expect((b.x - a.x) / CM).toBeCloseTo(2, 2);
    expect((a.y - b.y) / CM).toBeCloseTo(1, 2);
  });

  // Moved by centimetres on the page, y upwards.
  it.each([
    ['', '2,1', [1, 0.5], false, '3,1.5'],
    ['', '2,1', [0.2, 0.2], false, '2,1'],
    ['', '2,1', [0.2, 0.2], true, '2.2,1.2'],
    ['[scale=2]', '2,1', [1, 1], false, '2.5,1.5'],
    ['[rotate=90]', '2,1', [-1, 0], false, '2,2'],
    ['[x=5mm]', '2,1', [1, 0], false, '4,1'],
    ['[yscale=-1]', '2,1', [0, 1], false, '2,0'],
  ] as const)(
    'in a picture%s, (%s) moved by %o goes along',
    (options, point, by, finer, wanted) => {
      const { handles } = taken(picture('\\draw (0,0) -- (2,1);', options));
      const [x, y] = by;
      expect(movedHandle(at(handles, point), { x: x * CM, y: -y * CM }, handles, finer)).toBe(
        wanted,
      );
    },
  );

  it.each([
    ['ArrowRight', false, '2.5,1'],
    ['ArrowLeft', false, '1.5,1'],
    ['ArrowUp', false, '2,1.5'],
    ['ArrowDown', true, '2,0.95'],
  ])('%s (finer: %s) gives %s', (key, finer, wanted) => {
    const { handles } = taken(picture('\\draw (0,0) -- (2,1);'));
    const handle = at(handles, '2,1');
    const by = keyStep(key, handle, handles, finer);
    expect(by && movedHandle(handle, by, handles, finer)).toBe(wanted);
    expect(keyStep('Enter', handle, handles, finer)).toBeNull();
  });

  it.each([
    ['(2,1)', '(A)'],
    ['(2,1)', '(2.5,1)'],
    ['(2,1)', '(2,15)'],
  ])('wait for the page when the source has changed from %s to %s', (before, after) => {
    const { text, description, blocks } = taken(picture('\\draw (0,0) -- (2,1);'));
    const now = text.replace(before, after);
    const read = (from: number, to: number): string => now.slice(from, to);
    expect(handlesOf(description, blocks, { from: 0, to: 1e6 }, read)).toBeNull();
  });
});

describe('a hand on a point', () => {
  /** As much of an editor as holds text and its history. */
  function editor(doc: string) {
    const view = {
      state: EditorState.create({ doc, extensions: [history()] }),
      dispatch(spec: Parameters<EditorState['update']>[0]) {
        this.state = this.state.update(spec).state;
      },
    };
    const back = () => undo({ state: view.state, dispatch: (tr) => void (view.state = tr.state) });
    return { view, back, text: () => view.state.doc.toString() };
  }

  it('leaves one step of undo, however far it went', () => {
    const { view, back, text } = editor('\\draw (0,0);');
    const held = heldPicture(view as never, 0, 12);
    held.write(7, '0,0', '1,0');
    held.write(7, '1,0', '1.5,10');
    expect(text()).toBe('\\draw (1.5,10);');
    held.write(7, '1.5,10', '0,0');
    held.settle(7, '0,0', '1.5,10');
    expect(text()).toBe('\\draw (1.5,10);');
    back();
    expect(text()).toBe('\\draw (0,0);');
    expect(back()).toBe(false);
  });

  it('changes nothing where other words stand by now', () => {
    const { view, text } = editor('\\draw (A);');
    heldPicture(view as never, 0, 9).settle(7, '0,0', '1,1');
    expect(text()).toBe('\\draw (A);');
  });
});

describe('what is drawn is found by pointing at it', () => {
  it.each([
    ['(0,0) -- (4,0)', [2, 0]],
    ['(0,2) -- (4,2)', [3, 2]],
    ['(0,1) .. controls (1,1) and (3,1) .. (4,1)', [2, 1]],
  ] as const)('%s', (wanted, [x, y]) => {
    const { text, description, blocks, handles } = taken(
      picture(
        '\\draw (0,0) -- (4,0);\n\\draw (0,1) .. controls (1,1) and (3,1) .. (4,1);\n\\draw (0,2) -- (4,2);',
      ),
    );
    const origin = at(handles, '0,0');
    const found = sourceAt(description, blocks, origin.x + x * CM, origin.y - y * CM + 1);
    expect(text.slice(found ?? 0, (found ?? 0) + 6 + wanted.length)).toBe(`\\draw ${wanted}`);
  });

  it('from as far as the nearest of its lines', () => {
    const square = [0, 1, 2, 3].map((i) => ({ x: i % 3 === 0 ? 0 : 2, y: i < 2 ? 0 : 2 }));
    expect(distanceTo(square, { x: 1, y: -1 })).toBe(1);
    expect(distanceTo(square, { x: 5, y: 6 })).toBe(5);
    expect(distanceTo([], { x: 0, y: 0 })).toBe(Infinity);
    const trace = (pen: Parameters<Parameters<typeof cornersOf>[0]['trace']>[0]): void => {
      pen.moveTo(0, 0);
      pen.bezierCurveTo(0, 4, 4, 4, 4, 0);
    };
    expect(cornersOf({ map: null, trace } as never)[2]).toEqual({ x: 2, y: 3 });
  });
});
