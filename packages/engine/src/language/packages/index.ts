import type { PackageEntry } from '../entries';
import { amsmath } from './amsmath';
import { amsfonts, amssymb } from './amssymb';
import { amsthm } from './amsthm';
import { enumitem, enumerate } from './enumitem';
import { geometry } from './geometry';
import { mathtools } from './mathtools';
import { parskip } from './parskip';
import { setspace } from './setspace';
import { quiet } from './quiet';
import { xcolor, color } from './xcolor';
import { hyperref, url } from './hyperref';
import { bm } from './bm';

const ALL: readonly PackageEntry[] = [
  amsmath,
  amssymb,
  amsfonts,
  amsthm,
  mathtools,
  bm,
  enumitem,
  enumerate,
  geometry,
  parskip,
  setspace,
  xcolor,
  color,
  hyperref,
  url,
  ...quiet,
];

/** The packages that are understood, by name; each is a file of its own. */
export const PACKAGES: Readonly<Record<string, PackageEntry | undefined>> = Object.fromEntries(
  ALL.map((entry) => [entry.name, entry]),
);
