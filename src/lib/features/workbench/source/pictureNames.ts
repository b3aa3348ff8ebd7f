/** Is an environment a picture described in text, with statements and places? */
export const isPicture = (name: string): boolean => /^(?:tikzpicture|circuitikz)$/.test(name);
/** Most texts have none: so much is known without looking at their shape. */
export const mayHavePicture = (text: string): boolean => /\\begin\{(?:tikz|circuitikz)/.test(text);

const NAMED = /\b(?:node|coordinate)\s*(?:\[[^\]]*\])?\s*\(([\w' -]+)\)/g;

/** The names of a picture's nodes and places, in order, each once. */
export const nodeNames = (picture: string): string[] => [
  ...new Set([...picture.matchAll(NAMED)].map((match) => (match[1] ?? '').trim())),
];

const STYLE = /([\w][\w -]*?)\s*\/\.style\b|\\tikzstyle\s*\{([^{}]+)\}/g;

/** The styles that a document defines for its pictures. */
export const styleNames = (document: string): string[] => [
  ...new Set([...document.matchAll(STYLE)].map((match) => (match[1] ?? match[2] ?? '').trim())),
];

/** Anchors that every shape has. */
export const ANCHORS =
  'north,south,east,west,north east,north west,south east,south west,center,base,mid'.split(',');

/** The libraries that pictures load by name. */
export const LIBRARIES =
  'angles,arrows.meta,automata,backgrounds,calc,cd,chains,decorations.markings,decorations.pathmorphing,decorations.pathreplacing,fit,intersections,matrix,patterns,positioning,quotes,shadings,shapes.geometric,shapes.misc,trees,through'.split(
    ',',
  );

/** Colours by the names that are there without a package of colours. */
export const HUES =
  'black,gray,red,orange,yellow,green,teal,cyan,blue,violet,magenta,brown,white,lightgray,darkgray,pink,lime,olive,purple'.split(
    ',',
  );
