/** Signs of mathematics that are pasted, and the commands for them. */
const SIGNS: Readonly<Record<string, string>> = Object.fromEntries(
  `≤ le|≥ ge|≠ ne|≈ approx|≡ equiv|∼ sim|≅ cong|∝ propto|± pm|∓ mp|× times|÷ div|⋅ cdot|· cdot|∗ ast|∘ circ
∈ in|∉ notin|∋ ni|⊂ subset|⊆ subseteq|⊃ supset|⊇ supseteq|∪ cup|∩ cap|∅ emptyset|∖ setminus
∀ forall|∃ exists|¬ neg|∧ land|∨ lor|⇒ Rightarrow|⇐ Leftarrow|⇔ Leftrightarrow|→ to|← leftarrow|↔ leftrightarrow
↦ mapsto|∞ infty|∂ partial|∇ nabla|∑ sum|∏ prod|∫ int|∮ oint|√ surd|⊕ oplus|⊗ otimes|⊥ perp|∥ parallel|∣ mid
⟨ langle|⟩ rangle|⌊ lfloor|⌋ rfloor|⌈ lceil|⌉ rceil|… dots|⋯ cdots|α alpha|β beta|γ gamma|δ delta|ε varepsilon
ϵ epsilon|ζ zeta|η eta|θ theta|ϑ vartheta|ι iota|κ kappa|λ lambda|μ mu|ν nu|ξ xi|π pi|ρ rho|σ sigma|ς varsigma
τ tau|υ upsilon|φ varphi|ϕ phi|χ chi|ψ psi|ω omega|Γ Gamma|Δ Delta|Θ Theta|Λ Lambda|Ξ Xi|Π Pi|Σ Sigma|Φ Phi
Ψ Psi|Ω Omega|ℓ ell|ℏ hbar|ℜ Re|ℑ Im|ℵ aleph`
    .split(/[|\n]/)
    .map((pair) => pair.split(' ') as [string, string]),
);
const DOUBLED: Readonly<Record<string, string>> = {
  ℝ: 'R',
  ℕ: 'N',
  ℤ: 'Z',
  ℚ: 'Q',
  ℂ: 'C',
  ℙ: 'P',
};
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻⁼⁽⁾ⁱⁿ';
const RAISED_FOR = '0123456789+-=()in';
const LOWERED = '₀₁₂₃₄₅₆₇₈₉₊₋₌₍₎ₐₑᵢⱼₖₘₙ';
const LOWERED_FOR = '0123456789+-=()aeijkmn';

const script = (mark: string, from: string, to: string) => (run: string) => {
  const plain = [...run].map((c) => to[[...from].indexOf(c)] ?? c).join('');
  return plain.length === 1 ? `${mark}${plain}` : `${mark}{${plain}}`;
};

/** A formula's signs as the commands that stand for them; what is no such sign stays as it is. */
export function asMarkup(text: string): string {
  return text
    .replace(new RegExp(`[${RAISED}]+`, 'gu'), script('^', RAISED, RAISED_FOR))
    .replace(new RegExp(`[${LOWERED}]+`, 'gu'), script('_', LOWERED, LOWERED_FOR))
    .replace(/√\s*(\d+|[A-Za-z])/gu, '\\sqrt{$1}')
    .replace(/[ℝℕℤℚℂℙ]/gu, (c) => `\\mathbb{${DOUBLED[c] ?? c}}`)
    .replace(/−/g, '-')
    .replace(/[^\u0000-\u007f](?=(.?))/gu, (c, next: string) => {
      const name = SIGNS[c];
      if (name === undefined) return c;
      return `\\${name}${/[A-Za-z]/.test(next) ? ' ' : ''}`;
    });
}

/** Lines of cells parted by tabs, as the rows of an alignment; null for anything else. */
export function asRows(text: string): string | null {
  if (!text.includes('\t')) return null;
  const lines = text.replace(/\r/g, '').replace(/\n$/, '').split('\n');
  return lines
    .map((line) =>
      line
        .split('\t')
        .map((cell) => cell.trim())
        .join(' & '),
    )
    .join(' \\\\\n  ');
}
