import {
  blanked,
  environmentKind,
  isFormula,
  partnerOf,
  partsNamed,
  shapeOf,
  type Shape,
} from '@odd-compass/engine/shape';

/** Commands whose argument is no text. */
const NO_TEXT =
  /\\(?:label|[A-Za-z]*ref|cite[a-z]*|nocite|begin|end|includegraphics|usepackage|documentclass|[hv]space|input|include|bibliography|bibliographystyle|setcounter|addtocounter|setlength|pagestyle|thispagestyle|url|href|color|textcolor|definecolor|hyperref|theoremstyle|newcommand|renewcommand|newtheorem|numberwithin|verb|lstinline|graphicspath|operatorname)\*?(?:\[[^\]]*\])?\{[^{}]*\}(?:\[[^\]]*\])?/g;

/** The columns of a table are no words either. */
const TABLES =
  /\\begin\{(?:tabular[xy*]?|array|longtable|tabulary|alignat\*?|multicols|minipage)\}(?:\[[^\]]*\])?(?:\{(?:[^{}]|\{[^{}]*\})*\})+/g;
/** Pictures described in text, and what code is of an environment: neither is prose. */
const withoutPictures = (shape: Shape): string =>
  partsNamed(shape, 'begin')
    .filter(({ name }) => environmentKind(name) === 'picture')
    .reduce(
      (text, begin) => {
        const to = partnerOf(shape, begin)?.to ?? text.length;
        return text.slice(0, begin.from) + blank(text.slice(begin.from, to)) + text.slice(to);
      },
      blanked(shape, 'comment', 'code'),
    );

const blank = (text: string): string => text.replace(/[^\n]/g, ' ');

/** Starts and ends of the formulas of a text by turns, as far as the text itself tells. */
export function formulasIn(text: string): number[] {
  const shape = shapeOf(text);
  const spans: number[] = [];
  let end = 0;
  for (const part of shape.parts) {
    const opens = part.kind === 'mark' || (part.kind === 'begin' && isFormula(part.name));
    const close = opens && part.from >= end ? partnerOf(shape, part) : null;
    if (!close || close.from < part.to) continue;
    end = close.to;
    spans.push(part.from, end);
  }
  return spans;
}

/** A text with all that is no prose blanked out, so that places stay: formulas, commands, comments, code. */
export function proseOf(text: string, base: number, spans: ArrayLike<number>): string {
  let prose = text;
  for (let i = 0; i + 1 < spans.length; i += 2) {
    const from = Math.max(0, (spans[i] as number) - base);
    const to = Math.min(text.length, (spans[i + 1] as number) - base);
    if (to > from) prose = prose.slice(0, from) + blank(prose.slice(from, to)) + prose.slice(to);
  }
  return withoutPictures(shapeOf(prose))
    .replace(TABLES, blank)
    .replace(NO_TEXT, blank)
    .replace(/\\[A-Za-z@]+\*?(?:\[[^\]\n]*\])?|\\./g, blank);
}

/** A word of the prose and where it stands. */
export interface ProseWord {
  readonly word: string;
  readonly from: number;
  readonly to: number;
}

const WORD = /[\p{L}\p{M}][\p{L}\p{M}'’]*/gu;

/** Words that can be looked up: no single letters, no abbreviations in capitals, none with a digit. */
export function wordsIn(prose: string, base: number): ProseWord[] {
  const out: ProseWord[] = [];
  for (const found of prose.matchAll(WORD)) {
    const word = found[0].replace(/['’]+$/, '');
    const at = found.index;
    const around = (prose[at - 1] ?? ' ') + (prose[at + found[0].length] ?? ' ');
    if (word.length < 2 || /[\p{N}_@&^~]/u.test(around.replace('~', ''))) continue;
    if (word === word.toUpperCase()) continue;
    out.push({ word, from: base + at, to: base + at + word.length });
  }
  return out;
}

/** Words that the document itself brings: authors, names of its environments, and names it uses again and again. */
export function wordsOfDocument(text: string): Set<string> {
  const out = new Set<string>();
  const add = (source: string): void => {
    for (const [word] of source.matchAll(WORD)) out.add(word);
  };
  const brought =
    /\\(?:author|institute|date|course|newtheorem\*?\s*\{[^}]*\}(?:\[[^\]]*\])?|bibitem(?:\[[^\]]*\])?\{[^}]*\}[^\n]*|(?:re)?newcommand\*?\s*\{?\\[A-Za-z]+\}?)\s*\{([^{}]*)\}/g;
  for (const [whole, argument = ''] of text.matchAll(brought))
    add(whole.startsWith('\\bibitem') ? whole : argument);
  const counts = new Map<string, number>();
  for (const [word] of text.matchAll(/(?<![\\\p{L}])\p{Lu}\p{Ll}+/gu))
    counts.set(word, (counts.get(word) ?? 0) + 1);
  for (const [word, count] of counts) if (count >= 3) out.add(word);
  return out;
}
