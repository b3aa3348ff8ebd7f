import { inArticle, typeset } from '@odd-compass/engine/testing';

/** What is read of a body, and the place of what stands between two bars in it. */
export function marked(body: string) {
  const text = inArticle(body.replaceAll('¦', ''));
  const start = inArticle(body).indexOf('¦');
  const end = inArticle(body).lastIndexOf('¦') - 1;
  return { blocks: typeset(text).written(), place: { from: start, to: end } };
}
