import { environmentKind } from '../source/environmentKinds';
import { blanked, callsOf, partnerOf, partsNamed, shapeOf } from '../source/shape';

/** Commands whose argument is an address or the name of a file. */
const ADDRESSED = [
  'url',
  'nolinkurl',
  'href',
  'hyperref',
  'path',
  'includegraphics',
  'input',
  'include',
];

/** A source with what is not set as text blanked out, so that places stay: code, addresses. */
export function withoutCode(source: string): string {
  if (!source.includes('\\')) return source;
  const shape = shapeOf(source);
  return callsOf(shape, ADDRESSED, 'om')
    .flatMap(({ args }) => args[1] ?? [])
    .reduce(
      (text, { from, to }) =>
        text.slice(0, from) + text.slice(from, to).replace(/[^\n]/g, ' ') + text.slice(to),
      blanked(shape, 'code'),
    );
}

/** The same with comments blanked out too. */
export const withoutComments = (source: string): string =>
  source.includes('%') ? blanked(shapeOf(source), 'comment') : source;

/** A picture in the line, and a loop's list. */
const SMALL_PICTURE =
  /\\tikz\b[^;{}]*(?:\{(?:[^{}]|\{[^{}]*\})*\}[^;{}\n]*)*;|\\tikzmath\s*\{(?:[^{}]|\{(?:[^{}]|\{[^{}]*\})*\})*\}|\\foreach\b[^{}]*\bin\s*\{[^{}]*\}|\\tikzset\s*\{[^\n]*/g;

/** The same with pictures described in text blanked out: signs in them are no words. */
export function withoutPictures(source: string): string {
  if (!/\\(?:tikz|foreach|begin)/.test(source)) return source;
  const shape = shapeOf(source);
  const blank = (text: string): string => text.replace(/[^\n]/g, ' ');
  let out = source;
  for (const part of partsNamed(shape, 'begin')) {
    if (environmentKind(part.name) !== 'picture') continue;
    const end = partnerOf(shape, part)?.to ?? source.length;
    out = out.slice(0, part.from) + blank(out.slice(part.from, end)) + out.slice(end);
  }
  return out.replace(SMALL_PICTURE, blank);
}
