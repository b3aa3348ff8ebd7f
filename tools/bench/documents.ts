import { numbers } from '../../packages/engine/src/testing/random';

/** Words for the generated documents, in the manner of the demo. */
const WORDS =
  'the ferry leaves harbour before high water and returns by lamplight while gauge readings at pier show that a tide of this kind rises faster than any chart would suggest so we count crossings once more and compare'.split(
    ' ',
  );

/** Formulas of the kinds that coursework holds; `n` makes each one different. */
const FORMULAS: readonly ((n: number) => string)[] = [
  (n) => `x_{${n}} + y_{${n % 7}}^2 = z`,
  (n) => `\\sum_{i=1}^{${n}} a_i b_i`,
  (n) => `\\frac{${n}}{1 + x^2}`,
  (n) => `f(x_${n % 10}) \\le \\alpha + \\beta`,
  (n) => `\\sqrt{${n} + t}`,
  (n) => `\\int_0^{${n}} e^{-t^2}\\,dt`,
  () => `\\mathbb{R}^n \\setminus \\{0\\}`,
  (n) => `\\lim_{k \\to \\infty} p_k^{(${n})}`,
];
const DISPLAYS: readonly ((n: number) => string)[] = [
  (n) => `P_{${n}} = \\begin{pmatrix} 1/2 & a & b \\\\ 0 & ${n} & c \\\\ x & y & z \\end{pmatrix}`,
  (n) =>
    `\\left( \\sum_{k=0}^{${n}} \\frac{x^k}{k!} \\right)^2 = \\int_0^1 \\frac{g(t)}{1 + t^{${n}}} \\, dt`,
  (n) =>
    `\\max_{i \\le ${n}} \\left| \\frac{\\partial f}{\\partial x_i} \\right| \\le \\sqrt[3]{\\pi^2 + ${n}}`,
];

export interface GeneratedDocument {
  readonly text: string;
  /** Every formula, and whether it is displayed. */
  readonly formulas: readonly { readonly source: string; readonly display: boolean }[];
}

/** A mathematical document of about that many pages: text dense with formulas, numbered displays, headings, theorems. */
export function mathematicalDocument(pages: number): GeneratedDocument {
  const random = numbers(pages);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const formulas: { source: string; display: boolean }[] = [];
  const inline = (): string => {
    const source = pick(FORMULAS)(Math.floor(random() * 100));
    formulas.push({ source, display: false });
    return `$${source}$`;
  };
  const sentence = (): string => {
    const words = Array.from({ length: 10 + Math.floor(random() * 8) }, () => pick(WORDS));
    words.splice(3, 0, inline());
    words.splice(9, 0, inline());
    return `${words.join(' ')}.`.replace(/^./, (c) => c.toUpperCase());
  };
  const paragraph = (): string => Array.from({ length: 4 }, sentence).join('\n');
  const display = (): string => {
    const source = pick(DISPLAYS)(Math.floor(random() * 50));
    formulas.push({ source, display: true });
    return `\\begin{equation}\n  ${source}\n\\end{equation}`;
  };
  const out: string[] = [];
  for (let page = 0; page < pages; page++) {
    if (page % 3 === 0) out.push(`\\section{${pick(WORDS)} ${pick(WORDS)} ${page}}`);
    out.push(`${paragraph()}\n${display()}\nand so on.`, paragraph());
    out.push(
      `\\begin{theorem}\n${sentence()}\n\\end{theorem}`,
      `\\begin{proof}\n${sentence()}\n\\end{proof}`,
    );
    out.push(`${paragraph()}\n${display()}`, paragraph());
  }
  const text = `\\documentclass{article}\n\\usepackage{amsmath,amssymb,amsthm}\n\\newtheorem{theorem}{Theorem}[section]\n\\begin{document}\n\n${out.join('\n\n')}\n\n\\end{document}\n`;
  return { text, formulas };
}
