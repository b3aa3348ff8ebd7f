import type { Display } from '../../document/blocks';
import type { EnvironmentEntry } from '../machine/entries';
import { closeEnvironment } from '../machine/environments';
import { readDisplayRows } from '../machine/formulas';

/** A display environment: everything up to its `\end` is read at once. */
export function displayEnvironment(
  name: string,
  layout: Display['layout'],
  numbered: boolean,
  description: string,
  pkg?: string,
  argument = false,
): EnvironmentEntry {
  const entry: EnvironmentEntry = {
    name,
    signature: argument ? 'm' : '',
    description,
    example: `\\begin{${name}}\n  a ${layout === 'single' ? '' : '&'}= b + c\n\\end{${name}}`,
    begin: (it, _args, token) => {
      readDisplayRows(it, token, layout, numbered);
      closeEnvironment(it);
    },
  };
  return pkg ? { ...entry, package: pkg } : entry;
}

/** Displays of the kernel. */
export const displays: readonly EnvironmentEntry[] = [
  displayEnvironment('equation', 'single', true, 'A displayed formula with a number.'),
  displayEnvironment('displaymath', 'single', false, 'A displayed formula.'),
  displayEnvironment(
    'eqnarray',
    'equationArray',
    true,
    'Rows of a relation with three columns; align does it better.',
  ),
  displayEnvironment(
    'eqnarray*',
    'equationArray',
    false,
    'Rows of a relation with three columns; align does it better.',
  ),
];
