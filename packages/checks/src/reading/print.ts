import { isComplex, isFraction, isMatrix, type Scalar, type Value } from '../numbers/value';
import type { Expr, Range, Relation } from './expression';

/** How strongly an expression holds together: sums least, single signs most. */
const [SUM, PRODUCT, SIGNED, POWER, ATOM] = [0, 1, 2, 3, 4];

interface Printed {
  readonly tex: string;
  readonly binds: number;
}

/**
 * An expression as LaTeX, with a bracket or sign wherever writing leaves one out: products have their dot, functions
 * their brackets. It shows how something was read.
 */
export const texOf = (expr: Expr): string => print(expr).tex;

const atLeast = (expr: Expr, binds: number): string => {
  const printed = print(expr);
  return printed.binds >= binds ? printed.tex : `\\left(${printed.tex}\\right)`;
};

const atom = (tex: string): Printed => ({ tex, binds: ATOM });

function print(expr: Expr): Printed {
  switch (expr.kind) {
    case 'number':
      return number(expr.value);
    case 'constant':
      return atom(
        { pi: '\\pi', e: '\\mathrm{e}', i: '\\mathrm{i}', infinity: '\\infty' }[expr.name],
      );
    case 'name':
      return atom(nameTex(expr.name));
    case 'indexed':
      return atom(`${nameTex(expr.name)}_{${expr.index.map(texOf).join(',')}}`);
    case 'call':
      return call(expr.fn, expr.args);
    case 'apply':
      return atom(
        `${nameTex(expr.name)}${"'".repeat(expr.primes)}\\left(${expr.args.map(texOf).join(', ')}\\right)`,
      );
    case 'add':
      return { tex: expr.terms.map(addend).join(' '), binds: SUM };
    case 'multiply':
      return {
        tex: expr.factors.map((factor) => atLeast(factor, SIGNED)).join(' \\cdot '),
        binds: PRODUCT,
      };
    case 'cross':
      return {
        tex: `${atLeast(expr.left, POWER)} \\times ${atLeast(expr.right, POWER)}`,
        binds: PRODUCT,
      };
    case 'negate':
      return { tex: `-${atLeast(expr.body, PRODUCT)}`, binds: SUM };
    case 'sign':
      return {
        tex: `${expr.sign === 1 ? '\\pm' : '\\mp'} ${atLeast(expr.body, PRODUCT)}`,
        binds: SUM,
      };
    case 'divide':
      return { tex: `\\frac{${texOf(expr.top)}}{${texOf(expr.bottom)}}`, binds: SIGNED };
    case 'power':
      return { tex: `${atLeast(expr.base, ATOM)}^{${texOf(expr.exponent)}}`, binds: POWER };
    case 'transpose':
      return { tex: `${atLeast(expr.body, ATOM)}^{T}`, binds: POWER };
    case 'matrix':
      return atom(
        matrixTex(
          expr.rows.map((row) => row.map(texOf)),
          'pmatrix',
        ),
      );
    case 'cases':
      return atom(`\\begin{cases} ${expr.branches.map(branch).join(' \\\\ ')} \\end{cases}`);
    default:
      return binding(expr);
  }
}

type Binding = Extract<
  Expr,
  { kind: 'series' | 'integral' | 'limit' | 'derivative' | 'difference' | 'dots' }
>;

/** What binds a variable or goes on with dots. */
function binding(expr: Binding): Printed {
  switch (expr.kind) {
    case 'series': {
      const sign = expr.op === 'sum' ? '\\sum' : '\\prod';
      return {
        tex: `${sign}${rangeTex(expr.index, expr.over)} ${atLeast(expr.body, PRODUCT)}`,
        binds: PRODUCT,
      };
    }
    case 'integral': {
      const bounds = expr.bounds ? `_{${texOf(expr.bounds[0])}}^{${texOf(expr.bounds[1])}}` : '';
      return {
        tex: `\\int${bounds} ${atLeast(expr.body, PRODUCT)}\\,d${nameTex(expr.variable)}`,
        binds: PRODUCT,
      };
    }
    case 'limit': {
      const side = expr.side === 0 ? '' : `^{${expr.side === 1 ? '+' : '-'}}`;
      const to = `${nameTex(expr.variable)} \\to ${texOf(expr.point)}${side}`;
      return { tex: `\\lim_{${to}} ${atLeast(expr.body, PRODUCT)}`, binds: PRODUCT };
    }
    case 'derivative': {
      const order = expr.order === 1 ? '' : `^{${expr.order}}`;
      return {
        tex: `\\frac{d${order}}{d${nameTex(expr.variable)}${order}} \\left(${texOf(expr.body)}\\right)`,
        binds: PRODUCT,
      };
    }
    case 'difference': {
      const [first, last] = expr.bounds;
      const bounds = first
        ? `_{${texOf(first)}}^{${texOf(last)}}`
        : `_{${nameTex(expr.variable)} = ${texOf(last)}}`;
      return atom(`\\left[${texOf(expr.body)}\\right]${bounds}`);
    }
    case 'dots': {
      const sign = expr.op === 'sum' ? ' + ' : ' \\cdot ';
      const parts = [...expr.shown.map((part) => atLeast(part, PRODUCT)), '\\cdots'];
      const all = expr.last ? [...parts, atLeast(expr.last, PRODUCT)] : parts;
      return { tex: all.join(sign), binds: expr.op === 'sum' ? SUM : PRODUCT };
    }
  }
}

function addend(term: Expr, i: number): string {
  if (term.kind === 'negate') return `- ${atLeast(term.body, PRODUCT)}`;
  if (term.kind === 'sign') return texOf(term);
  const printed = term.kind === 'add' ? `\\left(${texOf(term)}\\right)` : print(term).tex;
  if (printed.startsWith('-')) return i ? `+ \\left(${printed}\\right)` : printed;
  return i ? `+ ${printed}` : printed;
}

const BRACKETS: Readonly<Record<string, readonly [string, string]>> = {
  abs: ['\\left|', '\\right|'],
  norm: ['\\left\\|', '\\right\\|'],
  floor: ['\\left\\lfloor ', '\\right\\rfloor'],
  ceil: ['\\left\\lceil ', '\\right\\rceil'],
  inner: ['\\left\\langle ', '\\right\\rangle'],
};
const NAMED =
  /^(sin|cos|tan|cot|sec|csc|arcsin|arccos|arctan|sinh|cosh|tanh|coth|exp|ln|log|lg|max|min|gcd|det|dim|arg)$/;
const OPERATORS: Readonly<Record<string, string>> = { re: 'Re', im: 'Im', totient: 'φ' };

function call(fn: string, args: readonly Expr[]): Printed {
  const list = args.map(texOf).join(', ');
  const [first, second] = args as [Expr, Expr | undefined];
  const bracket = BRACKETS[fn];
  if (bracket) return atom(`${bracket[0]}${list}${bracket[1]}`);
  switch (fn) {
    case 'sqrt':
      return atom(`\\sqrt{${list}}`);
    case 'root':
      return atom(`\\sqrt[${second ? texOf(second) : ''}]{${texOf(first)}}`);
    case 'factorial':
      return { tex: `${atLeast(first, ATOM)}!`, binds: POWER };
    case 'doubleFactorial':
      return { tex: `${atLeast(first, ATOM)}!!`, binds: POWER };
    case 'binomial':
      return atom(`\\binom{${texOf(first)}}{${second ? texOf(second) : ''}}`);
    case 'mod':
      return {
        tex: `${atLeast(first, POWER)} \\bmod ${second ? atLeast(second, POWER) : ''}`,
        binds: PRODUCT,
      };
    case 'conj':
      return atom(`\\overline{${list}}`);
    case 'adjoint':
      return { tex: `${atLeast(first, ATOM)}^{*}`, binds: POWER };
    case 'log':
      if (second) return atom(`\\log_{${texOf(second)}}\\left(${texOf(first)}\\right)`);
  }
  const name = NAMED.test(fn) ? `\\${fn}` : `\\operatorname{${OPERATORS[fn] ?? fn}}`;
  return atom(`${name}\\left(${list}\\right)`);
}

function rangeTex(index: string, over: Range): string {
  const name = nameTex(index);
  if (over.kind === 'between') return `_{${name} = ${texOf(over.first)}}^{${texOf(over.last)}}`;
  if (over.kind === 'divisors') return `_{${name} \\mid ${texOf(over.of)}}`;
  return `_{${name} \\in \\{${over.values.map(texOf).join(', ')}\\}}`;
}

function branch({
  value,
  when,
}: {
  readonly value: Expr;
  readonly when: readonly Relation[] | null;
}): string {
  if (!when) return `${texOf(value)} & \\text{otherwise}`;
  const conditions = when.map(
    ({ left, sign, right }) => `${texOf(left)} ${signTex(sign)} ${texOf(right)}`,
  );
  return `${texOf(value)} & ${conditions.join(', ')}`;
}

const SIGN_NAMES: Readonly<Record<string, string>> = {
  '≠': '\\ne',
  '≤': '\\le',
  '≥': '\\ge',
  '≡': '\\equiv',
  '≢': '\\not\\equiv',
  '∣': '\\mid',
  '∤': '\\nmid',
  '≈': '\\approx',
  '∈': '\\in',
};

/** The command for a relation's sign. */
export const signTex = (sign: string): string => SIGN_NAMES[sign] ?? sign;

const GREEK: Readonly<Record<string, string>> = {
  α: 'alpha',
  β: 'beta',
  γ: 'gamma',
  δ: 'delta',
  ϵ: 'epsilon',
  ε: 'varepsilon',
  ζ: 'zeta',
  η: 'eta',
  θ: 'theta',
  ϑ: 'vartheta',
  ι: 'iota',
  κ: 'kappa',
  λ: 'lambda',
  μ: 'mu',
  ν: 'nu',
  ξ: 'xi',
  π: 'pi',
  ρ: 'rho',
  σ: 'sigma',
  τ: 'tau',
  υ: 'upsilon',
  ϕ: 'phi',
  φ: 'varphi',
  χ: 'chi',
  ψ: 'psi',
  ω: 'omega',
  Γ: 'Gamma',
  Δ: 'Delta',
  Θ: 'Theta',
  Λ: 'Lambda',
  Ξ: 'Xi',
  Π: 'Pi',
  Σ: 'Sigma',
  Φ: 'Phi',
  Ψ: 'Psi',
  Ω: 'Omega',
  ℓ: 'ell',
};

/** A name as it is typed: `v_max` with its index in upright letters, bold letters by their command. */
export function nameTex(name: string): string {
  const [letter = '', ...rest] = name.split('_');
  const index = rest.length ? `_{\\text{${rest.join('_')}}}` : '';
  return `${letterTex(letter)}${index}`;
}

function letterTex(letter: string): string {
  const [first = '', ...marks] = [...letter];
  const greek = GREEK[first];
  const plain = first.normalize('NFKC');
  const base = greek
    ? `\\${greek} `
    : plain !== first && /^[A-Za-z]$/.test(plain)
      ? `\\mathbf{${plain}}`
      : first;
  return marks.reduce((tex, mark) => {
    if (mark === '′') return `${tex}'`;
    if (mark === '\u20d7' || mark === '→') return `\\vec{${tex}}`;
    return mark === '¯' || mark === '\u0304'
      ? `\\bar{${tex}}`
      : /^[a-zA-Z]$/.test(mark)
        ? `${tex}${mark}`
        : tex;
  }, base);
}

function number(value: Scalar): Printed {
  const tex = scalarTex(value);
  return { tex, binds: tex.startsWith('-') ? SUM : /^\\frac/.test(tex) ? SIGNED : ATOM };
}

/** A number as LaTeX: fractions as fractions, rounded ones to seven places. */
export function scalarTex(value: Scalar): string {
  if (typeof value === 'bigint') return String(value);
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) return value > 0 ? '\\infty' : '-\\infty';
    const [digits = '', exponent] = String(Number(value.toPrecision(7))).split('e');
    return exponent ? `${digits} \\cdot 10^{${Number(exponent)}}` : digits;
  }
  if (isFraction(value)) return `${value.s < 0n ? '-' : ''}\\frac{${value.n}}{${value.d}}`;
  return isComplex(value) ? complexTex(value) : '';
}

function complexTex({ re, im }: { readonly re: number; readonly im: number }): string {
  const size = Math.abs(im) === 1 ? '' : scalarTex(Math.abs(im));
  if (Math.abs(re) < 1e-12) return `${im < 0 ? '-' : ''}${size}i`;
  return Math.abs(im) < 1e-12 ? scalarTex(re) : `${scalarTex(re)} ${im < 0 ? '-' : '+'} ${size}i`;
}

/** Rows of entries within an environment for matrices. */
export const matrixTex = (rows: readonly (readonly string[])[], environment: string): string =>
  `\\begin{${environment}} ${rows.map((row) => row.join(' & ')).join(' \\\\ ')} \\end{${environment}}`;

/** Any value as LaTeX. */
export const valueTex = (value: Value, environment = 'pmatrix'): string =>
  isMatrix(value)
    ? matrixTex(
        value.rows.map((row) => row.map(scalarTex)),
        environment,
      )
    : scalarTex(value);
