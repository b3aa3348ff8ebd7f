type Words = readonly [one: string, several: string];
type Table = Readonly<Record<string, Words>>;

/** The kinds that the package has words for, in the order of the lists below. */
const KINDS =
  'equation figure table page part chapter section appendix enumi footnote theorem lemma corollary proposition definition result example remark note algorithm listing line'.split(
    ' ',
  );

/** “one/several, …” in the order of `KINDS`. */
const table = (list: string): Table =>
  Object.fromEntries(
    list.split(', ').map((pair, i) => {
      const [one = '', several = one] = pair.split('/');
      return [KINDS[i] ?? '', [one, several] as const];
    }),
  );

const ENGLISH = table(
  'eq./eqs., fig./figs., table/tables, page/pages, part/parts, chapter/chapters, section/sections, appendix/appendices, item/items, footnote/footnotes, theorem/theorems, lemma/lemmas, corollary/corollaries, proposition/propositions, definition/definitions, result/results, example/examples, remark/remarks, note/notes, algorithm/algorithms, listing/listings, line/lines',
);

/** Words of other languages by their short names, and what stands between references: from, two, between, before the last (cleveref manual, section 11). */
const OTHERS: Readonly<
  Record<string, { readonly words: Table; readonly and: string; readonly to: string }>
> = {
  de: {
    words: table(
      'Gleichung/Gleichungen, Abbildung/Abbildungen, Tabelle/Tabellen, Seite/Seiten, Teil/Teile, Kapitel/Kapitel, Abschnitt/Abschnitte, Anhang/Anhänge, Punkt/Punkte, Fußnote/Fußnoten, Theorem/Theoreme, Lemma/Lemmata, Korollar/Korollare, Proposition/Propositionen, Definition/Definitionen, Ergebnis/Ergebnisse, Beispiel/Beispiele, Bemerkung/Bemerkungen, Anmerkung/Anmerkungen, Algorithmus/Algorithmen, Listing/Listings, Zeile/Zeilen',
    ),
    and: 'und',
    to: 'bis',
  },
  fr: {
    words: table(
      'équation/équations, figure/figures, tableau/tableaux, page/pages, partie/parties, chapitre/chapitres, section/sections, annexe/annexes, point/points, note/notes, théorème/théorèmes, lemme/lemmes, corollaire/corollaires, proposition/propositions, définition/définitions, résultat/résultats, exemple/exemples, remarque/remarques, commentaire/commentaires, algorithme/algorithmes, liste/listes, ligne/lignes',
    ),
    and: 'et',
    to: 'à',
  },
  es: {
    words: table(
      'ecuación/ecuaciones, figura/figuras, tabla/tablas, página/páginas, parte/partes, capítulo/capítulos, sección/secciones, apéndice/apéndices, punto/puntos, nota/notas, teorema/teoremas, lema/lemas, corolario/corolarios, proposición/proposiciones, definición/definiciones, resultado/resultados, ejemplo/ejemplos, observación/observaciones, nota/notas, algoritmo/algoritmos, listado/listados, línea/líneas',
    ),
    and: 'y',
    to: 'a',
  },
  it: {
    words: table(
      'equazione/equazioni, figura/figure, tabella/tabelle, pagina/pagine, parte/parti, capitolo/capitoli, sezione/sezioni, appendice/appendici, punto/punti, nota/note, teorema/teoremi, lemma/lemmi, corollario/corollari, proposizione/proposizioni, definizione/definizioni, risultato/risultati, esempio/esempi, osservazione/osservazioni, nota/note, algoritmo/algoritmi, elenco/elenchi, linea/linee',
    ),
    and: 'e',
    to: 'a',
  },
  pt: {
    words: table(
      'equação/equações, figura/figuras, tabela/tabelas, página/páginas, parte/partes, capítulo/capítulos, seção/seções, apêndice/apêndices, item/itens, nota/notas, teorema/teoremas, lema/lemas, corolário/corolários, proposição/proposições, definição/definições, resultado/resultados, exemplo/exemplos, observação/observações, nota/notas, algoritmo/algoritmos, listagem/listagens, linha/linhas',
    ),
    and: 'e',
    to: 'a',
  },
  nl: {
    words: table(
      'vergelijking/vergelijkingen, figuur/figuren, tabel/tabellen, pagina/pagina’s, deel/delen, hoofdstuk/hoofdstukken, paragraaf/paragrafen, appendix/appendices, punt/punten, voetnoot/voetnoten, stelling/stellingen, lemma/lemma’s, gevolg/gevolgen, propositie/proposities, definitie/definities, resultaat/resultaten, voorbeeld/voorbeelden, opmerking/opmerkingen, aantekening/aantekeningen, algoritme/algoritmen, listing/listings, regel/regels',
    ),
    and: 'en',
    to: 'tot',
  },
};

/** Kinds that are called as others are. */
const AS: Readonly<Record<string, string>> = {
  subsection: 'section',
  subsubsection: 'section',
  subfigure: 'figure',
  subtable: 'table',
  sub: 'figure',
  enumii: 'enumi',
  enumiii: 'enumi',
  enumiv: 'enumi',
  lstlisting: 'listing',
  AlgoLine: 'line',
  ALC_line: 'line',
};

/** What a kind is called; null where there is no word for it. */
export function wordsFor(kind: string, language = ''): Words | null {
  const own = OTHERS[language.slice(0, 2)]?.words ?? ENGLISH;
  return own[kind] ?? own[AS[kind] ?? ''] ?? null;
}

/** What stands between several references: within a range, between two, several, before the last; then the same of kinds. */
export function joinsOf(language = ''): readonly string[] {
  const other = OTHERS[language.slice(0, 2)];
  const { and, to } = other ?? { and: 'and', to: 'to' };
  const last = !other ? `, ${and} ` : ` ${and} `;
  return [` ${to}\u00a0`, ` ${and} `, ', ', ` ${and} `, ` ${and} `, ', ', last];
}
