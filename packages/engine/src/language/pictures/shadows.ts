import { composed, scaledTurned, translation } from '../../base/maps';
import { boundsOf, mappedPath, type Path } from '../../base/paths';
import type { Span } from '../../base/spans';
import type { Token } from '../../expansion/meaning';
import { splitAt, trimmed } from '../scanning/optionLists';
import { numberIn, type Reading } from './coordinates';
import type { Graphics, Shadow } from './graphics';
import { lengthIn, withKeys, type Key, type KeyCall } from './keys';
import { paintPath } from './painting';
import { equalsOf, wordsOf } from './words';

/** The height of a small letter in ems, by which shadows are measured. */
const EX = 0.430555;
const GREY = 0x808080;

type Kind = Omit<Shadow, 'by' | 'options'> & { readonly shift: number };

/** Shadows by name (the manual, the library of shadows): how far they lie to the right and down, in ex. */
const KINDS: Readonly<Record<string, Kind>> = {
  'general shadow': { shift: 0, scale: 1, fill: null, opacity: 1, isCopy: true, fades: false },
  'drop shadow': { shift: 0.5, scale: 1, fill: GREY, opacity: 0.5, isCopy: false, fades: false },
  'blur shadow': { shift: 0.5, scale: 1, fill: GREY, opacity: 0.4, isCopy: false, fades: false },
  'copy shadow': { shift: 0.5, scale: 1, fill: null, opacity: 1, isCopy: true, fades: false },
  'circular drop shadow': {
    shift: 0.3,
    scale: 1.1,
    fill: 0,
    opacity: 1,
    isCopy: false,
    fades: true,
  },
  'circular glow': { shift: 0, scale: 1.25, fill: 0, opacity: 1, isCopy: false, fades: true },
};

/** What the options of a shadow say of its place; the rest is how it is painted. */
function shadowOf(call: KeyCall, { shift, ...kind }: Kind, times: number): Shadow {
  const { reading, value } = call;
  const { it } = reading;
  const ex = EX * it.em;
  let [x, y, scale] = [shift * ex, -shift * ex, kind.scale];
  const options: Token[] = [];
  for (const part of splitAt(value ?? [], ',')) {
    const eq = equalsOf(part);
    const key = wordsOf(it, eq < 0 ? part : part.slice(0, eq));
    const said = wordsOf(it, eq < 0 ? [] : trimmed(part.slice(eq + 1)));
    if (key === 'shadow xshift') x = lengthIn(reading, said);
    else if (key === 'shadow yshift') y = lengthIn(reading, said);
    else if (key === 'shadow scale') scale = numberIn(reading, said).value;
    else options.push(...it.p.chars(','), ...part);
  }
  return { ...kind, scale, by: { x: times * x, y: times * y }, options };
}

const add = (call: KeyCall, shadows: readonly Shadow[]): void => {
  call.g.node = { ...call.g.node, shadows: [...call.g.node.shadows, ...shadows] };
};

export const SHADOW_KEYS: Readonly<Record<string, Key>> = {
  ...Object.fromEntries(
    Object.entries(KINDS).map(([name, kind]): [string, Key] => [
      name,
      (call) => add(call, [shadowOf(call, kind, 1)]),
    ]),
  ),
  'double copy shadow': (call) => {
    const kind = KINDS['copy shadow'] as Kind;
    add(call, [shadowOf(call, kind, 2), shadowOf(call, kind, 1)]);
  },
};

/** Paints the shadow of a node with this outline, below it. */
export function paintShadow(
  reading: Reading,
  g: Graphics,
  shadow: Shadow,
  outline: Path,
  span: Span,
): void {
  const { left, right, low, high } = boundsOf(outline);
  const [x, y] = [(left + right) / 2, (low + high) / 2];
  const scaled = composed(scaledTurned(shadow.scale, shadow.scale, 0), translation(-x, -y));
  const moved = mappedPath(
    outline,
    composed(translation(x + shadow.by.x, y + shadow.by.y), scaled),
  );
  const { mode } = g;
  const plain = { ...mode, shade: false, pattern: null, named: null, before: [], after: [] };
  const state: Graphics = shadow.isCopy
    ? { ...g, mode: plain }
    : {
        ...g,
        fillColour: shadow.fill,
        fillOpacity: shadow.opacity,
        fading: shadow.fades ? { kind: 'circle', angle: 0, from: 0.85 } : null,
        mode: { ...plain, draw: false, fill: true },
      };
  paintPath(reading, withKeys(reading, state, shadow.options), moved, span);
}
