/** What the tables of the package `katex` know, as formulas that use each command and environment once. */
interface Spec {
  readonly numArgs?: number;
  readonly argTypes?: readonly (string | null)[];
}

/** A module of that package's source, by its name. */
export type LoadTable = (name: string) => Promise<Record<string, unknown>>;

/** Commands that concern a web page or that library alone, with the reason. */
export const WEB_ONLY: Readonly<Record<string, string>> = {
  '\\htmlClass': 'names a style class of a web page',
  '\\htmlId': 'names an element of a web page',
  '\\htmlStyle': 'gives a style of a web page',
  '\\htmlData': 'gives data to an element of a web page',
  '\\html@mathml': 'chooses between two forms of a web page',
  '\\KaTeX': 'is the name of that library',
  '\\show': 'prints to the console of that library',
  '\\message': 'prints to the console',
  '\\errmessage': 'prints to the console',
};

/** Colours of a web palette, each a command there. */
const PALETTE =
  /^\\(blue|teal|green|gold|red|maroon|purple|mint|pink|gray|kaBlue|kaGreen|orange)[A-I]?$/;

/** How to use a command that is more than a name with arguments in braces. */
const FORMS: Readonly<Record<string, string>> = {
  '\\left': '\\left( x \\right)',
  '\\right': '\\left( x \\right)',
  '\\middle': '\\left( x \\middle| y \\right)',
  '\\above': '{a \\above 1pt b}',
  '\\\\above': '',
  '\\over': '{a \\over b}',
  '\\choose': '{a \\choose b}',
  '\\atop': '{a \\atop b}',
  '\\brace': '{a \\brace b}',
  '\\brack': '{a \\brack b}',
  '\\limits': '\\sum\\limits_a',
  '\\nolimits': '\\sum\\nolimits_a',
  '\\genfrac': '\\genfrac{(}{)}{1pt}{0}{a}{b}',
  '\\abovefrac': '\\genfrac{(}{)}{1pt}{0}{a}{b}',
  '\\sqrt': '\\sqrt[3]{x}',
  '\\c': '\\mbox{\\c{c}}',
  '\\.': '\\.{z}',
  '\\"': '\\"{a}',
  '\\dddot': '\\dddot{x}',
  '\\ddddot': '\\ddddot{x}',
  '\\bra': '\\bra{x}',
  '\\ket': '\\ket{x}',
  '\\braket': '\\braket{x}',
  '\\Bra': '\\Bra{x}',
  '\\Ket': '\\Ket{x}',
  '\\Braket': '\\Braket{x|y}',
  '\\set': '\\set{x|y}',
  '\\Set': '\\Set{x|y}',
  '\\rule': '\\rule{1em}{1em}',
  '\\raisebox': '\\raisebox{1pt}{x}',
  '\\kern': '\\kern 1pt',
  '\\mkern': '\\mkern 1mu',
  '\\hskip': '\\hskip 1pt',
  '\\mskip': '\\mskip 1mu',
  '\\hspace': '\\hspace{1pt}',
  '\\hspace*': '\\hspace*{1pt}',
  '\\color': '{\\color{red} x}',
  '\\textcolor': '\\textcolor{red}{x}',
  '\\colorbox': '\\colorbox{yellow}{x}',
  '\\fcolorbox': '\\fcolorbox{red}{yellow}{x}',
  '\\href': '\\href{https://example.org/a}{x}',
  '\\url': '\\url{https://example.org/a}',
  '\\includegraphics': '',
  '\\verb': '\\mbox{\\verb|a|}',
  '\\begin': '\\begin{matrix} a \\end{matrix}',
  '\\end': '\\begin{matrix} a \\end{matrix}',
  '\\hline': '\\begin{array}{c} a \\\\ \\hline b \\end{array}',
  '\\hdashline': '\\begin{array}{c} a \\\\ \\hdashline b \\end{array}',
  '\\cr': '\\begin{matrix} a \\cr b \\end{matrix}',
  '\\\\': '\\begin{matrix} a \\\\ b \\end{matrix}',
  '\\newline': 'x',
  '\\tag': '',
  '\\notag': '',
  '\\nonumber': '',
  '\\char': '\\char 65 ',
  '\\operatorname': '\\operatorname{a}',
  '\\operatorname*': '\\operatorname*{a}',
  '\\operatornamewithlimits': '\\operatornamewithlimits{a}',
  '\\mathchoice': '\\mathchoice{a}{b}{c}{d}',
  '\\def': '\\def\\a{x}\\a',
  '\\gdef': '\\gdef\\a{x}\\a',
  '\\edef': '\\edef\\a{x}\\a',
  '\\xdef': '\\xdef\\a{x}\\a',
  '\\let': '\\let\\a=x\\a',
  '\\futurelet': '\\futurelet\\a\\relax x',
  '\\global': '\\global\\def\\a{x}\\a',
  '\\long': '\\long\\def\\a{x}\\a',
  '\\newcommand': '\\newcommand{\\zza}{x}\\zza',
  '\\renewcommand': '\\renewcommand{\\a}{x}\\a',
  '\\providecommand': '\\providecommand{\\zzb}{x}\\zzb',
  '\\expandafter': '\\expandafter x',
  '\\noexpand': '\\noexpand x',
  '\\bgroup': '\\bgroup x\\egroup',
  '\\begingroup': '\\begingroup x\\endgroup',
  '\\egroup': '\\bgroup x\\egroup',
  '\\endgroup': '\\begingroup x\\endgroup',
  '\\(': '\\mbox{\\(x\\)}',
  '\\)': '\\mbox{\\(x\\)}',
  '\\[': 'x',
  '\\]': 'x',
  '\\sideset': '\\sideset{_a}{^b}\\sum',
  '\\tmspace': '\\tmspace+{3mu}{.1667em}',
  '\\@firstoftwo': 'x',
  '\\cfrac': '\\cfrac{a}{b}',
  '\\overbracket': '\\overbracket{x}',
  '\\underbracket': '\\underbracket{x}',
  '\\vcenter': '\\vcenter{\\hbox{x}}',
  '\\hbox': '\\hbox{x}',
  '\\mathop': '\\mathop{x}',
  '\\TextOrMath': '\\TextOrMath{x}{y}',
  '\\not': '\\not=',
  '\\pmb': '\\pmb{x}',
  '\\relax': '\\relax x',
  '\\nobreak': 'a\\nobreak b',
  '\\allowbreak': 'a\\allowbreak b',
  '\\displaylimits': '\\sum\\displaylimits_a',
};

const ENVIRONMENTS: Readonly<Record<string, string>> = {
  array: '{cc}',
  darray: '{cc}',
  subarray: '{c}',
  alignat: '{2}',
  alignedat: '{2}',
  'alignat*': '{2}',
};
const DISPLAYED = new Set([
  'align',
  'align*',
  'gather',
  'gather*',
  'equation',
  'equation*',
  'alignat',
  'alignat*',
]);

export interface KnownFormula {
  readonly name: string;
  /** Source of a paragraph or display. */
  readonly source: string;
}

/** How many arguments a macro of the table takes, by what its body names. */
const argumentsOf = (macro: unknown): number =>
  typeof macro === 'string'
    ? Math.max(0, ...[...macro.matchAll(/#(\d)/g)].map((m) => Number(m[1])))
    : 0;

const isInternal = (name: string): boolean => /@/.test(name) || !name.startsWith('\\');

/** Every command and environment that is there for a page, each used once. */
export async function knownFormulas(load: LoadTable): Promise<{
  formulas: KnownFormula[];
  left: string[];
}> {
  const symbols = (await load('symbols')).default as { math: Record<string, unknown> };
  await load('functions');
  const specs = (await load('defineFunction'))._functions as Record<string, Spec>;
  const macros = (await load('macros')).default as Record<string, unknown>;
  const environments = (await load('environments')).default as Record<string, unknown>;
  const names = new Set([
    ...Object.keys(symbols.math),
    ...Object.keys(specs),
    ...Object.keys(macros),
  ]);
  const formulas: KnownFormula[] = [];
  const left: string[] = [];
  for (const name of names) {
    if (isInternal(name)) continue;
    if (name in WEB_ONLY || PALETTE.test(name)) {
      left.push(name);
      continue;
    }
    const form = FORMS[name];
    const args = '{x}'.repeat(specs[name]?.numArgs ?? argumentsOf(macros[name]));
    const delimiter = /^\\[bB]igg?[lrm]?$/.test(name);
    const source = form ?? (delimiter ? `${name}(` : `${name}${args === '' ? ' ' : args}`);
    if (source !== '') formulas.push({ name, source: `$ ${source} $` });
  }
  for (const name of Object.keys(environments)) {
    const body = name.startsWith('equation')
      ? 'a'
      : name === 'CD'
        ? 'A @>f>> B'
        : 'a & b \\\\ c & d';
    const cells = /gather|subarray|multline/.test(name) ? 'a \\\\ b' : body;
    const inner = `\\begin{${name}}${ENVIRONMENTS[name] ?? ''} ${cells} \\end{${name}}`;
    formulas.push({ name, source: DISPLAYED.has(name) ? inner : `\\[ ${inner} \\]` });
  }
  return { formulas, left };
}
