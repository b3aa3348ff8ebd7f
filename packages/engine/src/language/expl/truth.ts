import { groupsIn } from '../scanning/optionLists';
import type { Processor } from '../../expansion/processor';
import { expandTokens } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import {
  asks,
  does,
  gives,
  group,
  sets,
  variable,
  type ExplFunction,
  type Tokens,
  isBound,
} from './call';

const [TRUE, FALSE] = [1, 0];
const setBool = (p: Processor, name: Tokens | undefined, value: boolean, global: boolean): void => {
  const cell = variable(name)?.cell;
  if (cell) p.state.set(cell, { kind: 'chardef', code: value ? TRUE : FALSE }, global);
};

/** `\l_a_bool && ! (\l_b_bool || \c_true_bool)`, tests in their `_p` forms among them. */
function holds(p: Processor, tokens: Tokens | undefined): boolean {
  const rest = expandTokens(p, tokens ?? []).filter(({ cat }) => cat !== Cat.Space);
  let at = 0;
  const is = (sign: string): boolean => {
    if (rest[at]?.text !== sign[0] || (sign.length > 1 && rest[at + 1]?.text !== sign[1]))
      return false;
    at += sign.length;
    return true;
  };
  const either = (depth: number): boolean => {
    let value = both(depth);
    while (is('||')) value = both(depth) || value;
    return value;
  };
  const both = (depth: number): boolean => {
    let value = one(depth);
    while (is('&&')) value = one(depth) && value;
    return value;
  };
  const one = (depth: number): boolean => {
    if (depth > 100) return false;
    if (is('!')) return !one(depth + 1);
    if (is('(')) {
      const value = either(depth + 1);
      is(')');
      return value;
    }
    const token = rest[at++];
    const meaning = token?.cell ? p.state.meaning(token.cell) : undefined;
    return meaning?.kind === 'chardef' ? meaning.code === TRUE : token?.text === '1';
  };
  return either(0);
}

const boolLoops: readonly ExplFunction[] = ['while', 'until'].flatMap((word) =>
  ['', 'do'].flatMap((place) =>
    ['N', 'n'].map((letter) => {
      const name = place === '' ? `bool_${word}_do` : `bool_do_${word}`;
      return does(name, `${letter}n`, ({ p, args }) => {
        const test = letter === 'N' ? (args[0] ?? []) : group(p, args[0] ?? []);
        const again = [
          p.command(`bool_${word}_do:${letter}n`),
          ...test,
          ...group(p, args[1] ?? []),
        ];
        if (place === 'do' || holds(p, args[0]) === (word === 'while'))
          p.push([...(args[1] ?? []), ...again]);
      });
    }),
  ),
);

/** Truth: variables, tests joined, loops (the interfaces of the layer, part 9). */
export const TRUTH: readonly ExplFunction[] = [
  does('bool_new', 'N', ({ p, args }) => setBool(p, args[0], false, true)),
  does('bool_const', 'Nn', ({ p, args }) => setBool(p, args[0], holds(p, args[1]), true)),
  ...sets('bool_set_true', 'N', ({ p, args }, global) => setBool(p, args[0], true, global)),
  ...sets('bool_set_false', 'N', ({ p, args }, global) => setBool(p, args[0], false, global)),
  ...sets('bool_set', 'Nn', ({ p, args }, global) =>
    setBool(p, args[0], holds(p, args[1]), global),
  ),
  ...sets('bool_set_eq', 'NN', ({ p, args }, global) =>
    setBool(p, args[0], holds(p, args[1]), global),
  ),
  ...sets('bool_set_inverse', 'N', ({ p, args }, global) =>
    setBool(p, args[0], !holds(p, args[0]), global),
  ),
  ...asks('bool_if', 'N', ({ p, args }) => holds(p, args[0])),
  ...asks('bool_if', 'n', ({ p, args }) => holds(p, args[0])),
  ...asks('bool_if_exist', 'N', isBound),
  ...asks('bool_lazy_and', 'nn', ({ p, args }) => holds(p, args[0]) && holds(p, args[1])),
  ...asks('bool_lazy_or', 'nn', ({ p, args }) => holds(p, args[0]) || holds(p, args[1])),
  ...asks(
    'bool_lazy_all',
    'n',
    ({ p, args }) =>
      (args[0] ?? []).length > 0 && groupsIn(args[0] ?? []).every((one) => holds(p, one)),
  ),
  ...asks('bool_lazy_any', 'n', ({ p, args }) =>
    groupsIn(args[0] ?? []).some((one) => holds(p, one)),
  ),
  ...asks('bool_xor', 'nn', ({ p, args }) => holds(p, args[0]) !== holds(p, args[1])),
  gives('bool_not_p', 'n', ({ p, args }) => p.chars(holds(p, args[0]) ? '0' : '1')),
  gives('bool_to_str', 'N', ({ p, args }) => p.chars(String(holds(p, args[0])))),
  ...boolLoops,
];
