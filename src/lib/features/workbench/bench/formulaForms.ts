import type { EditorView } from '@codemirror/view';
import type { Span } from './figure';
import { formOf, rewritten, type Form } from './rewrite';

/** The forms a formula can take, in words. */
export const FORMS: readonly (readonly [Form, string])[] = [
  ['inline', 'In the line'],
  ['displayed', 'Displayed'],
  ['numbered', 'Numbered'],
  ['aligned', 'Aligned at relations'],
];

/** Gives the formula of a stretch another form; one that is displayed stands on lines of its own. */
export function changeForm(view: EditorView, { from, to }: Span, form: Form): void {
  const { doc } = view.state;
  const found = formOf(doc.sliceString(from, to));
  if (!found || form === found.form) return;
  const insert = rewritten(found.body, found.form, form);
  const own = form !== 'inline';
  const before = own && doc.sliceString(doc.lineAt(from).from, from).trim() !== '' ? '\n' : '';
  const behind = own && doc.sliceString(to, doc.lineAt(to).to).trim() !== '' ? '\n' : '';
  const body = formOf(insert)?.bodyAt ?? 1;
  view.dispatch({
    changes: { from, to, insert: `${before}${insert}${behind}` },
    selection: { anchor: from + before.length + body },
    userEvent: 'input.bench',
    scrollIntoView: true,
  });
  view.focus();
}
