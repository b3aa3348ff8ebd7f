/**
 * What standard environments hold: the one table that the tolerant reader, the tools of the
 * editor and advice go by. A test holds it to the entries of the language.
 */
export type EnvironmentKind =
  /** Printed as it is typed, or passed over: nothing in it is read. */
  | 'code'
  /** A formula by itself, or rows of them. */
  | 'display'
  /** Rows of a formula, within one. */
  | 'rows'
  /** A matrix, or an array in a formula. */
  | 'matrix'
  | 'table'
  | 'list'
  | 'float'
  /** A picture described in text, whose marks are its own. */
  | 'picture';

const NAMES: Readonly<Record<EnvironmentKind, string>> = {
  code: 'verbatim verbatim* Verbatim Verbatim* BVerbatim semiverbatim lstlisting minted comment filecontents filecontents*',
  display:
    'equation equation* align align* alignat alignat* flalign flalign* gather gather* multline multline* eqnarray eqnarray* displaymath math xalignat xalignat* dmath dmath*',
  rows: 'split aligned alignedat gathered multlined lgathered rgathered autobreak cases dcases cases* dcases* rcases drcases rcases* drcases* substack subarray',
  matrix:
    'matrix pmatrix bmatrix Bmatrix vmatrix Vmatrix matrix* pmatrix* bmatrix* Bmatrix* vmatrix* Vmatrix* smallmatrix psmallmatrix bsmallmatrix Bsmallmatrix vsmallmatrix Vsmallmatrix smallmatrix* psmallmatrix* bsmallmatrix* Bsmallmatrix* vsmallmatrix* Vsmallmatrix* array darray NiceMatrix pNiceMatrix bNiceMatrix BNiceMatrix vNiceMatrix VNiceMatrix NiceArray pNiceArray bNiceArray BNiceArray vNiceArray VNiceArray blockarray gmatrix ytableau +array +matrix +pmatrix +bmatrix +Bmatrix +vmatrix +Vmatrix +cases',
  table: 'tabular tabular* tabularx tabulary longtable tabbing',
  list: 'itemize enumerate description list trivlist questions parts subparts subsubparts choices checkboxes oneparchoices',
  float:
    'figure figure* table table* wrapfigure wraptable SCfigure sidewaysfigure sidewaystable algorithm algorithm*',
  picture: 'tikzpicture circuitikz tikzcd picture axis CD forest',
};

const KINDS = new Map(
  Object.entries(NAMES).flatMap(([kind, names]) =>
    names.split(' ').map((name): [string, EnvironmentKind] => [name, kind as EnvironmentKind]),
  ),
);

/** What an environment of that name holds; undefined for text, and for names of a document's own. */
export const environmentKind = (name: string): EnvironmentKind | undefined => KINDS.get(name);

/** All names of a kind. */
export const environmentsOf = (kind: EnvironmentKind): readonly string[] => NAMES[kind].split(' ');

/** Do `&` and `\\` in it part cells and rows? */
export const hasRows = (name: string): boolean => {
  const kind = environmentKind(name);
  return (
    kind === 'rows' ||
    kind === 'matrix' ||
    (kind === 'table' && name !== 'tabbing') ||
    name === 'tikzcd' ||
    /^(align|alignat|flalign|gather|multline|eqnarray|xalignat)\*?$/.test(name)
  );
};

/** Is what stands in it a formula, by itself or as part of one? */
export const isFormula = (name: string): boolean => {
  const kind = environmentKind(name);
  return kind === 'display' || kind === 'rows' || kind === 'matrix';
};
