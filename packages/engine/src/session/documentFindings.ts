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

/** Commands of packages that are often loaded and not carried out here, so that each is told of with its own. */
const OWN: Readonly<Record<string, RegExp>> = {
  xlop: /^\\op[a-z]+$/,
  longdivision: /longdiv/,
  'tkz-euclide': /^\\(?:usetkzobj|tkz(?!Tab|Grph|Fct|Vertex|Edge))|environment tikzpicture$/,
  'tkz-fct': /^\\tkz(?:Fct|Def(?:Point)?ByFct|Draw(?:Area|Tangent))/,
  'tkz-graph': /^\\(?:Vert(?:ex|ices)|Edges?|Loop|SetUpVertex|GraphInit|tkz(?:Grph|Vertex|Edge))/,
  csvsimple: /^\\csv/,
  witharrows: /^\\(?:Arrow|MultiArrow|WithArrows)|WithArrows$/,
  prooftrees: /prooftree|tableau/,
  tabstackengine: /^\\(?:[a-zA-Z]*[mM]atrixstack|[a-z]*[tT]abular[a-z]*stack|tabb?ed|TABbinary)/,
  exsheets: /^\\(?:SetupExSheets|printsolutions|blank)|environment (?:question|solution)$/,
  xsim: /xsim|^\\(?:Declare)?Exercise|environment exercise$/,
  cuted: /environment strip$|CutedStrip/,
  acro: /^\\(?:DeclareAcronym|ac[slfp]?|iac|printacronyms)$/,
  pstricks: /^\\ps|pspicture/,
  'pst-plot': /^\\(?:psplot|psaxes|parametricplot)/,
  asymptote: /environment asy/,
};

/** Is a command one of a package's own, by what is known of it or by the package's name in it? */
function belongsTo(name: string, use: string): boolean {
  const known = OWN[name];
  if (known) return known.test(use);
  const stem = name.replace(/[^a-z]/gi, '').toLowerCase();
  return stem.length > 3 && use.toLowerCase().includes(stem);
}

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
  const { name } = finding.args;
  // What belongs to none by its name is told of once, with the first package that may have brought it.
  const open = others.filter((one) => OWN[one] === undefined);
  const nobodys = uses.filter((use) => !others.some((one) => belongsTo(one, use.name)));
  const mine = uses.filter(
    (use) => belongsTo(name, use.name) || (open[0] === name && nobodys.includes(use)),
  );
  const said = mine.slice(0, MOST_USES);
  if (said.length === 0) return finding;
  const list = said.map((use) => `${use.name} in line ${use.line}`).join(', ');
  const more = mine.length > MOST_USES ? ` and ${mine.length - MOST_USES} more` : '';
  const isSure = open.length < 2 || !mine.some((use) => nobodys.includes(use));
  const lead = isSure
    ? '; the sheet uses'
    : '; of it or of another of these packages the sheet uses';
  return { ...finding, args: { ...finding.args, uses: `${lead} ${list}${more}` } };
}
