import { CompletionContext } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { vocabulary } from '@odd-compass/engine';
import { inArticle } from '@odd-compass/engine/testing';
import { describe, expect, it } from 'vitest';
import { completePicture } from './pictureCompletion';
import { nodeNames, styleNames } from './pictureNames';

const WORDS = vocabulary();

/** What is offered at the bar of a text, the likeliest first, and what stands before it already. */
function offered(marked: string) {
  const at = marked.indexOf('|');
  const doc = marked.replace('|', '');
  const context = new CompletionContext(EditorState.create({ doc }), at, true);
  const found = completePicture(context, doc.slice(Math.max(0, at - 400), at), WORDS);
  if (!found) return null;
  const typed = doc.slice(found.from, at);
  const names = [...found.options]
    .filter(({ label }) => label.startsWith(typed))
    .sort((a, b) => (b.boost ?? 0) - (a.boost ?? 0))
    .map(({ label, apply }) => (typeof apply === 'string' ? apply : label));
  return { typed, names };
}
const picture = (body: string): string =>
  inArticle(`\\begin{tikzpicture}\n${body}\n\\end{tikzpicture}`, '\\tikzset{buoy/.style={red}}');

describe('in a picture', () => {
  it.each([
    ['\\draw[thi|] (0,0);', 'thi', 'thick'],
    ['\\draw[red, da|] (0,0);', 'da', 'dashed'],
    ['\\draw[line w|] (0,0);', 'line w', 'line width='],
    ['\\node[bu|] {x};', 'bu', 'buoy'],
    ['\\draw[fill=ye|] (0,0);', 'ye', 'yellow'],
    ['\\draw[vio|] (0,0);', 'vio', 'violet'],
    ['\\node (ebb) at (0,0) {};\\draw (e|) -- (1,1);', 'e', 'ebb'],
    ['\\node (ebb) at (0,0) {};\\draw (ebb.nor|) -- (1,1);', 'nor', 'north'],
    ['\\draw (0,0) -- node[above l|] {x} (1,1);', 'above l', 'above left'],
    ['\\begin{axis}[xla|]\\end{axis}', 'xla', 'xlabel='],
    ['\\begin{axis}\\addplot[dom|] {x};\\end{axis}', 'dom', 'domain='],
  ])('%s', (body, typed, first) => {
    const found = offered(picture(body));
    expect([found?.typed, found?.names[0]]).toEqual([typed, first]);
  });

  it('of a circuit too', () => {
    const body = '\\begin{circuitikz}\\draw[thi|] (0,0);\\end{circuitikz}';
    expect(offered(inArticle(body, '\\usepackage{circuitikz}'))?.names).toContain('thick');
  });

  it('what is said already is not offered again', () => {
    expect(offered(picture('\\draw[thick, |] (0,0);'))?.names).not.toContain('thick');
  });

  it.each([
    ['a value that is no colour', picture('\\draw[line width=|] (0,0);')],
    ['a place by its numbers', picture('\\draw (0,|0);')],
    ['options of other things', inArticle('\\begin{enumerate}[la|]\\item x\\end{enumerate}')],
    ['words in brackets', inArticle('The tide (or eb|b) [see abo|ve]')],
  ])('%s brings nothing', (_kind, text) => expect(offered(text)).toBeNull());

  it('libraries and settings are known before it', () => {
    expect(offered('\\usetikzlibrary{calc,pos|}')?.names).toEqual(['positioning']);
    expect(offered('\\tikzset{every node/.style={thick, dott|}}')?.names[0]).toBe('dotted');
  });
});

it('names of nodes and styles are read from the source', () => {
  expect(nodeNames('\\node[circle] (a) {};\\path (0,0) coordinate (b 1) node (a) {};')).toEqual([
    'a',
    'b 1',
  ]);
  expect(styleNames('\\tikzset{sea lane/.style={thick}}\\tikzstyle{buoy}=[red]')).toEqual([
    'sea lane',
    'buoy',
  ]);
});
