import type { Glue } from '../../base/lengths';
import type { Span } from '../../base/spans';
import type { FontSpec } from '../../document/font';
import type { Inline } from '../../document/inlines';

/** Space factor codes of LaTeX: 1000 unless listed; 0 leaves the factor as it was (The TeXbook, chapter 12). */
const SPACE_FACTORS: Readonly<Record<string, number>> = {
  '.': 3000,
  '?': 3000,
  '!': 3000,
  ':': 2000,
  ';': 1500,
  ',': 1250,
  ')': 0,
  ']': 0,
  "'": 0,
};

function factorOf(char: string): number {
  const listed = SPACE_FACTORS[char];
  if (listed !== undefined) return listed;
  return char >= 'A' && char <= 'Z' ? 999 : 1000;
}

/** Gathers the inlines of a paragraph or box; characters become words. */
/** What leaves the space factor as it was (The TeXbook, chapter 12): neither letters nor boxes. */
const KEEPS_FACTOR: ReadonlySet<Inline['kind']> = new Set([
  'space',
  'kern',
  'correction',
  'glue',
  'penalty',
  'migrant',
  'anchor',
]);

export class InlineList {
  readonly inlines: Inline[] = [];
  private word: { text: string; from: number; to: number; font: FontSpec } | null = null;
  /** Where `\-` stood in the word. */
  private cuts: number[] = [];
  private factor = 1000;

  /** @param divisions how words are divided that the document lists, in small letters. */
  constructor(private readonly divisions?: ReadonlyMap<string, readonly number[]>) {}

  get isEmpty(): boolean {
    return this.word === null && this.inlines.length === 0;
  }

  /** Adds characters; those in one font next to each other make one word. */
  text(text: string, font: FontSpec, from: number, to: number): void {
    const { word } = this;
    if (word && word.font === font && (word.to === from || word.from === from)) {
      word.text += text;
      word.to = Math.max(word.to, to);
    } else {
      this.flush();
      this.word = { text, from, to, font };
    }
    this.advanceFactor(text);
  }

  /** `\-`: the word may be divided here, and where else this stands in it. */
  divide(to: number): void {
    if (!this.word) return;
    this.cuts.push(this.word.text.length);
    this.word.to = to;
  }

  /** Adds a blank as wide as the punctuation before it asks. */
  space(font: FontSpec, { from, to }: Span, frenchSpacing: boolean, own: Glue): void {
    const factor = Math.max(frenchSpacing || this.factor === 0 ? 1000 : this.factor, 999);
    const set = own.width || own.stretch || own.shrink ? { own } : {};
    this.add({ kind: 'space', font, factor, ...set, from, to });
  }

  add(inline: Inline): void {
    this.flush();
    this.inlines.push(inline);
    if (!KEEPS_FACTOR.has(inline.kind)) this.factor = 1000;
  }

  /** `\unskip`: takes back a blank or glue at the end. */
  unskip(): void {
    this.flush();
    const last = this.inlines.at(-1);
    if (last && (last.kind === 'space' || last.kind === 'glue')) this.inlines.pop();
  }

  /** Takes back what stands last, if it is of that kind; null when it is not. */
  takeLast(kind: Inline['kind']): Inline | null {
    const last = this.last();
    return last?.kind === kind ? (this.inlines.pop() ?? null) : null;
  }

  last(): Inline | undefined {
    this.flush();
    return this.inlines.at(-1);
  }

  /** The letter that stands last, with its font; null when something else does. */
  lastLetter(): { readonly letter: string; readonly font: FontSpec } | null {
    const last = this.word ?? this.inlines.at(-1);
    if (!last || !('text' in last) || last.text === '') return null;
    return { letter: last.text.slice(-1), font: last.font };
  }

  finish(): readonly Inline[] {
    this.flush();
    return this.inlines;
  }

  /** Adds what leaves the space factor as it was before it (`\\@x@sf` of the kernel). */
  addBeside(act: () => void): void {
    this.flush();
    const { factor } = this;
    act();
    this.flush();
    this.factor = factor;
  }

  /** `\\spacefactor`: how wide the next blank will be, in thousandths of one between words. */
  get spaceFactor(): number {
    return this.factor;
  }

  set spaceFactor(factor: number) {
    this.factor = factor;
  }

  /** Sentence space after whatever comes next is as after a lower-case letter (`\@`). */
  resetFactor(): void {
    this.factor = 1000;
  }

  private flush(): void {
    const { word } = this;
    if (!word) return;
    const cuts = this.cuts.length > 0 ? this.cuts : this.listed(word.text);
    this.inlines.push({ kind: 'text', ...word, ...(cuts ? { cuts } : {}) });
    this.word = null;
    this.cuts = [];
  }

  /** The divisions of a word that the document lists, punctuation around it left out. */
  private listed(text: string): readonly number[] | undefined {
    if (!this.divisions) return undefined;
    const letters = /\p{L}+/u.exec(text);
    return (
      (letters && this.divisions.get(letters[0].toLowerCase())?.map((at) => letters.index + at)) ??
      undefined
    );
  }

  private advanceFactor(text: string): void {
    for (const char of text) {
      const code = factorOf(char);
      // After a capital, a full stop is taken for an abbreviation.
      if (code > 0) this.factor = code > 1000 && this.factor < 1000 ? 1000 : code;
    }
  }
}
