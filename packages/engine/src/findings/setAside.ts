import type { Finding } from './finding';

/** What is told of a paragraph that the window leaves out of the text it has set. */
export const SET_ASIDE = {
  severity: 'broken',
  message: 'With this in it the page was never done; it is left out until it is changed.',
  cause: 'It may use itself, or hold very much. The rest of the sheet is set without it.',
} as const;

/** The finding on such a paragraph, with places in its file. */
export const setAsideFinding = (file: string, from: number, to: number): Finding => ({
  kind: 'paragraph-set-aside',
  file,
  from,
  to,
  ...SET_ASIDE,
});
