import type { Fix } from '../findings/entry';
import { type Part, partsNamed, shapeOf } from '../source/shape';
import type { BlockFinding } from './wording';

/** Buttons whose place or words hang on the whole document. */

/** The name that a button writes right, everywhere it stands in the source; null when it stands nowhere. */
function everywhere(
  fix: Fix,
  kinds: readonly Part['kind'][],
  name: string,
  start: number,
  text: string,
): Fix | null {
  const written = fix.title.replace(/^Write \\?/, '');
  const shape = shapeOf(text);
  const edits = kinds
    .flatMap((kind) => partsNamed(shape, kind, name))
    .map(({ from }) => {
      const at = text.indexOf(name, from) - start;
      return { from: at, to: at + name.length, text: written };
    });
  return edits.length > 0 ? { ...fix, edits } : null;
}

/** `\\text` where there is that command; else a box does, which every LaTeX has. */
const asBox = (fix: Fix): Fix => ({
  ...fix,
  edits: fix.edits.map((edit) => ({ ...edit, text: edit.text.replace('\\text{', '\\mbox{') })),
});

/**
 * A misspelt name that a macro brings is written right where the macro has it, and words in a formula are set by what
 * the document has for them.
 */
export function withPlacedFixes(
  findings: readonly BlockFinding[],
  text: () => string,
  knowsText: () => boolean,
): BlockFinding[] {
  // What a macro has wrong is told where it is used first.
  const told = new Set<string>();
  return findings.flatMap((finding): BlockFinding[] => {
    const { start, raw } = finding;
    if (!raw.fix) return [finding];
    if (raw.code === 'words-in-formula' && !knowsText())
      return [{ ...finding, raw: { ...raw, fix: asBox(raw.fix) } }];
    if (raw.fix.edits.length > 0) return [finding];
    if (raw.code !== 'command-unknown' && raw.code !== 'environment-unknown') return [finding];
    const { fix, ...rest } = raw;
    const { name } = raw.args;
    const ends: readonly Part['kind'][] =
      raw.code === 'command-unknown' ? ['command'] : ['begin', 'end'];
    const placed = raw.inFile ? null : everywhere(fix, ends, name, start, text());
    if (!placed) return [{ ...finding, raw: rest }];
    if (told.has(`${raw.code} ${name}`)) return [];
    told.add(`${raw.code} ${name}`);
    return [{ ...finding, raw: { ...rest, fix: placed } }];
  });
}
