import { CIRCUIT_BODIES } from '../../drawing/circuitBodies';
import type { PackageEntry } from '../machine/entries';
import { pictureEnvironment, pictureInMath } from '../pictures/commands';

/** The names of each part, as lines of `to` have them. */
const PARTS: Readonly<Record<string, string>> = {
  short: 'short',
  open: 'open',
  'american resistor': 'R, resistor, american resistor',
  generic: 'generic, european resistor, xgeneric',
  'variable resistor':
    'vR, variable resistor, variable american resistor, american variable resistor',
  potentiometer: 'pR, potentiometer, american potentiometer',
  thermistor: 'thermistor, thR, thRp, thRn, ntc, ptc',
  memristor: 'memristor, Mr',
  fuse: 'fuse',
  capacitor: 'C, capacitor',
  'polar capacitor': 'eC, ecapacitor, pC, polar capacitor, cC, curved capacitor',
  'variable capacitor': 'vC, variable capacitor',
  inductor: 'L, inductor, cute inductor',
  'american inductor': 'american inductor',
  'full inductor': 'european inductor',
  battery: 'battery',
  cell: 'battery1, battery2',
  'european voltage source': 'V, voltage source, european voltage source, vsource, esource',
  'american voltage source': 'american voltage source, vsourceAM',
  'sinusoidal source': 'sV, vsourcesin, sinusoidal voltage source',
  'european current source': 'I, current source, european current source, isource',
  'american current source': 'american current source, isourceAM',
  'controlled voltage source':
    'cV, controlled voltage source, cvsource, american controlled voltage source, european controlled voltage source, cvsourceAM',
  'controlled current source':
    'cI, controlled current source, cisource, american controlled current source, european controlled current source, cisourceAM',
  'dc voltage source': 'dcvsource, dcisource',
  'square source': 'sqV, square voltage source, vsourcesquare',
  'empty diode': 'D, Do, empty diode, diode',
  'full diode': 'D*, full diode',
  'zener diode': 'zD, zDo, zD*, empty Zener diode, Zener diode',
  'Schottky diode': 'sD, sDo, sD*, Schottky diode, empty Schottky diode',
  photodiode: 'pD, pDo, pD*, photodiode, empty photodiode',
  'light diode': 'leD, leDo, leD*, empty led, led',
  lamp: 'lamp, bulb',
  ammeter: 'ammeter, rmeter',
  voltmeter: 'voltmeter',
  ohmmeter: 'ohmmeter',
  galvanometer: 'galvanometer',
  wattmeter: 'wattmeter',
  'push button': 'push button, nopb, normally open push button',
  crossing: 'crossing, xing',
  'open switch': 'switch, spst, nos, ospst, opening switch, closing switch, cspst',
  'closed switch': 'ncs, closed switch',
};
const SAID: Readonly<Record<string, string>> = {
  'circuit label': 'l, l^, label, a^',
  'circuit label below': 'l_, a, a_, annotation',
  'circuit voltage': 'v, v_, v>, v_>, v>_',
  'circuit voltage above': 'v^, v^>, v>^',
  'circuit voltage against': 'v<, v_<, v<_, v^<, v<^',
  'circuit current': 'i, i^, i>, i>^, i^>, f, f^, f>^',
  'circuit current below': 'i_, i>_, i_>, f_, f>_',
  'circuit current against': 'i<, i<^, i^<, i<_, i_<',
};
const POLES = ['o-o', '*-*', 'o-*', '*-o', 'o-', '-o', '*-', '-*'];
const ENDS = 'ground, sground, rground, tlground, cground, circ, ocirc, diamondpole';
/** Parts that are nodes with ends of their own. */
const BODIES = Object.keys(CIRCUIT_BODIES);

const each = (names: string, style: (name: string) => string): string =>
  names
    .split(', ')
    .map((name) => `{${name}/.style={${style(name)}},${name}/.default={}}`)
    .map((pair) => `\\tikzset${pair}`)
    .join('');

const PART_STYLES = Object.entries(PARTS)
  .map(([part, names]) => each(names, () => `circuit part={${part}},circuit label={#1}`))
  .join('');
const SAID_STYLES = Object.entries(SAID)
  .map(([key, names]) => each(names, () => `${key}={#1}`))
  .join('');
const POLE_STYLES = POLES.map(
  (poles) => `\\tikzset{${poles}/.style={circuit poles=${poles}}}`,
).join('');
const END_STYLES = each(ENDS, (name) => `circuit end=${name}`);
const BODY_STYLES =
  BODIES.map((name) => each(name, () => `shape=${name},circuit end=${name}`)).join('') +
  ['nigfete', 'nigfetd'].map((name) => each(name, () => 'nmos')).join('') +
  ['pigfete', 'pigfetd'].map((name) => each(name, () => 'pmos')).join('') +
  each('en amp, fd op amp, gm amp', () => 'op amp') +
  each('american and port, ieeestd and port', () => 'and port') +
  each('cute spdt up, cute spdt down, cute spdt mid', () => 'spdt') +
  '\\tikzset{n/.style={},tr circle/.style={},bulk/.style={},bodydiode/.style={},arrowmos/.style={},emptycircle/.style={},noinv input up/.style={}}';
const SHARED = `\\tikzset{invert/.style={circuit inverted},mirror/.style={circuit mirrored}}`;

/** What is otherwise in the American way, and in the European. */
const WAYS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  american: {
    'american resistor': 'R, resistor',
    'american voltage source': 'V, voltage source, vsource',
    'american current source': 'I, current source, isource',
    'american inductor': 'L, inductor',
  },
  european: { generic: 'R, resistor', 'full inductor': 'L, inductor' },
};
const wayStyles = (way: string): string =>
  Object.entries(WAYS[way] ?? {})
    .map(([part, names]) => each(names, () => `circuit part={${part}},circuit label={#1}`))
    .join('');
const way = (name: string): string =>
  `\\def\\circuit@${name}{${wayStyles(name).replaceAll('#1', '##1')}\\tikzset{circuit signs=${name},every picture/.append style={circuit signs=${name}}}}\\tikzset{${name}/.code={\\csname circuit@${name}\\endcsname}}`;

/** `\ctikzset{american}`: a way of drawing, for what follows; other settings are passed over. */
const CHOICES = String.raw`
\def\ctikzset#1{\@for\circuit@one:=#1\do{%
  \@ifundefined{circuit@\circuit@one}{}{\csname circuit@\circuit@one\endcsname}}}`;

const OPTIONS = ['american', 'european'];
const PARTIAL =
  'americanvoltages americancurrents americanresistors europeanvoltages europeancurrents europeanresistors cuteinductors siunitx RPvoltages straightvoltages nooldvoltagedirection oldvoltagedirection compatibility';

/** What options of the package stand for. */
const CHOSEN: Readonly<Record<string, string>> = {
  siunitx: '\\RequirePackage{siunitx}',
  american: '\\csname circuit@american\\endcsname',
  european: '\\csname circuit@european\\endcsname',
  americanvoltages: '\\tikzset{every picture/.append style={circuit signs=american}}',
  europeanresistors: each('R, resistor', () => 'circuit part=generic,circuit label={#1}'),
};

/** circuitikz: circuits, as lines that lead through their parts. */
export const circuitikz: PackageEntry = {
  name: 'circuitikz',
  description: 'Circuits: lines that lead through resistors, capacitors, sources, lamps.',
  options: [...OPTIONS, ...PARTIAL.split(' ')],
  requires: ['tikz'],
  source: [
    PART_STYLES,
    SAID_STYLES,
    POLE_STYLES,
    END_STYLES,
    BODY_STYLES,
    SHARED,
    OPTIONS.map(way).join(''),
    CHOICES,
  ].join('\n'),
  setup: (it, options) =>
    it.execute(it.source(options.map((option) => CHOSEN[option] ?? '').join(''))),
  environments: [
    {
      ...pictureEnvironment,
      name: 'circuitikz',
      package: 'circuitikz',
      math: pictureInMath('circuitikz'),
      description: 'A picture of a circuit.',
      example:
        '\\begin{circuitikz}\n\\draw (0,0) to[battery1, l=$U$] (0,2) to[R=$R$] (3,2) to[C=$C$] (3,0) -- (0,0);\n\\end{circuitikz}',
    },
  ],
  described: [
    {
      kind: 'command',
      name: 'ctikzset',
      signature: 'm',
      description: 'Sets how circuits are drawn: american or european.',
      example:
        '\\ctikzset{american}\\begin{circuitikz}\\draw (0,0) to[V=$U$] (2,0);\\end{circuitikz}',
    },
  ],
};
