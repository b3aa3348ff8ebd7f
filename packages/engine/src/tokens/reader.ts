import { Cat, categoryOf, type CatTable } from './categories';
import type { Token } from './token';

/** The three states of the reader within a line (The TeXbook, chapter 8). */
type LineState = 'new' | 'middle' | 'skipping';

/** Answers the binding of a control sequence or active character. */
export type Bind<C> = (name: string) => C;

/** The end of a line is `^^M`; in files it is `^^J`. */
const [NEWLINE, RETURN] = [10, 13];

/** `"`, `<`, `>` and `|`. */
const isSign = (code: number): boolean =>
  code === 0x22 || code === 0x3c || code === 0x3e || code === 0x7c;

/**
 * Reads a text into tokens, one at a time, with the category codes in force at
 * that moment. Offsets in tokens count from `base`, the start of the current chunk.
 */
export class Reader<C> {
  pos: number;
  base: number;
  chunk: number;
  private state: LineState = 'new';

  constructor(
    readonly text: string,
    private readonly bind: Bind<C>,
    start: number,
    chunk: number,
    private readonly end = text.length,
  ) {
    this.pos = start;
    this.base = start;
    this.chunk = chunk;
  }

  /** Is the reader at the start of a line? */
  get atLineStart(): boolean {
    return this.state === 'new';
  }

  get atEnd(): boolean {
    return this.pos >= this.end;
  }

  /** Starts a new chunk here. */
  startChunk(chunk: number): void {
    this.base = this.pos;
    this.chunk = chunk;
  }

  /** Goes to `pos` (an absolute offset), which is taken for the middle of a line. */
  jump(pos: number): void {
    this.pos = pos;
    this.state = pos > 0 && this.text.charCodeAt(pos - 1) === 10 ? 'new' : 'middle';
  }

  /**
   * Passes over lines that hold nothing but blanks; at the start of a line only.
   * Answers the furthest offset it looked at.
   */
  skipBlankLines(): number {
    for (;;) {
      const newline = this.text.indexOf('\n', this.pos);
      const lineEnd = newline < 0 || newline >= this.end ? this.end : newline + 1;
      for (let i = this.pos; i < lineEnd; i++) if (this.text.charCodeAt(i) > 32) return i + 1;
      if (lineEnd === this.pos) return lineEnd;
      this.pos = lineEnd;
    }
  }

  /**
   * The longest run of plain characters (letters and others) from here, or ''.
   * The same characters `next` would give as single tokens; a short way for words.
   * Signs that some fonts have otherwise are looked at one by one and stand in none.
   */
  plainRun(cats: CatTable): string {
    const start = this.pos;
    let i = start;
    for (; i < this.end; i++) {
      const code = this.text.charCodeAt(i);
      if (code >= 128) break;
      const cat = cats.ascii[code] as number;
      if ((cat !== Cat.Letter && cat !== Cat.Other) || isSign(code)) break;
    }
    if (i > start) {
      this.pos = i;
      this.state = 'middle';
    }
    return this.text.slice(start, i);
  }

  /** The next character as it stands, whatever its category; '' at the end. */
  rawChar(): string {
    if (this.pos >= this.end) return '';
    const code = this.text.codePointAt(this.pos) as number;
    const char = String.fromCodePoint(code);
    this.pos += char.length;
    this.state = char === '\n' ? 'new' : 'middle';
    return char;
  }

  /** Does this character come next? Nothing is read. */
  comes(char: string): boolean {
    return this.pos < this.end && this.text.startsWith(char, this.pos);
  }

  /** The text up to the mark, which is passed; to the end (or of the line), and nothing found, when there is none. */
  rawUntil(mark: string, onLine = false): { text: string; found: boolean } {
    const line = onLine ? this.text.indexOf('\n', this.pos) : -1;
    const end = line < 0 ? this.end : Math.min(line, this.end);
    const at = this.text.indexOf(mark, this.pos);
    const found = at >= 0 && at < end;
    const stop = found ? at : end;
    const text = this.text.slice(this.pos, stop);
    this.pos = found ? stop + mark.length : stop;
    this.state = this.pos > 0 && this.text.charCodeAt(this.pos - 1) === 10 ? 'new' : 'middle';
    return { text, found };
  }

  /** The next token, or null at the end of the text. */
  next(cats: CatTable): Token<C> | null {
    while (this.pos < this.end) {
      const from = this.pos;
      let code = this.text.codePointAt(from) as number;
      this.pos += code > 0xffff ? 2 : 1;
      let cat = categoryOf(cats, code);
      const meant = cat === Cat.Super ? this.notation(from) : null;
      if (meant) {
        code = meant.code === RETURN ? NEWLINE : meant.code;
        cat = categoryOf(cats, code);
        this.pos = meant.end;
      }
      switch (cat) {
        case Cat.Escape:
          return this.command(cats, from);
        case Cat.Eol: {
          const state = this.state;
          this.state = 'new';
          if (state === 'new') return this.token(Cat.Command, 'par', this.bind('par'), from);
          if (state === 'middle') return this.token(Cat.Space, ' ', null, from);
          break;
        }
        case Cat.Space:
          if (this.state === 'middle') {
            this.state = 'skipping';
            return this.token(Cat.Space, ' ', null, from);
          }
          break;
        case Cat.Comment: {
          const newline = this.text.indexOf('\n', this.pos);
          this.pos = newline < 0 || newline >= this.end ? this.end : newline + 1;
          this.state = 'new';
          break;
        }
        case Cat.Ignored:
          if (code === NEWLINE) this.state = 'new';
          break;
        case Cat.Invalid:
          break;
        default: {
          this.state = 'middle';
          const char = String.fromCodePoint(code);
          const cell = cat === Cat.Active ? this.bind(activeName(char)) : null;
          return this.token(cat, char, cell, from);
        }
      }
    }
    return null;
  }

  /**
   * `^^A`, `^^41`: a character by its number, two hexadecimal digits or another one 64 away (The
   * TeXbook, chapter 8). Null when that is not what stands at `from`.
   */
  private notation(from: number): { code: number; end: number } | null {
    const { text } = this;
    const at = from + 2;
    if (at >= this.end || text[from + 1] !== text[from]) return null;
    const hex = /^[0-9a-f]{2}$/.test(text.slice(at, Math.min(at + 2, this.end)));
    if (hex) return { code: parseInt(text.slice(at, at + 2), 16), end: at + 2 };
    const code = text.charCodeAt(at);
    return code < 128 && code !== NEWLINE ? { code: code ^ 64, end: at + 1 } : null;
  }

  private command(cats: CatTable, from: number): Token<C> {
    if (this.pos >= this.end) {
      this.state = 'middle';
      return this.token(Cat.Command, '', this.bind(''), from);
    }
    const start = this.pos;
    let i = start;
    while (i < this.end) {
      const code = this.text.codePointAt(i) as number;
      if (categoryOf(cats, code) !== Cat.Letter) break;
      i += code > 0xffff ? 2 : 1;
    }
    if (i > start) {
      this.state = 'skipping';
    } else {
      const code = this.text.codePointAt(i) as number;
      const cat = categoryOf(cats, code);
      const meant = cat === Cat.Super ? this.notation(i) : null;
      if (meant) {
        this.pos = meant.end;
        this.state = 'middle';
        const char = String.fromCodePoint(meant.code);
        return this.token(Cat.Command, char, this.bind(char), from);
      }
      i += code > 0xffff ? 2 : 1;
      this.state = cat === Cat.Space ? 'skipping' : cat === Cat.Eol ? 'new' : 'middle';
    }
    this.pos = i;
    const name = this.text.slice(start, i);
    // A backslash before the line end is a control space (The TeXbook, chapter 8).
    const known = name === '\n' || name === '\t' || name === '\r' ? ' ' : name;
    return this.token(Cat.Command, known, this.bind(known), from);
  }

  private token(cat: number, text: string, cell: C | null, from: number): Token<C> {
    return {
      cat,
      text,
      cell,
      from: from - this.base,
      to: this.pos - this.base,
      chunk: this.chunk,
    };
  }
}

/** The name under which an active character is bound, apart from all control sequences. */
export const activeName = (char: string): string => `\u0000${char}`;
