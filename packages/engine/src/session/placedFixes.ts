import type { Fix } from '../findings/entry';
import { partsNamed, shapeOf } from '../source/shape';
import type { BlockFinding } from './wording';

/** Buttons whose place or words hang on the whole document. */

/** The name that a button writes right, everywhere it stands in the source; null when it stands nowhere. */
function everywhere(fix: Fix, name: string, start: number, text: string): Fix | null {
  const written = fix.title.replace(/^Write /, '');
  const edits = partsNamed(shapeOf(text), 'command')
    .filter((part) => part.name === name)
    .map(({ from }) => ({
      from: from - start,
      to: from - start + name.length + 1,
      text: written,
    }));
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
  knowsText: boolean,
): BlockFinding[] {
  // What a macro has wrong is told where it is used first.
  const told = new Set<string>();
  return findings.flatMap((finding): BlockFinding[] => {
    const { start, raw } = finding;
    if (!raw.fix) return [finding];
    if (raw.code === 'words-in-formula' && !knowsText)
      return [{ ...finding, raw: { ...raw, fix: asBox(raw.fix) } }];
    if (raw.code !== 'command-unknown' || raw.fix.edits.length > 0) return [finding];
    const { fix, ...rest } = raw;
    const placed = raw.inFile ? null : everywhere(fix, raw.args.name, start, text());
    if (!placed) return [{ ...finding, raw: rest }];
    if (told.has(raw.args.name)) return [];
    told.add(raw.args.name);
    return [{ ...finding, raw: { ...rest, fix: placed } }];
  });
}
