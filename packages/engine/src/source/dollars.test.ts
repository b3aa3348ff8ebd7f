import { describe, expect, it } from 'vitest';
import { oddDollar } from './dollars';

/** The paragraph as it is mended. */
function mended(text: string): string {
  const edit = oddDollar(text);
  if (!edit) return text;
  return (
    text.slice(0, edit.at) +
    (edit.isRemoval ? '' : '$') +
    text.slice(edit.at + (edit.isRemoval ? 1 : 0))
  );
}

/** Sound paragraphs; each `$` of each is struck out in turn. */
const SOUND = [
  'Let $\\mathcal{H}$ be a gauge.',
  'Show that ${a+b}=c$ holds and that $x$ is small.',
  'Does $a_n \\to 0$ follow from Question~1? And so does $b_n \\to 1$ too.',
  'Text and $a^2+b^2=\\sqrt{c}$ in one face.',
  'A matrix $P$ is \\emph{stochastic} if it is so.',
  'A note\\footnote{Two, with $x^2$.} marks here.',
  'Let $x$ and $y$ be in $X$, and so on we go.',
  'Since $f(x) = x^2 + 1$ is positive, $\\log f$ is defined.',
  'For all $\\varepsilon > 0$ there is $\\delta > 0$ such that the claim holds.',
  '\\begin{tabular}{cc} low & $1.20$\\\\ high & $\\pm0.01$\\end{tabular}',
  'By induction on $n$; see \\eqref{eq:a}.\n\\begin{align}\n a &= b^2 \\\\\n c &= d\n\\end{align}\nAnd $x$ so on.',
  '\\end{slide}\n\\begin{slide} $x=1$ \\end{slide}',
  '\\item If $n \\in \\mathbb{N}$ then $n^2$ is even.',
];

describe('a dollar that is missing', () => {
  const cases = SOUND.flatMap((text) =>
    [...text.matchAll(/\$/g)].map(({ index }) => ({
      text,
      typed: text.slice(0, index) + text.slice(index + 1),
    })),
  );
  it.each(cases)('is found in its place: $typed', ({ text, typed }) => {
    expect(mended(typed)).toBe(text);
  });
});

describe('a dollar too many', () => {
  it.each([
    ['One $$x$ two and so on.', 'One $x$ two and so on.'],
    ['One $x$$ two and so on.', 'One $x$ two and so on.'],
  ])('is found: %s', (typed, text) => {
    expect(mended(typed)).toBe(text);
  });
});

it('is not looked for where there are as many as there must be, or in very long paragraphs', () => {
  expect(oddDollar('Let $x$ be.')).toBeNull();
  expect(oddDollar('\\$5 and $x$')).toBeNull();
  expect(oddDollar(`$${'x '.repeat(5000)}`)).toBeNull();
});
