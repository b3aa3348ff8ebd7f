import { blanked, callsOf, shapeOf } from '../source/shape';

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
