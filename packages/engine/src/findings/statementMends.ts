import { packageLine } from '../source/packageLine';
import type { Fix } from './entry';
import { callsOf, shapeOf } from '../source/shape';

/** Statements that papers declare by these names (amsthm manual, section 3). */
const STATEMENTS: ReadonlySet<string> = new Set(
  'theorem lemma corollary proposition definition remark example claim conjecture axiom fact problem exercise question solution answer notation observation note case thm lem cor prop defn rem ex'.split(
    ' ',
  ),
);
const LONG: Readonly<Record<string, string>> = {
  thm: 'Theorem',
  lem: 'Lemma',
  cor: 'Corollary',
  prop: 'Proposition',
  defn: 'Definition',
  rem: 'Remark',
  ex: 'Example',
};

/** The line that declares a statement which the document uses and nobody declares, before its text begins. */
export function declaredStatement(text: string, name: string): Fix | null {
  if (!STATEMENTS.has(name)) return null;
  const begin = text.indexOf('\\begin{document}');
  if (begin < 0) return null;
  const printed = LONG[name] ?? name.charAt(0).toUpperCase() + name.slice(1);
  const isLoaded = callsOf(shapeOf(text), ['usepackage'], 'om').some(({ args }) =>
    args[1]?.text.split(',').some((one) => /^(?:amsthm|ntheorem|thmtools)$/.test(one.trim())),
  );
  const line = isLoaded ? null : packageLine(text, 'amsthm');
  const declared = `\\newtheorem{${name}}{${printed}}\n`;
  const loads =
    line && line.from < begin ? [{ from: line.from, to: line.from, text: line.insert }] : [];
  const lines = line && line.from >= begin ? line.insert + declared : declared;
  return {
    title: `Declare ${name}`,
    edits: [...loads, { from: begin, to: begin, text: lines }],
  };
}
