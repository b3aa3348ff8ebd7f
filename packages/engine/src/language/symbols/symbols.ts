// A data table: every symbol command with its character, by class.
import type { MathClass } from '../../document/math';

export interface SymbolEntry {
  readonly name: string;
  readonly char: string;
  readonly cls: MathClass;
  readonly package?: string;
}

/** `name char` pairs, blank-separated. */
type Table = string;

const GREEK: Table = `
alpha α beta β gamma γ delta δ epsilon ϵ varepsilon ε zeta ζ eta η theta θ vartheta ϑ iota ι kappa κ
lambda λ mu μ nu ν xi ξ omicron ο pi π varpi ϖ rho ρ varrho ϱ sigma σ varsigma ς tau τ upsilon υ phi ϕ
varphi φ chi χ psi ψ omega ω Gamma Γ Delta Δ Theta Θ Lambda Λ Xi Ξ Pi Π Sigma Σ Upsilon Υ Phi Φ Psi Ψ
Omega Ω partial ∂`;

const ORDINARY: Table = `
infty ∞ emptyset ∅ forall ∀ exists ∃ nabla ∇ hbar ℏ ell ℓ wp ℘ Re ℜ Im ℑ aleph ℵ prime ′ angle ∠
triangle △ surd √ top ⊤ bot ⊥ neg ¬ lnot ¬ flat ♭ natural ♮ sharp ♯ clubsuit ♣ diamondsuit ♢
heartsuit ♡ spadesuit ♠ imath 𝚤 jmath 𝚥 cdotp · ldotp . backslash \\ vert | Vert ‖ dag † ddag ‡ S § P ¶
copyright © pounds £ mathsterling £ mathdollar $ mathparagraph ¶ mathsection § degree °`;
const ORDINARY_AMS: Table = `
varnothing ∅︂ nexists ∄ complement ∁ beth ℶ gimel ℷ daleth ℸ mho ℧ eth ð hslash ℏ square □ Box □
blacksquare ■ lozenge ◊ blacklozenge ⧫ bigstar ★ measuredangle ∡ sphericalangle ∢ backprime ‵ Bbbk 𝕜
circledS Ⓢ Finv Ⅎ Game ⅁ diagup ╱ diagdown ╲ blacktriangle ▲ blacktriangledown ▼ triangledown ▽
checkmark ✓ maltese ✠ circledR ® yen ¥ Diamond ◊ digamma ϝ varkappa ϰ`;

const OPERATORS_BINARY: Table = `
pm ± mp ∓ times × div ÷ ast ∗ star ⋆ circ ∘ bullet ∙ cdot ⋅ cap ∩ cup ∪ uplus ⊎ sqcap ⊓ sqcup ⊔ vee ∨
lor ∨ wedge ∧ land ∧ setminus ∖ wr ≀ diamond ⋄ bigtriangleup △ bigtriangledown ▽ triangleleft ◁
triangleright ▷ oplus ⊕ ominus ⊖ otimes ⊗ oslash ⊘ odot ⊙ bigcirc ◯ dagger † ddagger ‡ amalg ⨿`;
const BINARY_AMS: Table = `
ltimes ⋉ rtimes ⋊ leftthreetimes ⋋ rightthreetimes ⋌ smallsetminus ∖ dotplus ∔ barwedge ⌅
doublebarwedge ⌆ veebar ⊻ curlywedge ⋏ curlyvee ⋎ boxminus ⊟ boxtimes ⊠ boxdot ⊡ boxplus ⊞
divideontimes ⋇ circleddash ⊝ circledast ⊛ circledcirc ⊚ centerdot ⋅ intercal ⊺ Cap ⋒ Cup ⋓ lhd ⊲ rhd ⊳
unlhd ⊴ unrhd ⊵ lessdot ⋖ gtrdot ⋗ doublecap ⋒ doublecup ⋓ And &`;

const RELATIONS: Table = `
leq ≤ le ≤ geq ≥ ge ≥ equiv ≡ models ⊨ prec ≺ succ ≻ sim ∼ perp ⟂ preceq ⪯ succeq ⪰ simeq ≃ mid ∣ ll ≪
gg ≫ asymp ≍ parallel ∥ subset ⊂ supset ⊃ approx ≈ bowtie ⋈ subseteq ⊆ supseteq ⊇ cong ≅ sqsubseteq ⊑
sqsupseteq ⊒ neq ≠ ne ≠ smile ⌣ frown ⌢ doteq ≐ in ∈ ni ∋ owns ∋ propto ∝ vdash ⊢ dashv ⊣ notin ∉`;
const RELATIONS_AMS: Table = `
leqq ≦ geqq ≧ leqslant ⩽ geqslant ⩾ lesssim ≲ gtrsim ≳ lessapprox ⪅ gtrapprox ⪆ approxeq ≊ lll ⋘ ggg ⋙
lessgtr ≶ gtrless ≷ lesseqgtr ⋚ gtreqless ⋛ lesseqqgtr ⪋ gtreqqless ⪌ doteqdot ≑ Doteq ≑ fallingdotseq ≒
risingdotseq ≓ circeq ≗ eqcirc ≖ triangleq ≜ thicksim ∼ thickapprox ≈ backsim ∽ backsimeq ⋍ subseteqq ⫅
supseteqq ⫆ Subset ⋐ Supset ⋑ sqsubset ⊏ sqsupset ⊐ preccurlyeq ≼ succcurlyeq ≽ curlyeqprec ⋞
curlyeqsucc ⋟ precsim ≾ succsim ≿ precapprox ⪷ succapprox ⪸ trianglelefteq ⊴ trianglerighteq ⊵
vartriangleleft ⊲ vartriangleright ⊳ vartriangle △ blacktriangleleft ◀ blacktriangleright ▶ vDash ⊨
Vdash ⊩ Vvdash ⊪ smallsmile ⌣ smallfrown ⌢ shortmid ∣ shortparallel ∥ bumpeq ≏ Bumpeq ≎ between ≬
pitchfork ⋔ varpropto ∝ therefore ∴ because ∵ backepsilon ∍ lneq ⪇ gneq ⪈ lneqq ≨ gneqq ≩ lnsim ⋦
gnsim ⋧ nless ≮ ngtr ≯ nleq ≰ ngeq ≱ nsim ≁ ncong ≇ nmid ∤ nparallel ∦ nprec ⊀ nsucc ⊁ npreceq ⋠
nsucceq ⋡ nsubseteq ⊈ nsupseteq ⊉ subsetneq ⊊ supsetneq ⊋ subsetneqq ⫋ supsetneqq ⫌ ntriangleleft ⋪
ntriangleright ⋫ ntrianglelefteq ⋬ ntrianglerighteq ⋭ nvdash ⊬ nvDash ⊭ nVdash ⊮ nVDash ⊯ eqsim ≂
precnsim ⋨ succnsim ⋩ Join ⋈ eqslantless ⪕ eqslantgtr ⪖ llless ⋘ gggtr ⋙ lnapprox ⪉ gnapprox ⪊
precnapprox ⪹ succnapprox ⪺ precneqq ⪵ succneqq ⪶ lvertneqq \ue00c gvertneqq \ue00d nleqslant \ue010
ngeqslant \ue00f nleqq \ue011 ngeqq \ue00e nshortmid \ue006 nshortparallel \ue007 nsubseteqq \ue016
nsupseteqq \ue018 varsubsetneq \ue01a varsupsetneq \ue01b varsubsetneqq \ue017 varsupsetneqq \ue019`;
const RELATIONS_TOOLS: Table = `coloneqq ≔ eqqcolon ≕ dblcolon ∷ vcentcolon ∶`;

const ARROWS: Table = `
leftarrow ← gets ← Leftarrow ⇐ rightarrow → to → Rightarrow ⇒ leftrightarrow ↔ Leftrightarrow ⇔
mapsto ↦ hookleftarrow ↩ leftharpoonup ↼ leftharpoondown ↽ rightleftharpoons ⇌ longleftarrow ⟵
Longleftarrow ⟸ longrightarrow ⟶ Longrightarrow ⟹ longleftrightarrow ⟷ Longleftrightarrow ⟺
longmapsto ⟼ hookrightarrow ↪ rightharpoonup ⇀ rightharpoondown ⇁ uparrow ↑ Uparrow ⇑ downarrow ↓
Downarrow ⇓ updownarrow ↕ Updownarrow ⇕ nearrow ↗ searrow ↘ swarrow ↙ nwarrow ↖`;
const ARROWS_AMS: Table = `
dashrightarrow ⇢ dashleftarrow ⇠ leftleftarrows ⇇ rightrightarrows ⇉ leftrightarrows ⇆ rightleftarrows ⇄
Lleftarrow ⇚ Rrightarrow ⇛ twoheadleftarrow ↞ twoheadrightarrow ↠ leftarrowtail ↢ rightarrowtail ↣
looparrowleft ↫ looparrowright ↬ leftrightharpoons ⇋ curvearrowleft ↶ curvearrowright ↷
circlearrowleft ↺ circlearrowright ↻ Lsh ↰ Rsh ↱ upuparrows ⇈ downdownarrows ⇊ upharpoonleft ↿
upharpoonright ↾ restriction ↾ downharpoonleft ⇃ downharpoonright ⇂ rightsquigarrow ⇝ leadsto ⇝
leftrightsquigarrow ↭ nleftarrow ↚ nrightarrow ↛ nLeftarrow ⇍ nRightarrow ⇏ nleftrightarrow ↮
nLeftrightarrow ⇎ multimap ⊸`;

const OPENING: Table = `lbrace { langle ⟨ lfloor ⌊ lceil ⌈ lvert | lVert ‖ lbrack [ lgroup ⟮ lmoustache ⎰`;
const CLOSING: Table = `rbrace } rangle ⟩ rfloor ⌋ rceil ⌉ rvert | rVert ‖ rbrack ] rgroup ⟯ rmoustache ⎱`;
const CORNERS: Table = `ulcorner ⌜ urcorner ⌝ llcorner ⌞ lrcorner ⌟`;
const PUNCTUATION: Table = `colon :`;

function read(table: Table, cls: MathClass, pkg?: string): SymbolEntry[] {
  const words = table.trim().split(/\s+/);
  const out: SymbolEntry[] = [];
  for (let i = 0; i + 1 < words.length; i += 2) {
    const entry = { name: words[i] as string, char: words[i + 1] as string, cls };
    out.push(pkg ? { ...entry, package: pkg } : entry);
  }
  return out;
}

/** Symbols of the kernel. */
export const KERNEL_SYMBOLS: readonly SymbolEntry[] = [
  ...read(GREEK, 'ord'),
  ...read(ORDINARY, 'ord'),
  ...read(OPERATORS_BINARY, 'bin'),
  ...read(RELATIONS, 'rel'),
  ...read(ARROWS, 'rel'),
  ...read(OPENING, 'open'),
  ...read(CLOSING, 'close'),
  ...read(PUNCTUATION, 'punct'),
];

/** Symbols that amssymb adds. */
export const AMS_SYMBOLS: readonly SymbolEntry[] = [
  ...read(ORDINARY_AMS, 'ord', 'amssymb'),
  ...read(BINARY_AMS, 'bin', 'amssymb'),
  ...read(RELATIONS_AMS, 'rel', 'amssymb'),
  ...read(ARROWS_AMS, 'rel', 'amssymb'),
  ...read(CORNERS, 'open', 'amssymb'),
];

export const TOOLS_SYMBOLS: readonly SymbolEntry[] = [
  ...read(RELATIONS_TOOLS, 'rel', 'mathtools'),
  ...read('lparen (', 'open', 'mathtools'),
  ...read('rparen )', 'close', 'mathtools'),
  ...read('ordinarycolon :', 'ord', 'mathtools'),
];

/** Symbols of the package stmaryrd that the fonts have. */
export const MARYRD_SYMBOLS: readonly SymbolEntry[] = [
  ...read('llbracket ⟦', 'open', 'stmaryrd'),
  ...read('rrbracket ⟧', 'close', 'stmaryrd'),
  ...read('mapsfrom ↤ longmapsfrom ⟻ Mapsto ⤇ Mapsfrom ⤆', 'rel', 'stmaryrd'),
  ...read('shortrightarrow → shortleftarrow ← shortuparrow ↑ shortdownarrow ↓', 'rel', 'stmaryrd'),
  ...read('Longmapsto ⟾ Longmapsfrom ⟽ nnearrow ⤴', 'rel', 'stmaryrd'),
  ...read('trianglelefteqslant ⊴ trianglerighteqslant ⊵', 'rel', 'stmaryrd'),
  ...read('ntrianglelefteqslant ⋬ ntrianglerighteqslant ⋭', 'rel', 'stmaryrd'),
  ...read(
    'minuso ⊖ varoplus ⊕ varominus ⊖ varotimes ⊗ varodot ⊙ vartimes × varbigcirc ◯',
    'bin',
    'stmaryrd',
  ),
  ...read('ovee ⊻ owedge ⊼ merge ⋈ boxempty □ binampersand &', 'bin', 'stmaryrd'),
  ...read('llfloor ⌊ llceil ⌈', 'open', 'stmaryrd'),
  ...read('rrfloor ⌋ rrceil ⌉', 'close', 'stmaryrd'),
];

/** Upright small Greek letters (package upgreek). */
export const UPRIGHT_GREEK: readonly (readonly [string, string])[] = read(GREEK, 'ord')
  .filter(({ char }) => /^[α-ωϑϕϖϱ]$/u.test(char))
  .map(({ name, char }) => [`up${name}`, char] as const);

/** Large operators, with their characters. */
export const LARGE_OPERATORS: readonly (readonly [string, string])[] = [
  ['sum', '∑'],
  ['prod', '∏'],
  ['coprod', '∐'],
  ['int', '∫'],
  ['iint', '∬'],
  ['iiint', '∭'],
  ['oint', '∮'],
  ['bigcap', '⋂'],
  ['bigcup', '⋃'],
  ['bigsqcup', '⨆'],
  ['bigvee', '⋁'],
  ['bigwedge', '⋀'],
  ['bigodot', '⨀'],
  ['bigotimes', '⨂'],
  ['bigoplus', '⨁'],
  ['biguplus', '⨄'],
];

/** Integrals that take limits in displays, of which the others are made (LaTeX kernel). */
export const LIMIT_INTEGRALS: readonly (readonly [string, string])[] = [
  ['intop', '∫'],
  ['ointop', '∮'],
];

/** Integrals that are rare: amsmath's iterated ones, and those of esint. */
export const AMS_OPERATORS: readonly (readonly [string, string])[] = [['iiiint', '⨌']];
export const CONTOUR_OPERATORS: readonly (readonly [string, string])[] = [
  ['oiint', '∯'],
  ['oiiint', '∰'],
  ['ointctrclockwise', '∳'],
  ['ointclockwise', '∲'],
  ['varointclockwise', '∲'],
  ['fint', '⨏'],
  ['sqint', '⨖'],
];

/** Named functions; those listed second take limits in displays. */
export const FUNCTIONS =
  'arccos arcsin arctan arg cos cosh cot coth csc deg dim exp hom ker lg ln log sec sin sinh tan tanh'.split(
    ' ',
  );
export const LIMIT_FUNCTIONS: readonly (readonly [string, string])[] = [
  ['det', 'det'],
  ['gcd', 'gcd'],
  ['inf', 'inf'],
  ['lim', 'lim'],
  ['liminf', 'lim inf'],
  ['limsup', 'lim sup'],
  ['max', 'max'],
  ['min', 'min'],
  ['Pr', 'Pr'],
  ['sup', 'sup'],
];

/** Characters of a formula that stand for themselves: what is drawn, and its class (plain TeX's math codes). */
export const CHARACTERS: Readonly<Record<string, readonly [string, MathClass]>> = {
  '+': ['+', 'bin'],
  '-': ['−', 'bin'],
  '*': ['∗', 'bin'],
  '=': ['=', 'rel'],
  '<': ['<', 'rel'],
  '>': ['>', 'rel'],
  ':': [':', 'rel'],
  ',': [',', 'punct'],
  ';': [';', 'punct'],
  '(': ['(', 'open'],
  '[': ['[', 'open'],
  ')': [')', 'close'],
  ']': [']', 'close'],
  '!': ['!', 'close'],
  '?': ['?', 'close'],
  '|': ['|', 'ord'],
  '/': ['/', 'ord'],
  '.': ['.', 'ord'],
};

/** The class of each symbol by its command. */
export const CLASS_OF_COMMAND: ReadonlyMap<string, MathClass> = new Map([
  ...[...KERNEL_SYMBOLS, ...AMS_SYMBOLS, ...TOOLS_SYMBOLS].map(
    ({ name, cls }) => [name, cls] as const,
  ),
  ...LARGE_OPERATORS.map(([name]) => [name, 'op'] as const),
]);

/** The class of a character typed or pasted directly, by what its command would give. */
export const CHARACTER_CLASSES: ReadonlyMap<string, MathClass> = new Map(
  [...AMS_SYMBOLS, ...TOOLS_SYMBOLS, ...KERNEL_SYMBOLS].map(({ char, cls }) => [char, cls]),
);
export const OPERATOR_CHARACTERS: ReadonlySet<string> = new Set(
  [...LARGE_OPERATORS, ...AMS_OPERATORS, ...CONTOUR_OPERATORS].map(([, char]) => char),
);

/** Struck-through forms that have a character of their own. */
export const NEGATED: Readonly<Record<string, string>> = {
  '=': '≠',
  '∈': '∉',
  '∋': '∌',
  '≡': '≢',
  '∼': '≁',
  '≃': '≄',
  '≅': '≇',
  '≈': '≉',
  '<': '≮',
  '>': '≯',
  '≤': '≰',
  '≥': '≱',
  '⊂': '⊄',
  '⊃': '⊅',
  '⊆': '⊈',
  '⊇': '⊉',
  '∣': '∤',
  '∥': '∦',
  '∃': '∄',
  '⊢': '⊬',
  '⊨': '⊭',
};
