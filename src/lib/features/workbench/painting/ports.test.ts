import { pageSvg, type PageDescription } from '@odd-compass/engine';
import { NO_PORT, walkPage } from '@odd-compass/engine/page';
import { describe, expect, it } from 'vitest';
import { corpus, corpusFiles } from '../../../../../packages/engine/src/testing/corpus';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import { pageContent } from '../../../../../packages/engine/src/output/pdf/content';
import { subsetFont, type SubsetFont } from '../../../../../packages/engine/src/output/pdf/subset';
import { paintPage } from './paint';

/** How many marks of each kind something was given. */
interface Marks {
  readonly glyphs: number;
  readonly rules: number;
  readonly fills: number;
  readonly strokes: number;
  readonly pictures: number;
  readonly clips: number;
}

function walked(page: PageDescription): Marks {
  const marks = { glyphs: 0, rules: 0, fills: 0, strokes: 0, pictures: 0, clips: 0 };
  walkPage(page, {
    ...NO_PORT,
    glyphs: ({ glyphs }) => (marks.glyphs += glyphs.length),
    rule: () => marks.rules++,
    path: ({ fill, stroke }) => {
      if (fill !== null) marks.fills++;
      if (stroke) marks.strokes++;
    },
    picture: () => marks.pictures++,
    clip: () => marks.clips++,
  });
  return marks;
}

/** What a canvas is asked to do. */
function painted(page: PageDescription): Marks {
  const calls: string[] = [];
  const context = new Proxy({} as Record<string, unknown>, {
    get: (target, name: string) =>
      name === 'canvas'
        ? { width: 10, height: 10 }
        : (target[name] ??
          ((first: unknown) => calls.push(typeof first === 'object' ? `${name} outline` : name))),
    set: () => true,
  });
  const outline = {} as Path2D;
  paintPage(context as unknown as CanvasRenderingContext2D, page, {
    scale: 1,
    outlines: { get: () => outline } as unknown as ReadonlyMap<number, Path2D>,
    unitsPerEm: 1000,
    pictures: { get: () => ({ width: 1, height: 1 }) } as unknown as ReadonlyMap<
      string,
      ImageBitmap
    >,
  });
  const count = (name: string): number => calls.filter((call) => call === name).length;
  const frames = [...page.imageBlank].filter((blank) => blank === 1).length;
  return {
    glyphs: count('fill outline'),
    // The paper is one.
    rules: count('fillRect') - 1,
    fills: count('fill'),
    strokes: count('stroke') - frames,
    pictures: count('drawImage outline') + frames,
    // The page's own is one.
    clips: count('clip') - 1,
  };
}

function inSvg(page: PageDescription, fonts: ReturnType<typeof typeset>['fonts']): Marks {
  const svg = pageSvg(page, fonts, () => 'data:x').replace(/<defs>.*<\/defs>/s, '');
  const count = (pattern: RegExp): number => svg.match(pattern)?.length ?? 0;
  const frames = count(/<rect width="1" height="1" fill="#d8d2c4"/g);
  return {
    glyphs: count(/<use /g),
    rules: count(/<rect x=/g),
    fills: count(/<path (?![^>]*fill="none")/g),
    strokes: count(/<path [^>]*stroke=/g),
    pictures: count(/<image /g) + frames,
    clips: count(/<g clip-path/g),
  };
}

function inPdf(page: PageDescription, fonts: ReturnType<typeof typeset>['fonts']): Marks {
  const subsets = new Map<number, SubsetFont>();
  const font = (id: number): SubsetFont => {
    const found = subsets.get(id) ?? subsetFont(fonts.byId(id), `F${id}`);
    subsets.set(id, found);
    return found;
  };
  const image = () => ({ name: 'I', width: 1, height: 1 });
  const content = pageContent(page, { font, image, opacity: () => 'O' });
  const count = (pattern: RegExp): number => content.match(pattern)?.length ?? 0;
  const shown = content.match(/<[0-9a-f]*>/g)?.map((hex) => (hex.length - 2) / 4) ?? [];
  const frames = count(/ re S Q$/gm);
  return {
    glyphs: shown.reduce((sum, n) => sum + n, 0),
    rules: count(/ re f$/gm),
    fills: count(/^f\*?$|^B\*?$/gm),
    strokes: count(/^S$|^B\*?$/gm),
    pictures: count(/ Do Q$/gm) + frames,
    clips: count(/^W\*? n$/gm),
  };
}

const drawn = {
  name: 'drawings',
  text: inArticle(
    '\\rotatebox{20}{\\fbox{Ebb}} \\textcolor{red}{\\rule{1cm}{2mm}} $\\cancel{x}$ \\begin{tikzcd} A \\arrow[r,dashed,"f"] & B \\end{tikzcd}',
    '\\usepackage{graphicx,xcolor,cancel,tikz-cd}',
  ),
};

describe('every port', () => {
  it.each([drawn, ...corpus])('is given the same marks: $name', ({ text }) => {
    const session = typeset(text, corpusFiles);
    for (const one of session.pages.slice(0, 4)) {
      const page = session.describe(one);
      const marks = walked(page);
      expect(painted(page)).toEqual(marks);
      expect(inSvg(page, session.fonts)).toEqual(marks);
      expect(inPdf(page, session.fonts)).toEqual(marks);
    }
  });
});
