import type { PackageEntry } from '../machine/entries';

const nothing = (name: string, description: string): PackageEntry => ({
  name,
  description,
  options: null,
});

/** Packages that mend other programs, or set what does not show on pages. */
const SILENT = `
  morefloats morewrites etex oldlfont rawfonts ltxcmds kvdefinekeys kvsetkeys kvoptions-patch etexcmds
  infwarerr fixcmex nag scrhack hypbmsec pdfcolmk trace tracefnt syntonly showhyphens snapshot srcltx
  pdfsync aeguill t1enc ifvtex mparhack everysel pdfx pdfprivacy tagpdf axessibility luatexbase
  lua-visual-debug mmap selnolig fontaxes mweights fix2col dblfloatfix stfloats idxlayout
  thumbpdf subdepth ftnright fontsmpl translations tracklang translator latexbug
  embrac ellipsis textcmds memhfixc mdwmath pdftexcmds xmpincl hyperxmp ocr
  newpxsf nohyperref refcheck showidx drftcite draftfigure notoccite xellipsis
`;

/** Packages whose work is done here anyway. */
export const quiet: readonly PackageEntry[] = [
  nothing('inputenc', 'The encoding of the file; UTF-8 is always read.'),
  nothing('lmodern', 'The Latin Modern fonts, which are used unless others are asked for.'),
  nothing('textcomp', 'More characters of text; they are at hand anyway.'),
  { ...nothing('latexsym', 'A few more symbols.'), requires: ['amssymb'] },
  nothing('fixltx2e', 'Mends of the kernel.'),
  nothing('xparse', 'Commands by their arguments; part of the kernel.'),
  nothing('cmap', 'Text that copies out; it does anyway.'),
  nothing('type1cm', 'Sizes of fonts; all are at hand.'),
  nothing('fix-cm', 'Sizes of fonts; all are at hand.'),
  nothing('exscale', 'Sizes of large operators.'),
  nothing('amsopn', 'Named functions, part of amsmath.'),
  nothing('flafter', 'Floats stand behind their place in the text.'),
  nothing('amsbsy', 'Bold symbols, part of amsmath.'),
  nothing('amstext', '\\text in formulas, part of amsmath.'),
  nothing('anyfontsize', 'Sizes of fonts; all are at hand.'),
  nothing('upquote', 'Straight quotes in code.'),
  nothing('hypcap', 'Where links to figures lead.'),
  nothing('chngcntr', 'Counters within others; part of the kernel.'),
  nothing('filecontents', 'Files that a document writes; part of the kernel.'),
  nothing('natmove', 'Marks of citations behind punctuation; they stand where they are put.'),
  nothing('preview', 'Parts of a page as pictures of their own.'),
  nothing('showlabels', 'Labels beside the text, for drafts.'),
  nothing('ucs', 'The encoding of the file; UTF-8 is always read.'),
  nothing('emptypage', 'Empty pages bear no head and foot; they bear none here.'),
  nothing('amsgen', 'What the packages of the AMS share.'),
  ...SILENT.trim()
    .split(/\s+/)
    .map((name) => nothing(name, 'What it does elsewhere is done here, or has no place here.')),
  { ...nothing('mwe', 'Pictures and words to try with.'), requires: ['graphicx', 'blindtext'] },
];
