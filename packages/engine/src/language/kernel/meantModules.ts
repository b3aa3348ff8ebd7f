import { nearestName } from '../../base/nearest';
import { CLASSES } from '../classes';
import { PACKAGES } from '../packages';
import { isPublished } from './publishedPackages';
import { meantKey } from '../scanning/unknownKeys';

/** What packages are taken for, by what they do or how their names are remembered. */
const MEANT_PACKAGES: Readonly<Record<string, string>> = {
  mathams: 'amsmath',
  ams: 'amsmath',
  math: 'amsmath',
  amstheorem: 'amsthm',
  theorem: 'amsthm',
  theorems: 'amsthm',
  amssymbol: 'amssymb',
  amssymbols: 'amssymb',
  symbols: 'amssymb',
  graphic: 'graphicx',
  graphicsx: 'graphicx',
  images: 'graphicx',
  pictures: 'graphicx',
  color: 'xcolor',
  colors: 'xcolor',
  colour: 'xcolor',
  margins: 'geometry',
  margin: 'geometry',
  links: 'hyperref',
  header: 'fancyhdr',
  headers: 'fancyhdr',
  fancyheader: 'fancyhdr',
  fancyheaders: 'fancyhdr',
  enumerates: 'enumerate',
  code: 'listings',
  listing: 'listings',
  spacing: 'setspace',
  doublespace: 'setspace',
  columns: 'multicol',
  strikethrough: 'ulem',
};

/** Kinds of document that are no classes, and what they are written in. */
const MEANT_CLASSES: Readonly<Record<string, string>> = {
  homework: 'article',
  assignment: 'article',
  essay: 'article',
  paper: 'article',
  notes: 'article',
  document: 'article',
  proceedings: 'article',
  worksheet: 'article',
  summary: 'article',
  lecture: 'article',
  thesis: 'report',
  dissertation: 'report',
  project: 'report',
  slides: 'beamer',
  presentation: 'beamer',
  test: 'exam',
  quiz: 'exam',
};

/** Packages that a name stands for which is none: written otherwise, or several without commas. */
export function meantPackages(written: string): readonly string[] {
  const words = written.trim().split(/[\s;]+/);
  const meant = words.map((word) => {
    const small = word.toLowerCase();
    if (PACKAGES[small]) return small;
    const named = MEANT_PACKAGES[small];
    return named && PACKAGES[named] ? named : null;
  });
  return meant.every((name) => name !== null) ? meant : [];
}

/** The package whose name is nearest; null for the name of one that there is, though not here. */
export const nearestPackage = (name: string): string | null =>
  isPublished(name) ? null : nearestName(name.toLowerCase(), Object.keys(PACKAGES));

/** The kind of document that is meant, by its name or by what it is for. */
export const meantClass = (name: string): string | null =>
  MEANT_CLASSES[name.toLowerCase()] ?? nearestName(name.toLowerCase(), Object.keys(CLASSES));

const SIZES = [10, 11, 12];

/** The option of a class that is nearest to one that it does not have: a size among those there are. */
export function nearestOption(option: string, known: readonly string[]): string | null {
  const size = /^(\d+(?:\.\d+)?)\s*(?:pts?|px|points?|pixels?)?$/i.exec(option)?.[1];
  if (size === undefined) return meantKey(option, known);
  const wanted = Number(size);
  const nearest = SIZES.reduce((a, b) => (Math.abs(b - wanted) < Math.abs(a - wanted) ? b : a));
  return `${nearest}pt`;
}
