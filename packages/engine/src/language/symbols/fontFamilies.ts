import type { FontFace, FontFamily, FontSpec, MonoFace, SansFace } from '../../document/font';

/** What a family of the font selection scheme is here: a kind of type, and its design where that is another. */
export type KnownFamily = Pick<FontSpec, 'family'> &
  Partial<Pick<FontSpec, 'face' | 'sansFace' | 'monoFace'>>;

const roman = (face: FontFace): KnownFamily => ({ family: 'roman', face });
const sans = (sansFace: SansFace): KnownFamily => ({ family: 'sans', sansFace });
const mono = (monoFace: MonoFace): KnownFamily => ({ family: 'mono', monoFace });

/** Families by their names (psnfss, TeX Gyre and their kin). */
const FAMILIES: Readonly<Record<string, KnownFamily | undefined>> = {
  ptm: roman('termes'),
  ptmx: roman('termes'),
  qtm: roman('termes'),
  ntxtlf: roman('termes'),
  txr: roman('termes'),
  ppl: roman('pagella'),
  pplx: roman('pagella'),
  pplj: roman('pagella'),
  qpl: roman('pagella'),
  pxr: roman('pagella'),
  pnc: roman('schola'),
  qcs: roman('schola'),
  fnc: roman('schola'),
  pbk: roman('bonum'),
  qbk: roman('bonum'),
  fxl: roman('libertine'),
  LinuxLibertineT: roman('libertine'),
  phv: sans('heros'),
  qhv: sans('heros'),
  ua1: sans('heros'),
  pag: sans('adventor'),
  qag: sans('adventor'),
  pcr: mono('cursor'),
  qcr: mono('cursor'),
  rm: { family: 'roman' },
  cmr: { family: 'roman' },
  lmr: { family: 'roman' },
  sf: { family: 'sans' },
  cmss: { family: 'sans' },
  lmss: { family: 'sans' },
  tt: { family: 'mono' },
  cmtt: { family: 'mono' },
  lmtt: { family: 'mono' },
};

/** What a family's name means; by its sound where it is none that is known. */
export function fontFamily(name: string): KnownFamily {
  const known = FAMILIES[name];
  if (known) return known;
  const family: FontFamily = /tt|pcr|fvm|courier|mono/i.test(name)
    ? 'mono'
    : /ss|sf|phv|helvet|avant|sans/i.test(name)
      ? 'sans'
      : 'roman';
  return { family };
}

/** Fonts by the names of their files or makers, and what is near enough that its letters are as wide. */
const NAMED: readonly (readonly [RegExp, KnownFamily])[] = [
  [/times|termes|stix|xits|liberation serif|nimbus roman|tempora/i, roman('termes')],
  [/palatino|pagella|palladio|book antiqua|asana/i, roman('pagella')],
  [/schola|schoolbook|c059/i, roman('schola')],
  [/bonum|bookman/i, roman('bonum')],
  [/libertine|libertinus serif/i, roman('libertine')],
  [
    /latin modern (?:roman|math)|^lm ?(?:roman|math)|computer modern|cmu serif|new ?cm/i,
    roman('modern'),
  ],
  [/helvetica|heros|arial|nimbus sans|liberation sans|arimo/i, sans('heros')],
  [/adventor|avant ?garde|century gothic|gothic l/i, sans('adventor')],
  [/cursor|courier|nimbus mono|liberation mono|cousine/i, mono('cursor')],
];

/** What a font's name means of what ships; null when none here is like it. */
export const fontNamed = (name: string): KnownFamily | null =>
  NAMED.find(([pattern]) => pattern.test(name))?.[1] ?? null;
