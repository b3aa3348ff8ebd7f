/** Environments whose contents are printed as they are typed, or not at all. */
const AS_TYPED =
  /\\begin\{(verbatim\*?|Verbatim|lstlisting|minted|comment|filecontents\*?)\}[\s\S]*?\\end\{\1\}/g;
const VERB = /\\(?:verb|lstinline)\*?([^A-Za-z\s*])[^\n]*?\1/g;
const ADDRESSES =
  /\\(?:url|nolinkurl|href|hyperref|path|includegraphics(?:\[[^\]]*\])?|input|include)\{[^{}]*\}/g;

const blank = (text: string): string => text.replace(/[^\n]/g, ' ');

/** A source with what is not set as text blanked out, so that places stay: code, addresses. */
export const withoutCode = (source: string): string =>
  source.includes('\\')
    ? source.replace(AS_TYPED, blank).replace(VERB, blank).replace(ADDRESSES, blank)
    : source;

/** The same with comments blanked out too. */
export const withoutComments = (source: string): string =>
  source.includes('%')
    ? source.replace(/(^|[^\\])((?:\\\\)*)%[^\n]*/g, (whole, before: string, slashes: string) =>
        (before + slashes).padEnd(whole.length, ' '),
      )
    : source;
