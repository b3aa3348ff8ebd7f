import type { FindingCode, Severity } from './finding';

interface Words {
  readonly severity: Severity;
  readonly message: string;
  readonly cause: string;
}

/** `{name}` in a text is replaced by the finding's argument of that name. */
export const WORDS: Readonly<Record<FindingCode, Words>> = {
  'command-unknown': {
    severity: 'broken',
    message: 'There is no command \\{name}.',
    cause: 'It is misspelt, or the package that brings it is not loaded.',
  },
  'package-needed': {
    severity: 'broken',
    message: '{name} comes with the package {package}, which is not loaded.',
    cause: 'A line \\usepackage{{package}} before \\begin{document} is missing.',
  },
  'command-not-defined-here': {
    severity: 'advice',
    message: 'Nothing in this document defines \\{name}; it is taken for {body}.',
    cause:
      'Other programs will not know it. Define it once before \\begin{document}, or write what it means.',
  },
  'environment-unknown': {
    severity: 'broken',
    message: 'There is no environment called {name}.',
    cause: 'Its name is misspelt, or the package that brings it is not loaded.',
  },
  'formula-unclosed': {
    severity: 'broken',
    message: 'This {open} is never closed.',
    cause: 'A formula needs a mark at both ends; here the paragraph ends before the second one.',
  },
  'math-in-text': {
    severity: 'off',
    message: '{what} works only in a formula.',
    cause: 'Mathematics in a line of text stands between two $ marks; they are missing here.',
  },
  'begin-end-mismatch': {
    severity: 'off',
    message: 'This closes {found}, but {expected} is what is open.',
    cause: 'The name behind \\end must be the same, letter for letter, as behind its \\begin.',
  },
  'environment-unclosed': {
    severity: 'off',
    message: 'This {name} is never ended.',
    cause: 'Its \\end{{name}} is missing, or stands further down under another name.',
  },
  'end-without-begin': {
    severity: 'off',
    message: 'There is no {name} open that this could end.',
    cause: 'Its \\begin{{name}} is missing or misspelt, or it was ended before.',
  },
  'class-missing': {
    severity: 'off',
    message: 'The sheet does not say what kind of document it is.',
    cause: 'A document starts with \\documentclass{article}, or another kind.',
  },
  'class-unknown': {
    severity: 'off',
    message: 'The kind of document “{name}” is not known here; article is used in its place.',
    cause: 'Its name is misspelt, or its class file did not come with the assignment.',
  },
  'document-begin-missing': {
    severity: 'off',
    message: 'The text starts before \\begin{document}.',
    cause: 'What is printed stands between \\begin{document} and \\end{document}.',
  },
  'document-end-missing': {
    severity: 'advice',
    message: 'The document is never ended.',
    cause: 'The last line should be \\end{document}.',
  },
  'package-unknown': {
    severity: 'off',
    message: 'The package {name} is not known here{uses}.',
    cause:
      'Its name is misspelt, its file did not come with the assignment, or it does something that is not supported yet.',
  },
  'option-unknown': {
    severity: 'advice',
    message: 'The option “{name}” is not known here and changes nothing.',
    cause: 'It is misspelt, or it belongs to another class or package.',
  },
  'argument-missing': {
    severity: 'broken',
    message: '\\{name} needs something behind it that is missing.',
    cause: 'What it works on is written behind it in braces: \\{name}{…}.',
  },
  'argument-unclosed': {
    severity: 'broken',
    message: 'The { behind \\{name} is never closed.',
    cause: 'Each { needs a } of its own; here a blank line comes first.',
  },
  'group-unclosed': {
    severity: 'off',
    message: 'This { is never closed.',
    cause: 'Each { needs a } of its own.',
  },
  'brace-extra': {
    severity: 'off',
    message: 'This } closes nothing.',
    cause: 'There is one } too many, or the { before it is missing.',
  },
  'macro-runaway': {
    severity: 'broken',
    message: '\\{name} goes on for ever; it was stopped.',
    cause: 'Its definition uses itself, directly or by way of another command.',
  },
  'macro-pattern': {
    severity: 'broken',
    message: '\\{name} is not used the way it was defined.',
    cause:
      'Its definition expects certain characters around its arguments, and they are not there.',
  },
  'nesting-too-deep': {
    severity: 'broken',
    message: 'This is nested too deeply to be set.',
    cause: 'Something is put inside itself many times over, often by a command that repeats.',
  },
  'conditional-unclosed': {
    severity: 'off',
    message: 'This \\{name} has no \\fi.',
    cause: 'Every condition ends with \\fi.',
  },
  'number-missing': {
    severity: 'off',
    message: 'A number should stand here.',
    cause: 'The command before it counts or measures something; 0 is used.',
  },
  'unit-missing': {
    severity: 'off',
    message: 'The length {number} has no unit.',
    cause: 'A length needs one of pt, mm, cm, in, em, ex behind its number; pt is used.',
  },
  'counter-unknown': {
    severity: 'off',
    message: 'There is no counter called {name}.',
    cause: 'It is misspelt, or the \\newcounter for it is missing.',
  },
  'command-redefined': {
    severity: 'off',
    message: '\\{name} exists already; this definition replaces it.',
    cause: '\\newcommand is for new names. To change one on purpose, use \\renewcommand.',
  },
  'command-not-yet-defined': {
    severity: 'advice',
    message: '\\{name} did not exist before, so there is nothing to change.',
    cause: '\\renewcommand changes what exists. For a new name, use \\newcommand.',
  },
  'reference-unknown': {
    severity: 'off',
    message: 'Nothing on the sheet has the label “{name}”.',
    cause: 'The label is misspelt here or where it is set, or its \\label was taken out.',
  },
  'label-repeated': {
    severity: 'off',
    message: 'The label “{name}” is used more than once.',
    cause: 'References to it can mean only one place; give each place a label of its own.',
  },
  'item-outside-list': {
    severity: 'off',
    message: 'An \\item stands outside any list.',
    cause: 'Items belong between \\begin{itemize} or \\begin{enumerate} and its \\end.',
  },
  'alignment-outside': {
    severity: 'off',
    message: 'This & has nothing to align.',
    cause: 'An & separates columns in a table, a matrix or aligned lines. To print one, write \\&.',
  },
  'columns-too-many': {
    severity: 'off',
    message: 'This row has more columns than the table was given.',
    cause: 'There is one & too many, or the column list needs another letter.',
  },
  'delimiter-unmatched': {
    severity: 'broken',
    message: 'This \\{name} has no partner.',
    cause: '\\left and \\right come in pairs within one formula; write \\right. for an empty side.',
  },
  'delimiter-missing': {
    severity: 'off',
    message: '\\{name} needs a bracket behind it.',
    cause: 'What follows is not a bracket that can grow. For no bracket, put a full stop.',
  },
  'scripts-doubled': {
    severity: 'off',
    message: 'There are two {what} on one symbol.',
    cause: 'Put braces around what belongs together: a^{b^c} or {a^b}^c.',
  },
  'fraction-ambiguous': {
    severity: 'off',
    message: 'Two fractions of this old form stand in one group.',
    cause: 'Which is over which cannot be told. Put braces around one of them, or write \\frac.',
  },
  'script-missing': {
    severity: 'broken',
    message: 'Nothing stands behind this {name}.',
    cause:
      'What is raised or lowered comes right behind the sign; several characters go in braces.',
  },
  'dollar-in-formula': {
    severity: 'off',
    message: 'This $ stands inside a formula.',
    cause: 'A displayed formula needs no $ marks of its own.',
  },
  'text-only-in-math': {
    severity: 'off',
    message: '\\{name} belongs in text, not in a formula.',
    cause: 'The formula before it may not be closed, or the command needs \\text{…} around it.',
  },
  'blank-line-in-formula': {
    severity: 'off',
    message: 'There is a blank line inside this formula.',
    cause: 'A blank line ends a paragraph, and a formula cannot go across that end.',
  },
  'parameter-character': {
    severity: 'off',
    message: 'A # cannot stand here by itself.',
    cause: '# marks the arguments in a definition. To print one, write \\#.',
  },
  'title-missing': {
    severity: 'off',
    message: 'There is no title to print.',
    cause: '\\maketitle prints what \\title{…} was given; that line is missing.',
  },
  'line-too-wide': {
    severity: 'off',
    message: 'A line here sticks out of the margin by {amount}.',
    cause: 'No good place to break it was found; something in it is too long.',
  },
  'formula-too-wide': {
    severity: 'off',
    message: 'This formula is wider than the text by {amount}.',
    cause: 'It is on one line; break it over several, at a relation or a plus sign.',
  },
  'character-missing': {
    severity: 'off',
    message: 'No font here has the character “{char}”.',
    cause: 'It was pasted in, or belongs to a script that is not covered.',
  },
  'facts-unsettled': {
    severity: 'advice',
    message: 'The numbers on this sheet change each time they are worked out.',
    cause: 'Two places depend on one another, so that no answer fits both.',
  },
  'file-missing': {
    severity: 'broken',
    message: 'There is no file “{name}” with this assignment{near}.',
    cause: 'Its name is misspelt, or it was not brought in.',
  },
  'files-in-circle': {
    severity: 'broken',
    message: 'The file {name} reads itself again, by way of others; it is left out here.',
    cause: 'A file that is read in must not read the one that reads it.',
  },
  'caption-outside': {
    severity: 'broken',
    message: 'This caption belongs to no figure and no table.',
    cause: 'A \\caption stands between \\begin{figure} and \\end{figure}, or the same of a table.',
  },
  'column-unknown': {
    severity: 'off',
    message: '“{name}” is no kind of column; text set to the left is taken.',
    cause: 'Columns are l, c, r, or p{…} for paragraphs; some packages bring more.',
  },
  'verb-unclosed': {
    severity: 'off',
    message: 'This \\verb is never closed: its second {open} is missing in this line.',
    cause: 'What is printed as it is typed stands between two equal characters, on one line.',
  },
  'citation-unknown': {
    severity: 'off',
    message: 'Nothing in the bibliography is called “{name}”.',
    cause:
      'The key in \\cite must be that of a \\bibitem, or of an entry in a .bib file of the assignment.',
  },
  'bibliography-broken': {
    severity: 'off',
    message: 'The entry {name} in {file} cannot be read; the others are.',
    cause: 'A brace or a comma is missing in it.',
  },
  'bibliography-style-unknown': {
    severity: 'advice',
    message: 'There is no bibliography style {name} here; plain is used.',
    cause: 'Known are plain, unsrt, abbrv, alpha, and those that natbib brings.',
  },
  'picture-unreadable': {
    severity: 'broken',
    message: 'The picture {name} cannot be shown: {why}.',
    cause: 'Pictures can be PNG, JPEG, PDF or SVG files. Do this: {todo}.',
  },
  'picture-too-wide': {
    severity: 'off',
    message: 'This picture is wider than the text by {amount}.',
    cause: 'It is set at its own size. A width in brackets makes it fit.',
  },
  'comment-swallows': {
    severity: 'broken',
    message: 'This % makes a comment of the rest of the line, the {what} in it too.',
    cause: 'What stands behind a % is not read. To print the sign, write \\%.',
  },
  'comment-after-number': {
    severity: 'off',
    message: 'What stands behind this % on its line is not printed.',
    cause: 'A % starts a comment. To print the sign, write \\%.',
  },
  'name-in-letters': {
    severity: 'advice',
    message: '“{name}” is set as a product of letters.',
    cause: 'The names of functions are commands, which set them upright: \\{name}.',
  },
  'words-in-formula': {
    severity: 'off',
    message: '“{words}” is set as a product of letters, without blanks.',
    cause: 'Words in a formula stand in \\text{…}.',
  },
  'text-before-item': {
    severity: 'off',
    message: 'This list starts without an \\item.',
    cause: 'Everything in a list belongs to an item.',
  },
  'label-before-caption': {
    severity: 'off',
    message: 'The label “{name}” comes before the caption, so references give another number.',
    cause: 'The caption gives the {kind} its number; the label belongs behind it.',
  },
  'label-unused': {
    severity: 'advice',
    message: 'Nothing refers to the label “{name}”.',
    cause: 'It does no harm; a reference to it may have been forgotten.',
  },
  'line-break-for-nothing': {
    severity: 'advice',
    message: 'There is no line here for \\\\ to break.',
    cause: 'The blank line behind it ends the paragraph; together they leave an empty line.',
  },
  'quotes-straight': {
    severity: 'advice',
    message: 'Both of these quotation marks come out as closing ones.',
    cause: "Quotation marks are typed as two backticks before and two apostrophes behind: ``so''.",
  },
  'dots-typed': {
    severity: 'advice',
    message: 'Three full stops stand closer together than dots should.',
    cause: 'Dots have a command of their own, which spaces them: \\dots.',
  },
  'blank-swallowed': {
    severity: 'off',
    message: 'The blank behind \\{name} is not printed.',
    cause: 'A blank only ends the name of a command. Braces behind it keep the blank: \\{name}{}.',
  },
  'title-not-printed': {
    severity: 'off',
    message: 'This title is given but never printed.',
    cause: '\\maketitle prints it, behind \\begin{document}; that line is missing.',
  },
  'line-too-late': {
    severity: 'off',
    message: 'A line with \\{name} belongs before \\begin{document}.',
    cause: 'What the document is and what it loads is settled before its text begins.',
  },
  'text-behind-end': {
    severity: 'advice',
    message: 'What stands behind \\end{document} is not printed.',
    cause: 'The document ends there. Move the line down if this belongs to it.',
  },
  'chapters-missing': {
    severity: 'broken',
    message: 'This kind of document, {class}, has no chapters.',
    cause: 'Chapters belong to the kinds report and book; an article starts with sections.',
  },
};

/** A text with its `{name}` places filled in. */
export function fill(text: string, args: Readonly<Record<string, string>>): string {
  return text.replace(/\{([a-z]+)\}/g, (whole, name: string) => args[name] ?? whole);
}
