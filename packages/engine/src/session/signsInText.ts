import type { Fix, RawFindingOf } from '../findings/finding';
import { AMS_SYMBOLS, KERNEL_SYMBOLS } from '../language/symbols/symbols';

const COMMANDS: ReadonlyMap<string, string> = new Map(
  [...AMS_SYMBOLS, ...KERNEL_SYMBOLS].map(({ char, name }) => [char, name]),
);
const BLACKBOARD: Readonly<Record<string, string>> = {
  ℂ: 'C',
  ℍ: 'H',
  ℕ: 'N',
  ℙ: 'P',
  ℚ: 'Q',
  ℝ: 'R',
  ℤ: 'Z',
};

/** The formula in which a sign of mathematics that stands in text belongs. */
export function inFormula({ from, to, args }: RawFindingOf<'character-in-text'>): Fix | null {
  const commands = [...args.char].map((char) => {
    const letter = BLACKBOARD[char];
    return letter ? `mathbb{${letter}}` : COMMANDS.get(char);
  });
  if (commands.some((command) => command === undefined)) return null;
  const body = commands.map((command) => `\\${command}`).join(' ');
  return { title: `Write $${body}$`, edits: [{ from, to, text: `$${body}$` }] };
}
