import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { IDENTITY } from '../../base/maps';
import type { OutsideMark, OutsideText } from '../../document/outsideDrawing';
import { OPERATORS, postScriptDrawing } from './drawing';
import { machineOf, runProgram } from './machine';
import { nextObject, scannerOf } from './scanner';
import { PostScriptError, type Value } from './values';

/** Values as a person would write them. */
function shown(value: Value): unknown {
  if (typeof value === 'number') return Math.round(value * 1e4) / 1e4 + 0;
  if (value === null || typeof value !== 'object') return value;
  if (value.kind === 'string') return value.text;
  if (value.kind === 'array') return value.items.map(shown);
  if (value.kind === 'name') return `/${value.name}`;
  return value.kind;
}

/** What a program leaves on the stack. */
function left(program: string): unknown[] {
  const it = machineOf(program, IDENTITY, OPERATORS);
  runProgram(it);
  return it.operands.map(shown);
}

const errorOf = (program: string): string => {
  try {
    left(program);
    return '';
  } catch (error) {
    return error instanceof PostScriptError ? error.error : String(error);
  }
};

describe('a program leaves', () => {
  it.each<[string, unknown[]]>([
    // words
    ['1 -2.5 .5 1e3 16#FF 8#17 % all of it a number', [1, -2.5, 0.5, 1000, 255, 15]],
    ['(a(b)c) (\\050\\)\\n) <48 69> <~87cUR~> (a\\\nb)', ['a(b)c', '()\n', 'Hi', 'Hell', 'ab']],
    ['/name {dup} [1 /a (b)]', ['/name', ['/dup'], [1, '/a', 'b']]],
    ['<</a 1 /b 2>> dup /b get exch length', [2, 2]],
    // the stack
    ['1 2 3 pop exch', [2, 1]],
    ['1 2 3 2 copy', [1, 2, 3, 2, 3]],
    ['1 2 3 4 3 1 roll', [1, 4, 2, 3]],
    ['1 2 3 4 3 -1 roll', [1, 3, 4, 2]],
    ['7 8 9 1 index', [7, 8, 9, 8]],
    ['mark 1 2 counttomark 3 1 roll cleartomark', []],
    ['1 2 count', [1, 2, 2]],
    // numbers
    ['7 2 idiv 7 2 mod -7 2 idiv -7 2 mod 7 2 div', [3, 1, -3, -1, 3.5]],
    ['2 3 exp 100 log 1 ln 9 sqrt', [8, 2, 0, 3]],
    ['30 sin 60 cos 1 1 atan -1 0 atan', [0.5, 0.5, 45, 270]],
    ['2.5 round -2.5 round 2.7 truncate -2.1 floor 2.1 ceiling', [3, -2, 2, -3, 3]],
    ['5 3 and 5 3 or 5 3 xor 1 3 bitshift 8 -2 bitshift true not', [1, 7, 6, 8, 2, false]],
    ['1 2 lt 2 2 ge (a) (b) gt /a (a) eq 1 1.0 eq', [true, true, false, true, true]],
    // arrays, texts, dictionaries
    ['[1 2 3 4] 1 2 getinterval', [[2, 3]]],
    ['[1 2 3] dup 1 [8 9] putinterval', [[1, 8, 9]]],
    ['3 array dup 0 5 put', [[5, null, null]]],
    ['[1 2 3] aload pop', [1, 2, 3]],
    ['1 2 2 array astore', [[1, 2]]],
    ['(tide) dup 0 84 put', ['Tide']],
    ['(low water) ( ) search', ['water', ' ', 'low', true]],
    ['(low) (x) search (low) (lo) anchorsearch', ['low', false, 'w', 'lo', true]],
    ['12.5 10 string cvs (3.5) cvr (7.9) cvi 255 16 4 string cvrs', ['12.5', 3.5, 7, 'FF']],
    ['/a 1 def /a load /a where {pop true} {false} ifelse /zz where', [1, true, false]],
    ['2 dict begin /k 4 def k end currentdict /k known', [4, false]],
    ['/a 1 def 3 dict begin /a 2 store end a', [2]],
    ['1 type (a) type {} xcheck /a cvx xcheck', ['/integertype', '/stringtype', true, true]],
    // what is run
    ['3 {(x)} repeat', ['x', 'x', 'x']],
    ['0 1 3 {} for 1 -0.5 0 {} for', [0, 1, 2, 3, 1, 0.5, 0]],
    ['[1 2] {10 mul} forall (ab) {} forall', [10, 20, 97, 98]],
    ['0 {1 add dup 4 eq {exit} if} loop', [4]],
    ['{1 0 div} stopped {stop} stopped {5} stopped', [1, 0, true, true, 5, false].slice(2)],
    ['/twice {dup add} bind def 4 twice', [8]],
    ['/add {exch pop} def 1 2 add systemdict /add get 1 2 3 -1 roll exec', [2, 3]],
    ['/f {1 add} bind def /add {pop pop 0} def 1 f', [2]],
    ['1 save 2 exch restore', [1, 2]],
    ['currentfile 3 string readstring\nabc', ['abc', true]],
    ['currentfile 2 string readhexstring\n4869', ['Hi', true]],
    // coordinates
    ['2 3 scale 10 20 translate 1 1 transform', [22, 63]],
    ['90 rotate 1 0 transform', [0, 1]],
    ['2 2 scale 4 4 itransform 4 4 idtransform', [2, 2, 2, 2]],
    ['[1 0 0 1 5 5] [2 0 0 2 0 0] matrix concatmatrix', [[2, 0, 0, 2, 10, 10]]],
    ['3 4 matrix translate matrix invertmatrix', [[1, 0, 0, 1, -3, -4]]],
    ['1 2 moveto 3 4 rlineto currentpoint', [4, 6]],
    ['0 0 moveto 4 0 lineto 4 3 lineto pathbbox', [0, 0, 4, 3]],
    ['0 0 5 0 90 arc currentpoint', [0, 5]],
    ['0 0 moveto 10 0 10 10 4 arcto', [6, 0, 10, 4]],
    ['newpath 0 0 moveto 1 1 lineto closepath {2} {3} {6} {0} pathforall', [0, 0, 2, 1, 1, 3, 0]],
    ['gsave 3 setlinewidth grestore currentlinewidth', [1]],
    ['0.5 setgray currentgray 1 0 0 setrgbcolor currentrgbcolor', [0.502, 1, 0, 0]],
    ['0 1 1 sethsbcolor currentrgbcolor', [1, 0, 0]],
    ['/Helvetica 10 selectfont (a) stringwidth', [5.56, 0]],
    ['/Courier findfont [20 0 0 10 0 0] makefont setfont (ab) stringwidth', [24, 0]],
  ])('%s', (program, wanted) => {
    expect(left(program)).toEqual(wanted);
  });

  it.each([
    ['pop', 'stackunderflow'],
    ['1 (a) add', 'typecheck'],
    ['nothing', 'undefined'],
    ['1 0 div', 'undefinedresult'],
    ['{', 'syntaxerror'],
    ['}', 'syntaxerror'],
    ['(never closed', 'syntaxerror'],
    ['1 1 lineto', 'nocurrentpoint'],
    ['[1 2] 5 get', 'undefined'],
    ['end', 'dictstackunderflow'],
    ['-1 array', 'rangecheck'],
  ])('an error: %s', (program, error) => {
    expect(errorOf(program)).toBe(error);
  });
});

// ---- drawings

const inBox = (program: string): string => `%!PS\n%%BoundingBox: 0 0 100 50\n${program}`;

/** The marks within the box, those in groups too. */
function marks(program: string): OutsideMark[] {
  const drawing = postScriptDrawing(inBox(program));
  if ('lacks' in drawing) throw new Error(`lacks ${drawing.lacks}`);
  const flat = (mark: OutsideMark): OutsideMark[] =>
    mark.kind === 'group' ? mark.marks.flatMap(flat) : [mark];
  return drawing.marks.flatMap(flat);
}
const BP = 65781.76;
const words = (program: string): OutsideText[] => marks(program).filter((m) => m.kind === 'text');
/** Corners of a path, in big points. */
const corners = (mark: OutsideMark | undefined): number[][] =>
  mark?.kind === 'path'
    ? mark.path.flatMap((part) =>
        part.kind === 'close' ? [] : [[part.to.x, part.to.y].map((n) => Math.round(n / BP))],
      )
    : [];

describe('a drawing', () => {
  it('counts from the lower left corner of its box', () => {
    const drawing = postScriptDrawing(
      '%!\n%%BoundingBox: 10 20 110 70\n10 20 moveto 60 45 lineto stroke',
    );
    expect(drawing).toMatchObject({ width: Math.round(100 * BP), height: Math.round(50 * BP) });
    const [box] = 'marks' in drawing ? drawing.marks : [];
    expect(box?.kind === 'group' ? corners(box.marks[0]) : []).toEqual([
      [0, 0],
      [50, 25],
    ]);
  });
  it('has the pen, colour and dashes of its program', () => {
    const [mark] = marks(
      '2 setlinewidth 1 setlinecap [4 2] 1 setdash 0 0 1 setrgbcolor 2 2 scale 0 0 moveto 5 5 lineto stroke',
    );
    const stroke = mark?.kind === 'path' ? mark.style.stroke : null;
    expect(stroke).toMatchObject({ paint: 0x0000ff, cap: 'round' });
    expect([stroke?.width, ...(stroke?.dash ?? [])].map((n) => Math.round((n ?? 0) / BP))).toEqual([
      4, 8, 4,
    ]);
  });
  it.each<[string, string, number]>([
    ['grey', '0.5 setgray', 0x808080],
    ['four inks', '1 0 0 0 setcmykcolor', 0x00ffff],
    ['a space of its own', '/DeviceRGB setcolorspace 1 0 0 setcolor', 0xff0000],
    [
      'a separate ink',
      '[/Separation /Sea /DeviceRGB {dup 0 exch}] setcolorspace 1 setcolor',
      0xff00ff,
    ],
    ['a table', '[/Indexed /DeviceRGB 1 <000000 00ff00>] setcolorspace 1 setcolor', 0x00ff00],
  ])('fills with %s', (_, colour, paint) => {
    const [mark] = marks(`${colour} 0 0 10 10 rectfill`);
    expect(mark?.kind === 'path' ? mark.style.fill : null).toBe(paint);
  });
  it('stretches the pen where the coordinates are', () => {
    const drawing = postScriptDrawing(inBox('4 1 scale 0 0 5 0 360 arc stroke'));
    expect(JSON.stringify(drawing)).toMatch(/"map":\{"a":4,"b":0,"c":0,"d":1,/);
  });
  it('is clipped by what its program clips, until that is undone', () => {
    const drawing = postScriptDrawing(
      inBox('gsave 0 0 10 10 rectclip 0 0 20 20 rectfill grestore 30 30 5 5 rectfill'),
    );
    const [box] = 'marks' in drawing ? drawing.marks : [];
    const inside = box?.kind === 'group' ? box.marks : [];
    expect(inside.map(({ kind }) => kind)).toEqual(['group', 'path']);
  });
  it('has words by the names of their signs, as wide as the font says', () => {
    const [word] = words('/Times-Italic findfont 12 scalefont setfont 5 5 moveto (tide) show');
    expect(word).toMatchObject({ text: 'tide', family: 'roman', italic: true, bold: false });
    expect(word?.width).toBeCloseTo(0.278 + 0.278 + 0.5 + 0.444, 3);
    expect((word?.map.a ?? 0) / BP).toBeCloseTo(12, 3);
  });
  it.each([
    ['/Symbol 10 selectfont 0 0 moveto (ab) show', 'αβ'],
    ['/Helvetica 10 selectfont 0 0 moveto (\\256\\261) show', 'fi–'],
    [
      '/Helvetica findfont dup length dict begin {1 index /FID ne {def}{pop pop} ifelse} forall /Encoding ISOLatin1Encoding def currentdict end /H exch definefont 10 scalefont setfont 0 0 moveto (\\351) show',
      'é',
    ],
    ['/Helvetica 10 selectfont 0 0 moveto /uni2200 glyphshow', '∀'],
  ])('shows %s as %s', (program, text) => {
    expect(words(program).map((word) => word.text)).toEqual([text]);
  });
  it('places signs one by one when it is told so', () => {
    const places = words('/Helvetica 10 selectfont 0 0 moveto (abc) [5 7 9] xshow').map(({ map }) =>
      Math.round(map.e / BP),
    );
    expect(places).toEqual([0, 5, 12]);
  });
  it('runs the procedures of a font of its own', () => {
    const font =
      '6 dict begin /FontType 3 def /FontMatrix [.001 0 0 .001 0 0] def /Encoding 256 array def ' +
      '/BuildChar {pop pop 600 0 0 0 500 500 setcachedevice 0 0 500 500 rectfill} def ' +
      'currentdict end /Blocks exch definefont 10 scalefont setfont ';
    const found = marks(`${font} 10 10 moveto (xx) show`);
    expect(found.map((mark) => corners(mark)[2])).toEqual([
      [15, 15],
      [21, 15],
    ]);
  });
  it('draws small pictures of points as rectangles, neighbours of one colour as one', () => {
    const image = (data: string): string => `20 20 scale 2 2 8 [2 0 0 -2 0 2] {<${data}>} image`;
    expect(marks(image('00ff8040'))).toHaveLength(4);
    expect(marks(image('0000ffff'))).toHaveLength(2);
    const mask = '8 1 true [8 0 0 1 0 0] {<f0>} imagemask';
    expect(corners(marks(mask)[0])[1]).toEqual([1, 0].map((n) => Math.round(n * 0.5)));
  });
});

describe('what cannot be drawn', () => {
  it.each([
    ['no box', '%!PS\n0 0 moveto', 'box'],
    ['an unknown word', inBox('wibble'), 'wibble'],
    ['an error', inBox('pop'), 'stackunderflow'],
    ['a loop without end', inBox('{} loop'), 'size'],
    ['a procedure in itself', inBox('/a {a} def a'), 'size'],
    ['a stack without end', inBox('{1} loop'), 'size'],
    ['arrays without end', inBox('{1000000 array} loop'), 'size'],
    ['texts without end', inBox('{1000000 string} loop'), 'size'],
    ['copies without end', inBox('/a 99999 array def {a 0 99999 getinterval} loop'), 'size'],
    ['many clips', inBox('0 0 moveto 1 1 9999 {dup lineto} for {clip} loop'), 'size'],
    [
      'a path that is kept and goes on',
      inBox('0 0 moveto 1 1 9999 {dup lineto} for {gsave 1 1 lineto grestore 2 2 lineto} loop'),
      'size',
    ],
    ['marks without end', inBox('{0 0 1 1 rectfill} loop'), 'size'],
    ['a photograph', inBox('999 999 8 [1 0 0 1 0 0] {<00>} image'), 'image'],
    ['braces a thousand deep', inBox('{'.repeat(1000)), '{'],
  ])('is told: %s', (_, program, lacks) => {
    expect(postScriptDrawing(program)).toEqual({ lacks });
  });

  it('never throws: words of the language in any order', () => {
    const word = fc.oneof(
      fc.constantFrom(...OPERATORS.keys()),
      fc.constantFrom('{', '}', '1', '20', '(a)', '/x', '[1 2]', '[1 0 0 1 0 0]', '/Helvetica'),
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 30 }), (soup) => {
        const program = inBox(`/Helvetica 9 selectfont 1 1 moveto ${soup.join(' ')}`);
        const found = postScriptDrawing(program);
        expect('lacks' in found || found.width > 0).toBe(true);
      }),
      { numRuns: 400 },
    );
  });

  it('is read to its end whatever its characters are', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary-ascii' }), (text) => {
        const scanner = scannerOf(text);
        try {
          while (nextObject(scanner));
          expect(scanner.at).toBeGreaterThanOrEqual(text.length);
        } catch (error) {
          expect(error).toBeInstanceOf(PostScriptError);
        }
      }),
    );
  });
});
