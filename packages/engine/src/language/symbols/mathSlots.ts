/**
 * Data table: the signs of the old mathematics fonts by their places in them, for declarations that
 * name font and place (The TeXbook, appendix F; the AMS font guide for AMSa and AMSb). A blank is a
 * place without a sign of its own.
 */
const FONTS: Readonly<Record<string, readonly (readonly [from: number, signs: string])[]>> = {
  OML: [
    [0x00, 'ΓΔΘΛΞΠΣΥΦΨΩαβγδϵζηθικλμνξπρστυϕχψωεϑϖϱςφ↼↽⇀⇁  ▷◁0123456789.,</>⋆∂'],
    [0x41, 'ABCDEFGHIJKLMNOPQRSTUVWXYZ♭♮♯⌣⌢ℓabcdefghijklmnopqrstuvwxyzıȷ℘'],
  ],
  OMS: [
    [0x00, '−·×∗÷⋄±∓⊕⊖⊗⊘⊙◯∘∙≍≡⊆⊇≤≥⪯⪰∼≈⊂⊃≪≫≺≻←→↑↓↔↗↘≃⇐⇒⇑⇓⇔↖↙∝′∞∈∋△▽  ∀∃¬∅ℜℑ⊤⊥ℵ'],
    [0x5b, '∪∩⊎∧∨⊢⊣⌊⌋⌈⌉{}⟨⟩|‖↕⇕\\≀√⨿∇∫⊔⊓⊑⊒§†‡¶♣♢♡♠'],
  ],
  OMX: [[0x46, '⨆⨆∮∮⨀⨀⨁⨁⨂⨂∑∏∫⋃⋂⨄⋀⋁∑∏∫⋃⋂⨄⋀⋁∐∐']],
  AMSa: [
    [0x00, '⊡⊞⊠□■⋅◊⧫↻↺⇌⇋⊟⊩⊪⊨↠↞⇇⇉⇈⇊↾⇂↿⇃↣↢⇆⇄↰↱⇝↭↫↬≗≿≳⪆⊸∴∵≑≜≾≲⪅⪕⪖⋞⋟≼≦⩽≶‵−≓≒≽≧⩾≷⊏⊐▷◁⊵⊴★≬▼▶◀'],
    [0x4d, '△▲▽≖⋚⋛'],
    [0x58, '✓'],
    [0x5c, '∠∡∢∝⌣⌢⋐⋑⋓⋒⋏⋎'],
  ],
  AMSb: [
    [0x3f, '∅∄𝔸𝔹ℂ𝔻𝔼𝔽𝔾ℍ𝕀𝕁𝕂𝕃𝕄ℕ𝕆ℙℚℝ𝕊𝕋𝕌𝕍𝕎𝕏𝕐ℤ'],
    [0x60, 'Ⅎ⅁'],
    [0x66, '℧ð≂ℶℷℸ⋖⋗⋉⋊∣∥∖∼≈≊⪸⪷↶↷ϝϰ 𝕜ℏ∍'],
  ],
  mathx: [[0x91, '⨉']],
  stmry: [
    [0x0c, '⫽'],
    [0x4a, '⟦⟧'],
  ],
};

const SAME: Readonly<Record<string, string | undefined>> = {
  cmmi: 'OML',
  cmm: 'OML',
  lmm: 'OML',
  letters: 'OML',
  cmsy: 'OMS',
  lmsy: 'OMS',
  symbols: 'OMS',
  cmex: 'OMX',
  lmex: 'OMX',
  largesymbols: 'OMX',
  msa: 'AMSa',
  msb: 'AMSb',
};

/** The sign at a place of a font, named by its encoding, family or symbol font; null when it is not known. */
export function signAt(font: string, place: number): string | null {
  const known = FONTS[font] ?? FONTS[SAME[font] ?? ''];
  for (const [from, signs] of known ?? []) {
    const sign = [...signs][place - from];
    if (place >= from && sign !== undefined && sign !== ' ') return sign;
  }
  const isText = /^(?:OT1|T1|operators|cmr|lmr)$/.test(font);
  return isText && place > 0x20 && place < 0x7f ? String.fromCharCode(place) : null;
}

/** The accents of a font of text by their places, as commands. */
export const ACCENT_AT: Readonly<Record<number, string | undefined>> = {
  0x12: 'grave',
  0x13: 'acute',
  0x14: 'check',
  0x15: 'breve',
  0x16: 'bar',
  0x17: 'mathring',
  0x5e: 'hat',
  0x5f: 'dot',
  0x71: 'check',
  0x7e: 'tilde',
  0x7f: 'ddot',
};
