/** The part of the hyphenation library that is used here. */
declare module 'hyphen' {
  interface Options {
    readonly async: false;
    readonly hyphenChar: string;
    readonly minWordLength: number;
  }
  export default function createHyphenator(
    patterns: unknown,
    options: Options,
  ): (text: string) => string;
}
declare module 'hyphen/patterns/*.js' {
  const patterns: unknown;
  export default patterns;
}
