import { expect, it } from 'vitest';
import { textLook } from '../../testing/pictureLook';

const PACKAGES =
  '\\usepackage{tikz,tikz-cd,pgfplots,circuitikz,siunitx}\\usetikzlibrary{babel,quotes,angles,calc,positioning}';

/** Languages that write by signs of the picture language: `"`, `;`, `:`, `!`, `?`, `<`, `>`, `=`, `'`. */
const LANGUAGES = ['ngerman', 'french', 'spanish'];

const PICTURES: readonly (readonly [what: string, body: string])[] = [
  ['words in quotation marks', '\\tikz \\draw (0,0) to["$f$", red] (2,0) edge["g" blue] (2,2);'],
  ['a label of a node', '\\tikz \\node["$L$", label=above:M, pin={[red]30:N}] {X};'],
  [
    'the name of an angle',
    '\\begin{tikzpicture}\\path (0,0) coordinate (A) (2,0) coordinate (B) (1,1) coordinate (C); \\pic["$a$", draw] {angle=B--A--C};\\end{tikzpicture}',
  ],
  ['places by angles', '\\tikz \\draw[->] (0,0) -- (30:2) -- ++(90:1) arc (0:90:1cm);'],
  ['places between others', '\\tikz \\draw (0,0) -- ($(0,0)!.5!(4,2)$) -- ($(1,1)!1cm!90:(3,0)$);'],
  ['colours by shares', '\\tikz \\fill[red!50!blue, draw=green!20] (0,0) rectangle (1,1);'],
  ['what is compared', '\\tikz \\draw plot[domain=0:2] (\\x, {\\x > 1 ? 1 : \\x});'],
  ['tips of arrows', '\\tikz[>=stealth] \\draw[<->, shorten >=2pt] (0,0) -- (2,1);'],
  ['statements in a loop', '\\tikz \\foreach \\i in {0,1,...,3} {\\draw (\\i,0) -- (\\i,1);}'],
  ['a diagram', '\\begin{tikzcd} A \\arrow[r, "f"\', Rightarrow] & B \\end{tikzcd}'],
  ['a plain diagram', '\\begin{tikzcd} A \\arrow[r, "f"\'] & B \\end{tikzcd}'],
  [
    'a plot',
    '\\begin{tikzpicture}\\begin{axis}[domain=0:2]\\addplot {x^2};\\end{axis}\\end{tikzpicture}',
  ],
  ['a circuit', '\\begin{circuitikz} \\draw (0,0) to[R, l=$R$, i>=$i$] (2,0); \\end{circuitikz}'],
];

it.each(PICTURES)('%s, in any language', (_, body) => {
  const plain = textLook(body, PACKAGES);
  for (const language of LANGUAGES) {
    const babel = `\\usepackage[english,main=${language}]{babel}`;
    expect(textLook(body, `${babel}${PACKAGES}`), language).toBe(plain);
  }
});
