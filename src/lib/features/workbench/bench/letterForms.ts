/** A letter can be written in other forms: those of capitals, of small letters, and of Greek ones. */
const CAPITALS = ['', 'mathbf', 'mathbb', 'mathcal', 'mathfrak', 'mathrm', 'mathsf'];
const SMALL = ['', 'mathbf', 'vec', 'hat', 'bar', 'tilde', 'dot', 'mathrm', 'mathfrak'];

/** Greek letters with a second form, and small ones with their capitals. */
const GREEK: readonly (readonly string[])[] = [
  ['epsilon', 'varepsilon'],
  ['theta', 'vartheta', 'Theta'],
  ['phi', 'varphi', 'Phi'],
  ['rho', 'varrho'],
  ['sigma', 'varsigma', 'Sigma'],
  ['kappa', 'varkappa'],
  ['pi', 'varpi', 'Pi'],
  ['gamma', 'Gamma'],
  ['delta', 'Delta'],
  ['lambda', 'Lambda'],
  ['xi', 'Xi'],
  ['upsilon', 'Upsilon'],
  ['psi', 'Psi'],
  ['omega', 'Omega'],
];

/** The package that a form needs; '' for none. */
const PACKAGES: Readonly<Record<string, string>> = {
  mathbb: 'amssymb',
  mathfrak: 'amssymb',
  varkappa: 'amssymb',
};

/** A letter in a formula in its next form. */
export interface NextForm {
  readonly from: number;
  readonly to: number;
  readonly insert: string;
  readonly package: string;
}

const FORMED =
  /\\(mathbf|mathbb|mathcal|mathfrak|mathrm|mathsf|vec|hat|bar|tilde|dot)\{([A-Za-z])\}/g;

/** The letter at a place, or right before it, in its next form; null when there is none. */
export function nextForm(text: string, at: number): NextForm | null {
  for (const found of text.matchAll(FORMED)) {
    const [whole, form = '', letter = ''] = found;
    if (at >= found.index && at <= found.index + whole.length)
      return latin(letter, form, found.index, found.index + whole.length);
  }
  for (const found of text.matchAll(/\\([A-Za-z]+)/g)) {
    const to = found.index + found[0].length;
    if (at < found.index || at > to) continue;
    const name = found[1] ?? '';
    const row = GREEK.find((names) => names.includes(name));
    if (!row) return null;
    const insert = row[(row.indexOf(name) + 1) % row.length] ?? name;
    return { from: found.index, to, insert: `\\${insert}`, package: PACKAGES[insert] ?? '' };
  }
  for (const place of [at, at - 1]) {
    const letter = text[place] ?? '';
    if (/[A-Za-z]/.test(letter)) return latin(letter, '', place, place + 1);
  }
  return null;
}

function latin(letter: string, form: string, from: number, to: number): NextForm {
  const forms = /[A-Z]/.test(letter) ? CAPITALS : SMALL;
  const next = forms[(forms.indexOf(form) + 1) % forms.length] ?? '';
  const insert = next === '' ? letter : `\\${next}{${letter}}`;
  return { from, to, insert, package: PACKAGES[next] ?? '' };
}
