import { isOn, type Settings } from './quantitySettings';

/** Names and the symbols they print (the brochure of the SI and the package's manual). */
const NAMED = `
metre=m meter=m kilogram=kg gram=g second=s ampere=A kelvin=K mole=mol candela=cd hertz=Hz newton=N pascal=Pa joule=J
watt=W coulomb=C volt=V farad=F siemens=S weber=Wb tesla=T henry=H lumen=lm lux=lx becquerel=Bq gray=Gy sievert=Sv
katal=kat radian=rad steradian=sr minute=min hour=h day=d litre=L liter=L tonne=t hectare=ha bar=bar electronvolt=eV
atomicmassunit=u dalton=Da astronomicalunit=au neper=Np bel=B decibel=dB byte=B bit=bit knot=kn barn=b
mmHg=mmHg nauticalmile=M
fg=fg pg=pg ng=ng mg=mg g=g kg=kg pm=pm nm=nm mm=mm cm=cm dm=dm m=m km=km as=as fs=fs ps=ps ns=ns ms=ms s=s
fmol=fmol pmol=pmol nmol=nmol mmol=mmol mol=mol kmol=kmol pA=pA nA=nA mA=mA A=A kA=kA ml=ml l=l hl=hl mL=mL L=L hL=hL
mHz=mHz Hz=Hz kHz=kHz MHz=MHz GHz=GHz THz=THz mN=mN N=N kN=kN MN=MN Pa=Pa kPa=kPa MPa=MPa GPa=GPa
pV=pV nV=nV mV=mV V=V kV=kV nW=nW mW=mW W=W kW=kW MW=MW GW=GW J=J mJ=mJ kJ=kJ eV=eV meV=meV keV=keV MeV=MeV GeV=GeV
TeV=TeV F=F fF=fF pF=pF nF=nF H=H fH=fH pH=pH nH=nH mH=mH C=C nC=nC mC=mC K=K T=T mT=mT dB=dB kb=kb kB=kB Mb=Mb MB=MB
Gb=Gb GB=GB Tb=Tb TB=TB kibi=Ki
`;

const MICRO = '\\mbox{\\upshape µ}';
/** Symbols that are more than letters. */
const SIGNS: Readonly<Record<string, string>> = {
  ohm: '\\Omega',
  mohm: 'm\\Omega',
  kohm: 'k\\Omega',
  Mohm: 'M\\Omega',
  celsius: '{}^{\\circ}C',
  degreeCelsius: '{}^{\\circ}C',
  degree: '{}^{\\circ}',
  arcminute: "{}'",
  arcsecond: "{}''",
  percent: '\\%',
  angstrom: 'Å',
  kWh: 'kW\\,h',
  ...Object.fromEntries(
    ['g', 'm', 's', 'mol', 'A', 'l', 'L', 'V', 'W', 'J', 'F', 'H', 'C', 'T', 'N'].map((unit) => [
      `u${unit}`,
      `${MICRO}${unit}`,
    ]),
  ),
};

const pairs = (text: string): Record<string, string> =>
  Object.fromEntries(
    text
      .trim()
      .split(/\s+/)
      .map((pair) => pair.split('=')),
  );

const UNITS: Readonly<Record<string, string>> = { ...pairs(NAMED), ...SIGNS };

const PREFIXES: Readonly<Record<string, string>> = {
  ...pairs(
    'quecto=q ronto=r yocto=y zepto=z atto=a femto=f pico=p nano=n milli=m centi=c deci=d deca=da deka=da hecto=h kilo=k mega=M giga=G tera=T peta=P exa=E zetta=Z yotta=Y ronna=R quetta=Q kibi=Ki mebi=Mi gibi=Gi tebi=Ti pebi=Pi exbi=Ei zebi=Zi yobi=Yi',
  ),
  micro: MICRO,
};

/** Units, prefixes, powers and qualifiers that a document declares. */
export interface OwnUnits {
  readonly units: Readonly<Record<string, string>>;
  readonly prefixes: Readonly<Record<string, string>>;
  /** Before the unit and behind it. */
  readonly powersBefore: Readonly<Record<string, number>>;
  readonly powersBehind: Readonly<Record<string, number>>;
  readonly qualifiers: Readonly<Record<string, string>>;
}

export const NO_OWN_UNITS: OwnUnits = {
  units: {},
  prefixes: {},
  powersBefore: {},
  powersBehind: {},
  qualifiers: {},
};

const BEFORE: Readonly<Record<string, number>> = { square: 2, cubic: 3 };
const BEHIND: Readonly<Record<string, number>> = { squared: 2, cubed: 3 };

/** Is there a unit, a prefix or the like of this name? */
export const isUnitName = (name: string, own: OwnUnits): boolean =>
  /^(?:per|of|tothe|raiseto|cancel|highlight)$/.test(name) ||
  [UNITS, PREFIXES, BEFORE, BEHIND, ...Object.values(own)].some((table) => name in table);

/** One unit of a product, with its power. */
export interface UnitPart {
  readonly symbol: string;
  readonly power: number;
  readonly qualifier: string | null;
}

/** A command, a group, or a sign of what is written of units. */
const PIECE = /\\([A-Za-z]+)\s*|(\{(?:[^{}]|\{[^{}]*\})*\})|(\s+)|([\s\S])/g;

/** How deep units may be made of units. */
const DEPTH = 8;

/** Reads units that are written as commands alone (`\kilo\metre\per\second\squared`); null where letters stand among them. */
export function readUnits(
  text: string,
  own: OwnUnits,
  settings: Settings,
  depth = 0,
): readonly UnitPart[] | null {
  const parts: UnitPart[] = [];
  let [prefix, sign, next] = ['', 1, 1];
  const put = (symbol: string): void => {
    parts.push({ symbol: prefix + symbol, power: sign * next, qualifier: null });
    prefix = '';
    next = 1;
    if (!isOn(settings, 'sticky-per')) sign = 1;
  };
  const changeLast = (change: (last: UnitPart) => UnitPart): void => {
    const last = parts.pop();
    if (last) parts.push(change(last));
  };
  const raise = (power: number): void =>
    changeLast((last) => ({ ...last, power: last.power * power }));
  const pieces = [...text.matchAll(PIECE)].filter(([, , , blank]) => blank === undefined);
  const argument = (at: number): string =>
    (pieces[at]?.[2] ?? pieces[at]?.[0] ?? '').replace(/^\{(.*)\}$/s, '$1').trim();
  for (let i = 0; i < pieces.length; i++) {
    const [, name, , , sign2] = pieces[i] ?? [];
    if (sign2 === '^') {
      raise(Number(argument(++i)) || 1);
      continue;
    }
    if (name === undefined) return null;
    const named = own.units[name];
    const inner =
      named?.includes('\\') && depth < DEPTH ? readUnits(named, own, settings, depth + 1) : null;
    if (name === 'per') sign = -1;
    else if (name === 'tothe') raise(Number(argument(++i)) || 1);
    else if (name === 'raiseto') next = Number(argument(++i)) || 1;
    else if (name === 'of') {
      const qualifier = argument(++i);
      changeLast((last) => ({ ...last, qualifier }));
    } else if (name === 'highlight') i++;
    else if (name === 'cancel') continue;
    else if (name in own.powersBefore || name in BEFORE)
      next = own.powersBefore[name] ?? BEFORE[name] ?? 1;
    else if (name in own.powersBehind || name in BEHIND)
      raise(own.powersBehind[name] ?? BEHIND[name] ?? 1);
    else if (name in own.qualifiers)
      changeLast((last) => ({ ...last, qualifier: own.qualifiers[name] ?? '' }));
    else if (inner) {
      for (const part of inner) {
        const first = part === inner[0];
        parts.push({
          ...part,
          symbol: first ? prefix + part.symbol : part.symbol,
          power: part.power * sign * next,
        });
      }
      [prefix, next] = ['', 1];
      if (!isOn(settings, 'sticky-per')) sign = 1;
    } else if (named !== undefined) put(named);
    else if (name in own.prefixes || name in PREFIXES)
      prefix += own.prefixes[name] ?? PREFIXES[name] ?? '';
    else if (UNITS[name] !== undefined) put(UNITS[name]);
    else put(`\\${name} `);
  }
  return parts;
}

/** Letters and signs as they stand, `.` and `~` for a product (manual, section 3.3: literal units). */
function literal(text: string, own: OwnUnits, settings: Settings): string {
  const between = settings['inter-unit-product'] ?? '\\,';
  const known = text.replace(/\\([A-Za-z]+)\s*/g, (whole, name: string) =>
    name === 'per'
      ? (settings['per-symbol'] ?? '/')
      : (own.units[name] ?? own.prefixes[name] ?? UNITS[name] ?? PREFIXES[name] ?? whole),
  );
  const joined = known
    .replace(/\s+/g, '')
    .replace(/[.~⋅·]/g, between)
    .replace(/\u00b0/g, '{}^{\\circ}')
    .replace(/[µμ]/g, MICRO)
    .replace(/[ΩΩ]/g, '\\Omega ');
  return `${settings['unit-font-command'] ?? '\\mathrm'}{${joined}}`;
}

function partSource({ symbol, power, qualifier }: UnitPart, settings: Settings): string {
  const font = settings['unit-font-command'] ?? '\\mathrm';
  const raised = power === 1 ? '' : `^{${power}}`;
  if (qualifier === null) return `${font}{${symbol}}${raised}`;
  switch (settings['qualifier-mode']) {
    case 'bracket':
      return `${font}{${symbol}(${qualifier})}${raised}`;
    case 'combine':
      return `${font}{${symbol}${qualifier}}${raised}`;
    case 'phrase':
      return `${font}{${symbol}}\\mbox{${settings['qualifier-phrase'] ?? ' '}}${font}{${qualifier}}${raised}`;
    default:
      return `${font}{${symbol}}_{${font}{${qualifier}}}${raised}`;
  }
}

/** Units as a formula: powers by themselves, as a fraction, or behind a stroke. */
export function unitSource(text: string, settings: Settings, own: OwnUnits = NO_OWN_UNITS): string {
  if (text.trim() === '') return '';
  const parts = isOn(settings, 'parse-units') ? readUnits(text, own, settings) : null;
  if (!parts) return literal(text, own, settings);
  const one = (part: UnitPart): string => partSource(part, settings);
  const between = settings['inter-unit-product'] ?? '\\,';
  const mode = settings['per-mode'] ?? 'power';
  const above = parts.filter(({ power }) => power > 0).map(one);
  const under = parts
    .filter(({ power }) => power < 0)
    .map((part) => one({ ...part, power: -part.power }));
  const slash = settings['per-symbol'] ?? '/';
  if (under.length === 0) return parts.map(one).join(between);
  const over = above.join(between) || '1';
  switch (mode) {
    case 'fraction':
      return `${settings['fraction-command'] ?? '\\frac'}{${over}}{${under.join(between)}}`;
    case 'repeated-symbol':
      return [over, ...under].join(slash);
    case 'symbol':
    case 'single-symbol':
    case 'symbol-or-fraction': {
      if (mode === 'single-symbol' && under.length > 1) return parts.map(one).join(between);
      const brackets = under.length > 1 && isOn(settings, 'bracket-unit-denominator');
      const below = under.join(between);
      return `${over}${slash}${brackets ? `(${below})` : below}`;
    }
    case 'power-positive-first':
      return [...parts]
        .sort((a, b) => Number(b.power > 0) - Number(a.power > 0))
        .map(one)
        .join(between);
    default:
      return parts.map(one).join(between);
  }
}

/** A degree, a minute or a second of arc stands close to its number. */
export const standsClose = (unit: string): boolean =>
  /^\\mathrm\{\{\}(?:\^\{\\circ\}|'{1,2})\}/.test(unit);
