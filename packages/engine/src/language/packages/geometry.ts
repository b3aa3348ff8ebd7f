import { INCH, type Sp } from '../../base/lengths';
import { setDimen } from '../../expansion/registers';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';
import { tokenize } from '../machine/define';
import { type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** The sides a key sets. */
const SIDES: Readonly<Record<string, readonly string[]>> = {
  margin: ['left', 'right', 'top', 'bottom'],
  hmargin: ['left', 'right'],
  vmargin: ['top', 'bottom'],
  left: ['left'],
  lmargin: ['left'],
  inner: ['left'],
  right: ['right'],
  rmargin: ['right'],
  outer: ['right'],
  top: ['top'],
  tmargin: ['top'],
  bottom: ['bottom'],
  bmargin: ['bottom'],
};

/** All keys of its options (geometry manual, section 5). */
const KEYS: readonly string[] =
  'margin hmargin vmargin left lmargin inner right rmargin outer top tmargin bottom bmargin paper papername papersize paperwidth paperheight landscape portrait a0paper a1paper a2paper a3paper a4paper a5paper a6paper b0paper b1paper b2paper b3paper b4paper b5paper b6paper letterpaper legalpaper executivepaper ansiapaper screen layout layoutsize layoutwidth layoutheight layouthoffset layoutvoffset hscale vscale scale width height total textwidth textheight text body lines includehead includefoot includeheadfoot includemp includeall ignorehead ignorefoot ignoreheadfoot ignoremp ignoreall heightrounded hdivide vdivide divide hmarginratio vmarginratio marginratio ratio hratio vratio hcentering vcentering centering twoside asymmetric bindingoffset hoffset voffset offset headheight head headsep footskip foot nohead nofoot noheadfoot footnotesep marginparwidth marginpar marginparsep nomarginpar columnsep columns onecolumn twocolumn reversemp reversemarginpar verbose pass reset resetmag mag truedimen showframe showcrop driver'.split(
    ' ',
  );

/** Margins from options; sides left out follow geometry's ratios (1:1 across, 2:3 down) or stay. */
function apply(it: Interpreter, source: string): void {
  const keys = keyValues(tokenize(it.state, source));
  const length = (key: string): Sp | null => {
    const value = keys.get(key);
    return value && value.length > 0 ? dimenOf(it, value) : null;
  };
  if (keys.has('a4paper')) setPaper(it, (210 / 25.4) * INCH, (297 / 25.4) * INCH);
  if (keys.has('letterpaper')) setPaper(it, 8.5 * INCH, 11 * INCH);
  const width = length('paperwidth');
  const height = length('paperheight');
  if (width || height)
    setPaper(it, width ?? it.dimen('paperwidth'), height ?? it.dimen('paperheight'));
  const sides: Partial<Record<string, Sp>> = {};
  for (const [key, names] of Object.entries(SIDES)) {
    const value = length(key);
    if (value !== null) for (const side of names) sides[side] = value;
  }
  for (const [key, name] of [
    ['headheight', 'headheight'],
    ['headsep', 'headsep'],
    ['footskip', 'footskip'],
  ] as const) {
    const value = length(key);
    if (value !== null) setDimen(it.state, name, value, true);
  }
  setAcross(it, sides, length('textwidth') ?? length('width'));
  setDown(it, sides, length('textheight') ?? length('height'));
}

function setPaper(it: Interpreter, width: Sp, height: Sp): void {
  setDimen(it.state, 'paperwidth', width, true);
  setDimen(it.state, 'paperheight', height, true);
}

function setAcross(it: Interpreter, sides: Partial<Record<string, Sp>>, asked: Sp | null): void {
  const paper = it.dimen('paperwidth');
  const { left, right } = sides;
  // geometry's own default scale is 0.7 of the paper.
  let text = asked ?? 0.7 * paper;
  let margin: Sp;
  if (left !== undefined && right !== undefined) {
    text = paper - left - right;
    margin = left;
  } else if (left !== undefined) {
    margin = left;
    if (asked === null) text = paper - 2 * left;
  } else if (right !== undefined) {
    if (asked === null) text = paper - 2 * right;
    margin = paper - right - text;
  } else margin = (paper - text) / 2;
  for (const name of ['textwidth', 'hsize', 'linewidth', 'columnwidth'])
    setDimen(it.state, name, text, true);
  setDimen(it.state, 'oddsidemargin', margin - INCH, true);
  setDimen(it.state, 'evensidemargin', margin - INCH, true);
}

function setDown(it: Interpreter, sides: Partial<Record<string, Sp>>, asked: Sp | null): void {
  const paper = it.dimen('paperheight');
  const { top, bottom } = sides;
  let text = asked ?? 0.7 * paper;
  let above: Sp;
  if (top !== undefined && bottom !== undefined) {
    text = paper - top - bottom;
    above = top;
  } else if (top !== undefined) {
    above = top;
    if (asked === null) text = paper - top - 1.5 * top;
  } else if (bottom !== undefined) {
    if (asked === null) text = paper - bottom - bottom / 1.5;
    above = paper - bottom - text;
  } else above = (paper - text) * 0.4;
  setDimen(it.state, 'textheight', text, true);
  setDimen(
    it.state,
    'topmargin',
    above - INCH - it.dimen('headheight') - it.dimen('headsep'),
    true,
  );
}

/** geometry: paper and margins. */
export const geometry: PackageEntry = {
  name: 'geometry',
  description: 'Paper size and margins.',
  options: null,
  keys: KEYS,
  commands: [
    {
      name: 'geometry',
      signature: 'm',
      description: 'Paper size and margins.',
      example: '\\geometry{margin=2.5cm}',
      package: 'geometry',
      run: (it, args) =>
        apply(
          it,
          tokensOf(args, 0)
            .map((t) => (t.cat === 16 ? `\\${t.text} ` : t.text))
            .join(''),
        ),
    },
  ],
  setup: (it, options) => apply(it, options.join(',')),
};
