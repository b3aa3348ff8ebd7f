/**
 * Structural formulas as chemfig's manual writes them: atoms, bonds with angles, branches, rings.
 * Read here into atoms with places and bonds between them; nothing is drawn.
 */

/** Atoms written together, such as `CH_3`: each begins with a capital letter or stands in braces. */
export interface Group {
  /** The atom that a bond leads from to this group; null for the first. */
  readonly from: AtomPlace | null;
  /** How far from there its atom lies that the bond leads to, in units of the standard distance. */
  readonly dx: number;
  readonly dy: number;
  readonly atoms: readonly string[];
  /** Which of its atoms lies there. */
  readonly placed: number;
}

/** An atom by the number of its group and its own. */
export type AtomPlace = readonly [group: number, atom: number];

export interface Bond {
  readonly kind: string;
  readonly from: AtomPlace;
  readonly to: AtomPlace;
  /** On which side the second line of a double bond lies: 0 is half on each. */
  readonly side: -1 | 0 | 1;
  readonly look: string;
}

export interface Structure {
  readonly groups: readonly Group[];
  readonly bonds: readonly Bond[];
  /** Circles in rings: their middle from an atom, and their radius. */
  readonly circles: readonly Circle[];
}

interface Circle {
  readonly from: AtomPlace;
  readonly dx: number;
  readonly dy: number;
  readonly radius: number;
}

const BOND = /^(?:>:|<:|>\||<\||[-=~<>])([_^]?)/;

/** What stands in brackets behind a bond: angle, length, departure, arrival, look. */
interface BondOptions {
  readonly angle: string;
  readonly length: number;
  readonly departure: number | null;
  readonly arrival: number | null;
  readonly look: string;
}

/** Where the pen is: the group it came from, the angle of the bond that led there. */
interface Turtle {
  readonly group: number;
  readonly angle: number;
}

/** A ring while its bonds are read: sides, and the turn at each corner. */
interface Ring {
  readonly sides: number;
  /** The angle of the next bond, and how many there still are. */
  angle: number;
  left: number;
}

/** The place of the bracket that closes the one at a place. */
export function closingOf(text: string, at: number): number {
  const pairs: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };
  const [open, close] = [text[at] ?? '', pairs[text[at] ?? ''] ?? ''];
  for (let i = at, depth = 0; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === open) depth++;
    else if (text[i] === close && --depth === 0) return i;
  }
  return text.length;
}

/** The atoms of a group: each from a capital letter, or from a brace, to the next. */
export function atomsOf(text: string): string[] {
  const atoms: string[] = [];
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '{' || text[i] === '(') i = closingOf(text, i);
    else if (text[i] === '\\') i++;
    else if (/[A-Z|]/.test(text[i] ?? '') && i > start) {
      atoms.push(text.slice(start, i));
      start = text[i] === '|' ? i + 1 : i;
    }
  }
  return [...atoms, text.slice(start)].filter((atom) => atom !== '');
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180;
const onRight = (angle: number): boolean => Math.cos(radians(angle)) > -1e-9;

/** Reads a structure. */
export function readStructure(source: string): Structure {
  const groups: Group[] = [];
  const bonds: Bond[] = [];
  const circles: Circle[] = [];
  const hooks = new Map<string, AtomPlace>();
  const text = source.replace(/\s+/g, '');

  /** Adds a group that a bond leads to, or the first; gives its number. */
  function addGroup(
    atoms: string,
    bond: { readonly from: AtomPlace; readonly length: number; readonly angle: number } | null,
    arrival: number | null,
  ): number {
    const list = atomsOf(atoms);
    const usual = !bond || onRight(bond.angle) ? 1 : list.length;
    const placed = Math.max(0, Math.min(list.length, arrival ?? usual) - 1);
    const along = bond ? radians(bond.angle) : 0;
    const length = bond?.length ?? 0;
    const [dx, dy] = [length * Math.cos(along), length * Math.sin(along)];
    groups.push({ from: bond?.from ?? null, dx, dy, atoms: list, placed });
    return groups.length - 1;
  }

  /** The options at a place, and where they end. */
  function optionsAt(at: number): { options: BondOptions; end: number } {
    const none = { angle: '', length: 1, departure: null, arrival: null, look: '' };
    if (text[at] !== '[') return { options: none, end: at };
    const end = closingOf(text, at);
    const [angle = '', length = '', from = '', to = '', ...look] = text
      .slice(at + 1, end)
      .split(',');
    const number = (word: string): number | null => (/^\d+$/.test(word) ? Number(word) : null);
    const options = {
      angle,
      length: Number(length) || 1,
      departure: number(from),
      arrival: number(to),
      look: look.join(','),
    };
    return { options, end: end + 1 };
  }

  const angleOf = (said: string, before: number, usual: number): number => {
    if (said.startsWith('::')) return before + (Number(said.slice(2)) || 0);
    if (said.startsWith(':')) return Number(said.slice(1)) || 0;
    return said === '' || !Number.isFinite(Number(said)) ? usual : 45 * Number(said);
  };

  /** The text of the atoms at a place, and where it ends. */
  function atomsAt(at: number): { atoms: string; end: number } {
    let end = at;
    while (end < text.length) {
      const c = text[end] as string;
      if (c === '{') end = closingOf(text, end) + 1;
      else if (c === '\\') end += /^\\[A-Za-z]+|^\\./.exec(text.slice(end))?.[0].length ?? 1;
      else if ('()*?!-=~<>'.includes(c)) break;
      else if (c === '[' || c === ']') break;
      else end++;
    }
    return { atoms: text.slice(at, end), end };
  }

  /** Marks of rings that are closed later: `?[name]`. */
  function hooksAt(at: number, place: AtomPlace): number {
    let end = at;
    while (text[end] === '?') {
      const { options, end: behind } = optionsAt(end + 1);
      const name = options.angle === '' ? 'a' : options.angle;
      const other = hooks.get(name);
      if (other) bonds.push({ kind: '-', from: other, to: place, side: 0, look: '' });
      else hooks.set(name, place);
      end = behind;
    }
    return end;
  }

  /** Reads what follows an atom up to a place; gives where the pen ends. */
  function follow(start: number, stop: number, turtle: Turtle, ring: Ring | null): void {
    let [at, here, angle] = [start, turtle.group, turtle.angle];
    while (at < stop) {
      if (text[at] === '(') {
        const end = closingOf(text, at);
        // Of a corner of a ring a branch leads outwards.
        const outwards = ring ? ring.angle - 90 - 180 / ring.sides : angle;
        branch(at + 1, end, { group: here, angle: outwards });
        at = end + 1;
      } else if (text[at] === '*') at = ringAt(at, { group: here, angle });
      else {
        const bond = BOND.exec(text.slice(at));
        if (!bond) {
          at++;
          continue;
        }
        const { options, end } = optionsAt(at + bond[0].length);
        const sideways = options.angle.replace(/[_^]/, '');
        const next = atomsAt(end);
        const turn = ring ? ring.angle : angleOf(sideways, angle, turtle.angle);
        const from = groups[here] as Group;
        const leaves = (options.departure ?? (onRight(turn) ? from.atoms.length : 1)) - 1;
        const start = [here, Math.max(0, leaves)] as const;
        // The last bond of a ring leads back to where it began.
        const closes = ring?.left === 1 && next.end >= stop && next.atoms === '';
        const to = closes
          ? turtle.group
          : addGroup(
              next.atoms,
              { from: start, length: options.length, angle: turn },
              options.arrival,
            );
        const arrives = (groups[to] as Group).placed;
        const side = bond[1] === '^' ? 1 : bond[1] === '_' ? -1 : ring ? 1 : 0;
        bonds.push({
          kind: bond[0].replace(/[_^]$/, ''),
          from: start,
          to: [to, arrives],
          side,
          look: options.look,
        });
        if (ring) {
          ring.angle += 360 / ring.sides;
          ring.left--;
        }
        here = to;
        angle = turn;
        at = hooksAt(next.end, [to, arrives]);
      }
    }
  }

  /** A branch: its bonds begin at the same atom; their usual angle is that of the bond before. */
  const branch = (start: number, stop: number, turtle: Turtle): void =>
    follow(start, stop, turtle, null);

  /** `*6(…)`, `**6(…)`: a ring whose first corner is the atom at hand. */
  function ringAt(at: number, turtle: Turtle): number {
    const head = /^(\*\*?)(?:\[[^\]]*\])?(\d+)\(/.exec(text.slice(at));
    if (!head) return at + 1;
    const sides = Math.max(3, Number(head[2]));
    const open = at + head[0].length - 1;
    const end = closingOf(text, open);
    const begins = Number.isNaN(turtle.angle);
    const angle = begins ? -90 + 360 / sides : turtle.angle - 90 + 180 / sides;
    follow(open + 1, end, { group: turtle.group, angle }, { sides, angle, left: sides });
    if (head[1] === '**') {
      const reach = 0.5 / Math.sin(Math.PI / sides);
      const towards = radians(angle + 90 - 180 / sides);
      const from = [turtle.group, (groups[turtle.group] as Group).placed] as const;
      const [dx, dy] = [reach * Math.cos(towards), reach * Math.sin(towards)];
      circles.push({ from, dx, dy, radius: 0.7 * reach * Math.cos(Math.PI / sides) });
    }
    return end + 1;
  }

  const opening = optionsAt(0);
  const usual = angleOf(opening.options.angle, 0, 0);
  const start = atomsAt(opening.end);
  const first = addGroup(start.atoms, null, null);
  const behind = hooksAt(start.end, [first, (groups[first] as Group).placed]);
  const startsRing = text[behind] === '*';
  const ringAngle = opening.options.angle === '' ? NaN : usual + 90 - 180 / 6;
  if (startsRing) {
    const end = ringAt(behind, { group: first, angle: ringAngle });
    follow(end, text.length, { group: first, angle: usual }, null);
  } else follow(behind, text.length, { group: first, angle: usual }, null);
  return { groups, bonds, circles };
}
