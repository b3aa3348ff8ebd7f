import { finding } from '../entry';
import { one, renamed, sameEnding } from '../mends';
import { namedKind } from '../preambleMends';

/** Labels, references and the bibliography. */
export const references = {
  'reference-unknown': finding({
    severity: 'off',
    args: ['name'],
    message: 'Nothing on the sheet has the label “<name>”.',
    cause: 'The label is misspelt here or where it is set, or its \\label was taken out.',
    mend: (context) => sameEnding(context) ?? renamed(({ labels }) => labels)(context),
  }),
  'kind-unnamed': finding({
    severity: 'off',
    args: ['name'],
    message: 'There is no word for what “<name>” names: it prints as ??.',
    cause: 'A kind of your own gets its words by \\crefname, that of one and that of several.',
    mend: ({ text, args }) => namedKind(text, args.name ?? ''),
  }),
  'label-repeated': finding({
    severity: 'off',
    args: ['name'],
    message: 'The label “<name>” is used more than once.',
    cause: 'References to it can mean only one place; give each place a label of its own.',
    mend: ({ text, from, to, args, labels }) => {
      const name = args.name ?? '';
      const at = text.slice(from, to).indexOf(`{${name}}`);
      if (at < 0) return null;
      let n = 2;
      while (labels.includes(`${name}-${n}`)) n++;
      const start = from + at + 1;
      return one(`Call this one ${name}-${n}`, start, start + name.length, `${name}-${n}`);
    },
  }),
  'label-behind-formula': finding({
    severity: 'off',
    args: ['name'],
    message: 'This label stands behind its formula, and names what comes before that.',
    cause: 'It belongs before \\end{<name>}.',
  }),
  'label-unnumbered': finding({
    severity: 'off',
    args: ['name'],
    message: 'This label names a formula that has no number.',
    cause: '<name> sets no number; a reference would print that of the section, or nothing.',
  }),
  'label-unused': finding({
    severity: 'advice',
    args: ['name'],
    message: 'Nothing refers to the label “<name>”.',
    cause: 'It does no harm; a reference to it may have been forgotten.',
  }),
  'label-before-caption': finding({
    severity: 'off',
    args: ['name', 'kind'],
    message: 'The label “<name>” comes before the caption, so references give another number.',
    cause: 'The caption gives the <kind> its number; the label belongs behind it.',
  }),
  'label-width-missing': finding({
    severity: 'broken',
    args: [],
    message: 'This thebibliography does not say how wide its labels are.',
    cause:
      'In braces behind its \\begin stands the widest label: {9}, or {99} for ten entries and more.',
  }),
  'citation-unknown': finding({
    severity: 'off',
    args: ['name'],
    message: 'Nothing in the bibliography is called “<name>”.',
    cause:
      'The key in \\cite must be that of a \\bibitem, or of an entry in a .bib file of the assignment.',
    mend: renamed(({ keys }) => keys),
  }),
  'glossary-word-unknown': finding({
    severity: 'broken',
    args: ['name', 'near'],
    message: 'The glossary has no word called “<name>”.',
    cause: 'The key must be that of a \\newglossaryentry or \\newacronym before here.',
    mend: ({ text, from, to, args }) => {
      const at = text.slice(from, to + 80).indexOf(`{${args.name ?? ''}}`);
      if (at < 0 || !args.near) return null;
      const start = from + at + 1;
      return one(`Write ${args.near}`, start, start + (args.name ?? '').length, args.near);
    },
  }),
  'citation-part-missing': finding({
    severity: 'off',
    args: ['name', 'part'],
    message: 'The list says no <part> of “<name>”, so there is a question mark.',
    cause:
      'natbib takes names and years from lists that its own styles make: plainnat, abbrvnat, unsrtnat.',
  }),
  'bibliography-broken': finding({
    severity: 'broken',
    args: ['name', 'file'],
    message: 'The entry <name> in <file> cannot be read; the others are.',
    cause: 'A brace or a comma is missing in it.',
  }),
  'bibliography-style-unknown': finding({
    severity: 'off',
    args: ['name', 'instead'],
    message: 'There is no bibliography style <name> here; <instead> is used.',
    cause: 'Known are plain, unsrt, abbrv, alpha, and those that natbib brings.',
    mend: ({ text, from, to, args }) => {
      const at = text.slice(from, to + 80).indexOf(args.name ?? '');
      const start = from + at;
      const instead = args.instead ?? 'plain';
      const end = start + (args.name ?? '').length;
      return at < 0 ? null : one(`Write ${instead}`, start, end, instead);
    },
  }),
  'facts-unsettled': finding({
    severity: 'off',
    args: [],
    message: 'The numbers on this sheet change each time they are worked out.',
    cause: 'Two places depend on one another, so that no answer fits both.',
  }),
};
