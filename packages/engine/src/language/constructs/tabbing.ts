import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { glue } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';

/** Tab stops as positions from the left margin, in sp; kept while the environment is open. */
export function beginTabbing(it: Interpreter): void {
  it.endParagraph();
  it.write(CELLS.alignment, 'left');
  it.execute(it.source('\\parindent=0pt\\relax'));
  const stops: number[] = [];
  let line: Inline[] = [];
  let width = 0;
  let stop = 0;
  let start = 0;
  const flush = (skip: number): void => {
    it.startParagraph(false);
    it.mode.nextIndent = 0;
    it.add(emptyBox(it));
    for (const inline of line) it.add(inline);
    it.endParagraph();
    if (skip !== 0) it.mode.vlist.push({ kind: 'vspace', glue: glue(skip), behaviour: 'plain' });
    line = [];
    width = 0;
    stop = 0;
    start = 0;
  };
  let cell: Token[] = [];
  const close = (): void => {
    const inlines = it.inlinesOf(cell);
    width = start + it.host.measure(inlines).width;
    line.push(...inlines);
    cell = [];
  };
  for (;;) {
    const token = it.p.next();
    if (token === null || token.cat === 18) break;
    if (
      token.cat !== Cat.Command ||
      !['=', '>', '\\', 'kill', 'end', '+', '-', '<', "'", '`'].includes(token.text)
    ) {
      cell.push(token);
      continue;
    }
    if (token.text === 'end') {
      it.p.unread(token);
      break;
    }
    close();
    if (token.text === '=') {
      stops[stop++] = width;
      start = width;
    } else if (token.text === '>') {
      const target = stops[stop++] ?? width;
      line.push({ kind: 'kern', width: target - width, ...it.p.place });
      start = target;
    } else if (token.text === 'kill') {
      line = [];
      width = stop = start = 0;
    } else if (token.text === '\\') {
      flush(0);
    }
    it.p.skipSpaces();
  }
  close();
  if (line.length > 0) flush(0);
}
