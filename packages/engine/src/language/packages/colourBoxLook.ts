import { PT, type Glue, type Sp } from '../../base/lengths';
import type { Paint } from '../../base/paint';
import { cell } from '../../expansion/cells';
import { ALL_ROUND, type RoundCorners } from '../constructs/framedBlocks';
import type { Token } from '../../expansion/meaning';

export const MM = 2.845274 * PT;

export interface AttachedTitle {
  readonly top: boolean;
  readonly align: 'left' | 'center' | 'right';
  readonly shift: readonly [x: Sp, y: Sp | 'half'];
}

export interface Borderline {
  readonly edges: string;
  readonly width: Sp;
  readonly offset: Sp;
  readonly paint: Paint;
  /** Lengths of dashes and gaps in turn; none for a whole line. */
  readonly dash: readonly Sp[];
}

/** How a coloured box looks. */
export interface BoxLook {
  /** Null: what is beneath shows through. */
  readonly ground: Paint | null;
  readonly frame: Paint;
  readonly opacity: { readonly back: number; readonly frame: number; readonly title: number };
  readonly words: Paint | null;
  readonly titleGround: Paint | null;
  readonly titleWords: Paint;
  readonly title: readonly Token[] | null;
  readonly titleFont: readonly Token[];
  readonly font: readonly Token[];
  /** Thickness of the frame at left, right, top and bottom. */
  readonly rules: readonly [left: Sp, right: Sp, top: Sp, bottom: Sp];
  readonly arc: Sp;
  /** Room within at left, right, top and bottom. */
  readonly room: readonly [left: Sp, right: Sp, top: Sp, bottom: Sp];
  /** What the room has of the box itself (`boxsep`). */
  readonly sep: Sp;
  /** In a line its words stand on the baseline, not its lower edge. */
  readonly onLine: boolean;
  readonly width: Sp | null;
  readonly before: Glue | null;
  readonly after: Glue | null;
  readonly align: string;
  readonly label: readonly Token[] | null;
  /** The title as a box of its own on the edge of this one, at a place, moved, with a look by its own keys. */
  readonly attached: AttachedTitle | null;
  readonly titleKeys: readonly Token[];
  /** Lines beside the frame: how thick, how far within it, at which edges. */
  readonly borderlines: readonly Borderline[];
  readonly shadow: 'none' | 'plain' | 'fuzzy';
  /** The upper and the lower part side by side, the first with such a share of the width, or one of them so wide. */
  readonly beside: number | null;
  readonly besideWidth: { readonly left: boolean; readonly width: Sp } | null;
  readonly besideGap: Sp;
  readonly besideAlign: 'top' | 'center' | 'bottom';
  /** It may go on over pages. */
  readonly breakable: boolean;
  /** Whether a title is shown where it belongs (`detach title`: it is not). */
  readonly titleShown: boolean;
  readonly titleAlign: string;
  /** Room above and below the words of a title; thickness of the line below it. */
  readonly titleRoom: readonly [top: Sp, bottom: Sp];
  readonly titleRule: Sp;
  /** What stands before and behind the text, the part below, the title. */
  readonly around: Readonly<Record<AroundKey, readonly Token[]>>;
  /** Options of the headings within it. */
  readonly subtitle: readonly Token[];
  /** How the part below `\\tcblower` looks, and whether a line parts it. */
  readonly lower: LowerLook;
  /** The height of the whole, and where what is within stands in it. */
  readonly height: Sp | null;
  readonly valign: 'top' | 'center' | 'bottom';
  /** What it holds is the contents of an environment. */
  readonly within: { readonly name: string; readonly args: string } | null;
  /** Of a box for programs: what of it is shown, in order. */
  readonly program: readonly ('listing' | 'text')[];
  /** Drawn over the box, and beneath what it holds, in the language of pictures. */
  readonly overlay: readonly Token[];
  readonly underlay: readonly Token[];
  readonly watermark: readonly Token[];
  /** Where a box stands that is less wide than the lines; by how much it reaches over them. */
  readonly place: 'left' | 'center' | 'right';
  readonly grow: readonly [left: Sp, right: Sp];
  /** It stands in a line of text, as wide as said. */
  readonly inLine: boolean;
  readonly boxAlign: 'top' | 'center' | 'bottom' | 'base';
  /** As wide as the words it holds. */
  readonly natural: boolean;
  readonly corners: RoundCorners;
  /** Nothing of the frame lies beneath the ground. */
  readonly jigsaw: boolean;
}

export type AroundKey = `${'before' | 'after'} ${'upper' | 'lower' | 'title'}`;

/** The look of the part below. */
export interface LowerLook {
  readonly ground: Paint | null;
  readonly words: Paint | null;
  readonly font: readonly Token[];
  readonly align: string;
  readonly separated: boolean;
}

/** The standard look (the manual's figures): a frame of half a millimetre, room of four and two, and one of the box itself. */
export const STANDARD_BOX: BoxLook = {
  ground: 0xf2f2f2,
  frame: 0x404040,
  opacity: { back: 1, frame: 1, title: 1 },
  words: null,
  titleGround: null,
  titleWords: 0xffffff,
  title: null,
  titleFont: [],
  font: [],
  rules: [0.5 * MM, 0.5 * MM, 0.5 * MM, 0.5 * MM],
  arc: MM,
  room: [5 * MM, 5 * MM, 3 * MM, 3 * MM],
  sep: MM,
  onLine: false,
  width: null,
  before: null,
  after: null,
  align: '',
  label: null,
  attached: null,
  titleKeys: [],
  borderlines: [],
  shadow: 'none',
  beside: null,
  besideWidth: null,
  besideGap: 10 * PT,
  besideAlign: 'center',
  breakable: false,
  titleShown: true,
  titleAlign: '',
  titleRoom: [0, 0],
  titleRule: 0,
  around: {
    'before upper': [],
    'after upper': [],
    'before lower': [],
    'after lower': [],
    'before title': [],
    'after title': [],
  },
  subtitle: [],
  lower: { ground: null, words: null, font: [], align: '', separated: true },
  height: null,
  valign: 'top',
  within: null,
  program: ['listing', 'text'],
  overlay: [],
  underlay: [],
  watermark: [],
  place: 'left',
  grow: [0, 0],
  inLine: false,
  boxAlign: 'bottom',
  natural: false,
  corners: ALL_ROUND,
  jigsaw: false,
};

/** Looks that the document names (`\tcbset{tide/.style={…}}`), and what holds for every box. */
export const BOX_STYLES = cell<Readonly<Record<string, readonly Token[]>>>('tcbstyles', {});
export const EVERY_BOX = cell<readonly Token[]>('tcbset', []);
