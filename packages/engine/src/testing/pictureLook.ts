import { drawn, drawnText, type Drawn } from './drawn';

const PACKAGES = '\\usepackage{pgfplots}\\usetikzlibrary{er,petri}';

/** All that is drawn of a body: paths with their looks, and where words stand. @throws when something is told of. */
export const pictureLook = (body: string): string => lookOf(drawn(body, PACKAGES), body);

/** All that is drawn of a text with pictures in it. @throws when something is told of. */
export const textLook = (body: string, packages: string): string =>
  lookOf(drawnText(body, packages), body);

function lookOf({ paths, laid, findings }: Drawn, body: string): string {
  const { session } = laid;
  const [page] = session.pages;
  const told = findings.filter((kind) => kind !== 'line-too-wide');
  if (told.length > 0) throw new Error(`${told.join(', ')}: ${body}`);
  return JSON.stringify([
    paths.map(({ points, curves, path: { fill, stroke, evenOdd } }) => [
      points,
      curves,
      fill,
      stroke,
      evenOdd,
    ]),
    laid.lines.map(({ text, x, y, size, color }) => [
      text,
      Math.round(10 * x),
      Math.round(10 * y),
      size,
      color,
    ]),
    page ? session.describe(page).lineBlock.length : 0,
  ]);
}
