import { scanInt } from '../../expansion/scan';
import type { CommandEntry, PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment, macroEntry } from '../machine/macroEntry';

/** A sign by its name: a character, or source that draws it. */
type Signs = Readonly<Record<string, string>>;

/** Signs no font here has are drawn. */
const DRAWN = {
  cross: String.raw`\sgn@draw{\put(1,0){\line(5,7){5}}\put(6,0){\line(-5,7){5}}}`,
  heavyCross: String.raw`\sgn@draw{\thicklines\put(1,0){\line(5,7){5}}\put(6,0){\line(-5,7){5}}}`,
  smile: String.raw`\sgn@draw{\put(3.5,3){\circle{7}}\put(2.3,4.4){\circle*{.9}}\put(4.7,4.4){\circle*{.9}}\qbezier(1.8,2.2)(3.5,.6)(5.2,2.2)}`,
  frown: String.raw`\sgn@draw{\put(3.5,3){\circle{7}}\put(2.3,4.4){\circle*{.9}}\put(4.7,4.4){\circle*{.9}}\qbezier(1.8,1.4)(3.5,3)(5.2,1.4)}`,
  box: String.raw`\sgn@draw{\sgn@box}`,
  checkedBox: String.raw`\sgn@draw{\sgn@box\put(1.8,3){\line(2,-3){1.4}}\put(3.2,.9){\line(2,3){2.4}}}`,
  crossedBox: String.raw`\sgn@draw{\sgn@box\put(1.6,1.1){\line(1,1){3.8}}\put(5.4,1.1){\line(-1,1){3.8}}}`,
  bolt: String.raw`\sgn@draw{\put(5,7){\line(-1,-2){2}}\put(3,3){\line(1,0){2.6}}\put(5.6,3){\line(-1,-1){3}}\put(2.6,0){\line(1,0){1.2}}\put(2.6,0){\line(0,1){1.2}}}`,
  letter: String.raw`\sgn@draw{\put(0,0){\framebox(8,5.5){}}\put(0,5.5){\line(4,-3){4}}\put(8,5.5){\line(-4,-3){4}}}`,
} as const;

const SOURCE = String.raw`
\newcommand\sgn@draw[1]{\mbox{\setlength\unitlength{.1em}\begin{picture}(8,7)#1\end{picture}}}
\newcommand\sgn@box{\put(.8,.3){\framebox(5.4,5.4){}}}
`;

/** Signs that are characters, as names and characters in turn. */
function characters(pairs: string): Signs {
  const words = pairs.split(' ');
  return Object.fromEntries(
    words.flatMap((name, i) => (i % 2 === 0 ? [[name, words[i + 1] ?? '']] : [])),
  ) as Signs;
}

/** What drawn signs stand on, for packages that have some of them. */
export const SIGN_SOURCE = SOURCE.replaceAll('\\newcommand', '\\providecommand');
export const BOLT = DRAWN.bolt;

const sign = (name: string, drawn: string): CommandEntry =>
  macroEntry(name, '', 'A sign.', `\\${name}`, /^\\|^\$/.test(drawn) ? drawn : `\\mbox{${drawn}}`);

const signs = (name: string, description: string, table: Signs): PackageEntry => ({
  name,
  description,
  options: null,
  source: SIGN_SOURCE,
  commands: Object.entries(table).map(([command, drawn]) => sign(command, drawn)),
});

/** Signs of the dingbat fonts by their number: from 33 on they are those of Unicode from U+2701 on. */
export function dingbat(number: number): string {
  const own: Readonly<Record<number, string>> = {
    37: '☎',
    51: '✓',
    72: '★',
    64: '$✠$',
    122: '$❚$',
    73: '☆',
    108: '●',
    110: '■',
    115: '▲',
    116: '▼',
    117: '◆',
    52: '✓',
    53: DRAWN.cross,
    54: DRAWN.heavyCross,
    55: DRAWN.cross,
    56: DRAWN.heavyCross,
    41: DRAWN.letter,
    42: '☞',
    43: '☞',
    111: DRAWN.box,
    112: DRAWN.box,
    113: DRAWN.box,
    114: DRAWN.box,
    168: '♣',
    169: '♦',
    170: '♥',
    171: '♠',
    212: '→',
    213: '→',
    214: '↔',
    215: '$↕$',
  };
  if (own[number]) return own[number];
  if (number >= 172 && number <= 181) return String.fromCodePoint(0x2460 + number - 172);
  return String.fromCodePoint(0x2700 + number - (number > 160 ? 64 : 32));
}

/** pifont: dingbats by their number. */
export const pifont: PackageEntry = {
  name: 'pifont',
  description: 'Signs by their number: ticks, crosses, stars, numbers in circles.',
  options: null,
  source: `${SOURCE}${String.raw`
\newenvironment{dinglist}[1]{\begin{itemize}\def\labelitemi{\ding{#1}}}{\end{itemize}}
\newcount\ding@at\newenvironment{dingautolist}[1]{\begin{enumerate}\ding@at#1\relax\def\labelenumi{\ding{\the\numexpr\ding@at+\value{enumi}-1\relax}}}{\end{enumerate}}
\newcommand\dingline[1]{\par\noindent\leaders\hbox{ \ding{#1} }\hfill\kern\z@\par}\newcommand\dingfill[1]{\leaders\hbox{ \ding{#1} }\hfill}
`}`.replaceAll('\\newcommand\\sgn', '\\providecommand\\sgn'),
  described: [
    sourceEnvironment(
      'dinglist',
      'm',
      'A list with a sign before each item.',
      '\\begin{dinglist}{51}\\item Ebb\\end{dinglist}',
    ),
    sourceEnvironment(
      'dingautolist',
      'm',
      'A list numbered by signs from that one on.',
      '\\begin{dingautolist}{172}\\item Ebb\\end{dingautolist}',
    ),
    sourceCommand('dingline', 'm', 'A line of signs.', '\\dingline{51}'),
  ],
  commands: [
    {
      name: 'ding',
      signature: 'm',
      description: 'A sign by its number: 51 a tick, 55 a cross, 72 a star, 172 a one in a circle.',
      example: '\\ding{51}',
      run: (it, args) => {
        const tokens = Array.isArray(args[0]) ? args[0] : [];
        it.p.push([...tokens, it.p.command('relax')]);
        const number = scanInt(it.p);
        const rest = it.p.next();
        if (rest && rest.text !== 'relax') it.p.unread(rest);
        it.p.push(it.source(`\\mbox{${dingbat(number)}}`));
      },
      math: (reader, token) => {
        const tokens = reader.argument(token);
        reader.p.push([
          ...reader.it.source('\\mbox{\\ding{'),
          ...tokens,
          ...reader.it.source('}}'),
        ]);
        return null;
      },
    },
  ],
};

/** wasysym: signs of many kinds. */
export const wasysym = signs(
  'wasysym',
  'Signs of many kinds: faces, boxes to tick, music, planets.',
  {
    ...characters(
      'diameter ⌀ varangle ∢ venus ♀ mars ♂ LEFTcircle ◐ RIGHTcircle ◑ fullmoon ○ newmoon ● quarternote ♩ halfnote ♪ astrosun ☉ pointer ☞ brokenvert ¦ thorn þ Thorn Þ',
    ),
    wasytherefore: '$∴$',
    invneg: '$⌐$',
    kreuz: '$✠$',
    Box: DRAWN.box,
    AC: '$\\sim$',
    HF: '$\\approx$',
    ocircle: '$⊚$',
    smiley: DRAWN.smile,
    frownie: DRAWN.frown,
    blacksmiley: DRAWN.smile,
    checked: '✓',
    Square: DRAWN.box,
    CheckedBox: DRAWN.checkedBox,
    XBox: DRAWN.crossedBox,
    male: '♂',
    female: '♀',
    phone: '☎',
    sun: '☀',
    lightning: DRAWN.bolt,
    Circle: '◯',
    CIRCLE: '●',
    Bowtie: '$\\bowtie$',
    eighthnote: '♪',
    twonotes: '♫',
    permil: '‰',
    cent: '¢',
    RHD: '$\\triangleright$',
    LHD: '$\\triangleleft$',
    davidsstar: '★',
  },
);

/** marvosym: signs of everyday things. */
export const marvosym = signs('marvosym', 'Signs of everyday things.', {
  ...characters(
    'Mobilefone ☏ Euro € EURdig € Female ♀ Male ♂ Yinyang ☯ Pfund £ Rightscissors ✂ Recycling ♻ Pickup ☎ Cross †',
  ),
  Email: DRAWN.letter,
  Lightning: DRAWN.bolt,
  Smiley: DRAWN.smile,
  Frowny: DRAWN.frown,
  Letter: DRAWN.letter,
  Telefon: '☎',
  EUR: '€',
  Heart: '♥',
  Square: DRAWN.box,
  Checkedbox: DRAWN.checkedBox,
  CheckedBox: DRAWN.checkedBox,
  Crossedbox: DRAWN.crossedBox,
  HollowBox: DRAWN.box,
  CrossedBox: DRAWN.crossedBox,
  Mars: '♂',
  Venus: '♀',
  Sun: '☀',
  MVRightarrow: '→',
  Info: '\\textbf{i}',
  Stopsign: '⚠',
  Pointinghand: '☞',
});

/** bbding: ticks, crosses and hands. */
export const bbding = signs('bbding', 'Ticks, crosses, stars and hands.', {
  Checkmark: '✓',
  CheckmarkBold: '✓',
  XSolid: DRAWN.cross,
  XSolidBold: DRAWN.heavyCross,
  HandRight: '☞',
  HandLeft: '☜',
  FiveStar: '★',
  FiveStarOpen: '☆',
  Square: DRAWN.box,
  Envelope: DRAWN.letter,
  Phone: '☎',
});

const ICONS: Signs = {
  check: '✓',
  'check-square': DRAWN.checkedBox,
  square: DRAWN.box,
  times: DRAWN.cross,
  star: '★',
  circle: '●',
  'arrow-right': '→',
  'arrow-left': '←',
  'arrow-up': '↑',
  'arrow-down': '↓',
  'exclamation-triangle': '⚠',
  phone: '☎',
  envelope: DRAWN.letter,
  heart: '♥',
  'hand-point-right': '☞',
  smile: DRAWN.smile,
  frown: DRAWN.frown,
  sun: '☀',
  music: '♫',
  bolt: DRAWN.bolt,
  'info-circle': '\\textbf{i}',
  info: '\\textbf{i}',
  code: '\\texttt{</>}',
  terminal: '\\texttt{>\\_}',
  ...characters(
    'pencil-alt ✎ pen ✎ edit ✎ book 🕮 file 🗎 file-alt 🗎 folder 🗀 folder-open 🗁 home ⌂ cog ⚙ cogs ⚙ clock 🕐 search 🔍 lock 🔒 unlock 🔓 trash 🗑 thumbs-up 👍 thumbs-down 👎 flag ⚑ comments 🗪 laptop 💻 check-circle ✔ times-circle ⊗ exclamation-circle ⚠ warning ⚠ plus-circle ⊕ caret-right ▸ caret-left ◂ caret-up ▴ caret-down ▾ chevron-right ❯ chevron-left ❮ angle-right › angle-left ‹ angle-double-right » angle-double-left « arrow-circle-right ➲ arrows-alt-h ↔ sync ⟳ moon ☾ cloud ☁ snowflake ❄ coffee ☕ trophy 🏆 graduation-cap 🎓 university 🏛 balance-scale ⚖ anchor ⚓ ship ⛴ bullseye ◎ dot-circle ◉ play ▶ stop ■ pause ⏸ cut ✂ print 🖶 chart-bar 📊 chart-line 📈 radiation ☢ biohazard ☣ recycle ♻ infinity ∞ dice ⚂ peace ☮ yin-yang ☯ wheelchair ♿ chess-king ♔ chess-queen ♕ mars ♂ venus ♀ leaf ☘ plane ✈ bomb 💣 eye 👁 quote-left “ quote-right ” plus + minus − equals = asterisk ∗ hashtag \\# at @ question ? exclamation ! question-circle ? copyright © registered ® euro-sign € dollar-sign \\$ pound-sign £ minus-circle $\\ominus$ long-arrow-alt-right $\\longrightarrow$ long-arrow-alt-left $\\longleftarrow$ arrows-alt-v $\\updownarrow$ undo $\\hookleftarrow$ redo $\\hookrightarrow$',
  ),
};
/** Icons that no font here has: their names are set in a frame. */
const NAMED_ICONS =
  'lightbulb user users calendar calendar-alt link key fire bell comment globe map-marker map-marker-alt paperclip save wrench hammer skull car train gift github linkedin twitter facebook orcid python'.split(
    ' ',
  );
const iconName = (name: string): string =>
  `fa${name
    .split('-')
    .map((part) => part.charAt(0).toUpperCase() + part.slice(1))
    .join('')}`;

/** fontawesome: icons by their names. */
function icons(name: string): PackageEntry {
  const entry = signs(
    name,
    'Icons by their names; the commonest are drawn.',
    Object.fromEntries(Object.entries(ICONS).map(([icon, drawn]) => [iconName(icon), drawn])),
  );
  return {
    ...entry,
    described: [sourceCommand('faIcon', 'om', 'An icon by its name.', '\\faIcon{check}')],
    source: `${entry.source ?? ''}\\newcommand\\faIcon[2][]{\\@ifundefined{fa@icon@#2}{\\fbox{#2}}{\\@nameuse{fa@icon@#2}}}${Object.keys(
      ICONS,
    )
      .map((icon) => `\\@namedef{fa@icon@${icon}}{\\${iconName(icon)}}`)
      .join(
        '',
      )}${NAMED_ICONS.map((icon) => `\\newcommand\\${iconName(icon)}{\\faIcon{${icon}}}`).join('')}`,
  };
}
export const fontawesome5 = icons('fontawesome5');
export const fontawesome = icons('fontawesome');
