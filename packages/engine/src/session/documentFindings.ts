import type { RawFinding, RawFindingOf } from '../findings/finding';
import { bringsCommandsAlone } from '../language/kernel/commandsAlone';
import { CELLS } from '../language/machine/cells';
import { lineMap, positionAt } from '../source/lines';
import type { SourceReading } from './reading';

/** Findings about the document as a whole, with offsets into the file. */
export function documentFindings(reading: SourceReading): RawFinding[] {
  const { text } = reading;
  const end = text.length;
  if (text.trim() === '') return [];
  if (reading.finalValue(CELLS.inDocument)) {
    const missing = reading.finalValue(CELLS.classMissing) ? [classMissing] : [];
    if (reading.ended) return missing;
    const fix = {
      title: 'Add \\end{document}',
      edits: [{ from: end, to: end, text: '\n\\end{document}\n' }],
    };
    return [
      ...missing,
      { code: 'document-end-missing', from: Math.max(0, end - 1), to: end, args: {}, fix },
    ];
  }
  const fix = {
    title: 'Add \\begin{document} and \\end{document}',
    edits: [{ from: end, to: end, text: '\n\\begin{document}\n\n\\end{document}\n' }],
  };
  return [{ code: 'document-begin-missing', from: Math.max(0, end - 1), to: end, args: {}, fix }];
}

const classMissing: RawFinding = {
  code: 'class-missing',
  from: 0,
  to: 1,
  args: {},
  fix: {
    title: 'Add \\documentclass{article}',
    edits: [{ from: 0, to: 0, text: '\\documentclass{article}\n' }],
  },
};

/** Commands of packages that are often loaded and not understood yet, so that each is told of with its own. */
const OWN: Readonly<Record<string, RegExp>> = {
  tikz: /tikz|draw|node|fill|path|coordinate|foreach|pgf|clip|shade/i,
  'tikz-cd': /tikzcd|arrow|^\\ar$/,
  pgfplots: /axis|addplot|pgfplots/i,
  siunitx: /^\\(SI|si|num|qty|unit|ang|sisetup|DeclareSIUnit)/,
  algorithm: /algorithm/,
  algpseudocode:
    /algorithmic|^\\(State|If|Else|ElsIf|EndIf|For|EndFor|While|EndWhile|Function|EndFunction|Procedure|Return|Require|Ensure|Comment|Call)/,
  algorithm2e: /algorithm|^\\(KwIn|KwOut|KwResult|For|While|If|Else|Return)/,
  tcolorbox: /tcolorbox|tcb/i,
  minted: /minted|mint/,
  physics: /^\\(dv|pdv|dd|qty|bra|ket|braket|abs|norm|grad|curl|div|laplacian)/,
  biblatex: /bib|cite/i,
  thmtools: /declaretheorem|listoftheorems|restatable/,
  wrapfig: /wrap(figure|table)/,
  rotating: /sideways/,
  subfigure: /subfigure/,
  subfig: /subfloat/,
  tocloft: /cft/,
  epigraph: /epigraph/,
  lettrine: /lettrine/,
  marginnote: /marginnote/,
  stmaryrd: /bracket|boxplus|shortleftarrow/,
  esint: /int$/,
  forest: /forest/,
};

/** One use of a name nobody defined: what, and on which line it stands first. */
export interface Use {
  readonly name: string;
  readonly line: number;
}

/** Names that a package which is not known may have brought, in the order of their first use. */
export function usesOfUnknown(reading: SourceReading): readonly Use[] {
  const first = new Map<string, number>();
  for (const block of reading.blocks)
    for (const { name, from } of block.reading.strangers)
      if (!first.has(name)) first.set(name, block.start + from);
  if (first.size === 0) return [];
  const lines = lineMap(reading.text);
  return [...first].map(([name, at]) => ({ name, line: positionAt(lines, at).line }));
}

/** How many uses a finding names. */
const MOST_USES = 6;

type Foreign = RawFindingOf<'package-unknown'> | RawFindingOf<'package-not-here'>;

/** Is it about a package whose commands nobody here knows? */
export const isForeign = (finding: RawFinding): finding is Foreign =>
  finding.code === 'package-unknown' || finding.code === 'package-not-here';

/** Is it about a package that is not here, and of which the sheet uses nothing? Then its pages lack nothing. */
export const isMissedByNone = (finding: RawFinding, uses: readonly Use[]): boolean =>
  finding.code === 'package-not-here' &&
  uses.length === 0 &&
  bringsCommandsAlone(finding.args.name);

/** The finding on a package with the commands that the sheet uses of it. */
export function withUses(
  finding: Foreign,
  uses: readonly Use[],
  others: readonly string[],
): RawFinding {
  const own = OWN[finding.args.name];
  const mine = own
    ? uses.filter(({ name }) => own.test(name))
    : uses.filter(({ name }) => !Object.values(OWN).some((o) => o.test(name)));
  // What belongs to none by its name is told of once, with the first package that may have brought it.
  const first = others.find((name) => OWN[name] === undefined);
  const said = (own || first === finding.args.name ? mine : []).slice(0, MOST_USES);
  if (said.length === 0) return finding;
  const list = said.map(({ name, line }) => `${name} in line ${line}`).join(', ');
  const more = mine.length > MOST_USES ? ` and ${mine.length - MOST_USES} more` : '';
  return { ...finding, args: { ...finding.args, uses: `; the sheet uses ${list}${more}` } };
}
