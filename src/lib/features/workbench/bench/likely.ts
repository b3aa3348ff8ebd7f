import type { EditorView } from '@codemirror/view';
import type { BenchContext } from './context';
import { changeForm, FORMS } from './formulaForms';
import { formOf } from './rewrite';
import { putTool, textTools } from './textTools';

/** Something that the bench offers while it is one line. */
export interface LikelyAction {
  readonly title: string;
  readonly run: (view: EditorView) => void;
}

const IN_TEXT = ['Section', 'Emphasis', 'Formula', 'Displayed formula', 'Points'];

/** What each kind of bench is opened for. */
export const OPENED_FOR: Readonly<Record<BenchContext['kind'], string>> = {
  matrix: 'Rows and columns',
  lines: 'Line by line',
  formula: 'The formula, large',
  reference: 'Where it leads',
  table: 'Cells and rules',
  figure: 'Size and caption',
  picture: 'What is held',
  axis: 'Functions and axes',
  diagram: 'Objects and arrows',
  class: 'Size, paper, margins, title',
  package: 'What it gives',
  text: 'More',
};

/**
 * The likeliest actions where the caret is: for text what is put in most, for a formula its other forms.
 *
 * @param kinds kinds of theorems that the document declares.
 */
export function likelyActions(
  context: BenchContext,
  source: string,
  kinds: readonly string[],
): readonly LikelyAction[] {
  if (context.kind === 'text')
    return textTools(kinds)
      .filter(({ title }) => IN_TEXT.includes(title))
      .map((tool) => ({ title: tool.title, run: (view) => putTool(view, tool) }));
  if (context.kind !== 'formula') return [];
  const { from, to } = context;
  const now = formOf(source.slice(from, to))?.form;
  if (!now) return [];
  return FORMS.filter(([form]) => form !== now).map(([form, title]) => ({
    title,
    run: (view) => changeForm(view, { from, to }, form),
  }));
}
