import type { PatternName } from '../../document/blocks';

/** What a language changes on the page. */
export interface Language {
  /** The names it is asked for by (babel manual, section 1.25; polyglossia manual, table 1). */
  readonly names: readonly string[];
  readonly patterns: PatternName;
  /** Letters that stay together at both ends of a word. */
  readonly minima: readonly [number, number];
  /** Words that the classes print, by the macros that hold them. */
  readonly words: Readonly<Record<string, string>>;
  /** What `\autoref` calls things, where that is known to differ from English. */
  readonly auto?: Readonly<Record<string, string>>;
  /** The names of the months, and the body of `\today`, `MONTH` standing for the month. */
  readonly months: string;
  readonly today: string;
  /** Quotation marks, outer and inner, and whether `"` stands for letters and marks. */
  readonly quotes: readonly [string, string, string, string];
  readonly shorthands?: boolean;
}

const WORDS =
  'contentsname listfigurename listtablename refname bibname abstractname indexname appendixname figurename tablename partname chaptername proofname pagename seename'.split(
    ' ',
  );

/** What `\autoref` calls things, in this order (hyperref manual, section 7). */
const AUTO_KINDS =
  'equation footnote item figure table part appendix chapter section subsection subsubsection paragraph page'.split(
    ' ',
  );
const autoWords = (list: string): Record<string, string> =>
  Object.fromEntries(list.split('|').map((word, i) => [`${AUTO_KINDS[i]}autorefname`, word]));

/** The words in the order of `WORDS`, a bar between them. */
const words = (list: string): Record<string, string> =>
  Object.fromEntries(list.split('|').map((word, i) => [WORDS[i] as string, word]));

const ENGLISH = {
  words: words(
    'Contents|List of Figures|List of Tables|References|Bibliography|Abstract|Index|Appendix|Figure|Table|Part|Chapter|Proof|Page|see',
  ),
  months: 'January February March April May June July August September October November December',
  quotes: ['“', '”', '‘', '’'],
} as const;

const GERMAN = {
  minima: [2, 2],
  auto: autoWords(
    'Gleichung|Fußnote|Punkt|Abbildung|Tabelle|Teil|Anhang|Kapitel|Abschnitt|Unterabschnitt|Unterunterabschnitt|Absatz|Seite',
  ),
  words: words(
    'Inhaltsverzeichnis|Abbildungsverzeichnis|Tabellenverzeichnis|Literatur|Literaturverzeichnis|Zusammenfassung|Index|Anhang|Abbildung|Tabelle|Teil|Kapitel|Beweis|Seite|siehe',
  ),
  months: 'Januar Februar März April Mai Juni Juli August September Oktober November Dezember',
  today: '\\number\\day.~MONTH\\space\\number\\year',
  quotes: ['„', '“', '‚', '‘'],
  shorthands: true,
} as const;

const PORTUGUESE = {
  patterns: 'pt',
  minima: [2, 3],
  auto: autoWords(
    'Equação|Nota de rodapé|Item|Figura|Tabela|Parte|Apêndice|Capítulo|Seção|Subseção|Subsubseção|parágrafo|Página',
  ),
  today: '\\number\\day\\space de MONTH\\space de \\number\\year',
  quotes: ['“', '”', '‘', '’'],
} as const;

/** The languages whose patterns are in the registry and whose words are known here. */
export const LANGUAGES: readonly Language[] = [
  {
    ...ENGLISH,
    names: ['english', 'american', 'USenglish', 'usenglish'],
    patterns: 'en-us',
    minima: [2, 3],
    today: 'MONTH\\space\\number\\day, \\number\\year',
  },
  {
    ...ENGLISH,
    names: ['british', 'UKenglish', 'ukenglish', 'australian', 'newzealand'],
    patterns: 'en-gb',
    minima: [2, 3],
    today: '\\number\\day\\space MONTH\\space\\number\\year',
    quotes: ['‘', '’', '“', '”'],
  },
  { ...GERMAN, names: ['ngerman', 'german', 'naustrian'], patterns: 'de-1996' },
  { ...GERMAN, names: ['germanb', 'austrian'], patterns: 'de-1901' },
  { ...GERMAN, names: ['swissgerman', 'nswissgerman'], patterns: 'de-ch-1901' },
  {
    names: ['french', 'francais', 'frenchb', 'acadian', 'canadien'],
    patterns: 'fr',
    minima: [2, 2],
    auto: autoWords(
      'Équation|note|item|Figure|Tableau|Partie|Annexe|Chapitre|section|sous-section|sous-sous-section|paragraphe|page',
    ),
    words: words(
      'Table des matières|Table des figures|Liste des tableaux|Références|Bibliographie|Résumé|Index|Annexe|Figure|Table|Partie|Chapitre|Démonstration|page|voir',
    ),
    months: 'janvier février mars avril mai juin juillet août septembre octobre novembre décembre',
    today: '\\number\\day\\ifnum\\day=1\\textsuperscript{er}\\fi~MONTH\\space\\number\\year',
    quotes: ['«\u00a0', '\u00a0»', '“', '”'],
  },
  {
    names: ['spanish', 'castillian'],
    patterns: 'es',
    minima: [2, 2],
    auto: autoWords(
      'Ecuación|Nota a pie de página|Elemento|Figura|Tabla|Parte|Apéndice|Capítulo|Sección|Subsección|Subsubsección|Párrafo|Página',
    ),
    words: words(
      'Índice|Índice de figuras|Índice de cuadros|Referencias|Bibliografía|Resumen|Índice alfabético|Apéndice|Figura|Cuadro|Parte|Capítulo|Demostración|Página|véase',
    ),
    months:
      'enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre',
    today: '\\number\\day\\space de MONTH\\space de \\number\\year',
    quotes: ['«', '»', '“', '”'],
  },
  {
    names: ['italian'],
    patterns: 'it',
    minima: [2, 2],
    auto: autoWords(
      'Equazione|nota|punto|Figura|Tabella|Parte|Appendice|Capitolo|sezione|sottosezione|sottosottosezione|paragrafo|pagina',
    ),
    words: words(
      'Indice|Elenco delle figure|Elenco delle tabelle|Riferimenti bibliografici|Bibliografia|Sommario|Indice analitico|Appendice|Figura|Tabella|Parte|Capitolo|Dimostrazione|Pag.|vedi',
    ),
    months:
      'gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre',
    today: '\\number\\day~MONTH\\space\\number\\year',
    quotes: ['«', '»', '“', '”'],
  },
  {
    ...PORTUGUESE,
    names: ['portuguese', 'portuges'],
    words: words(
      'Conteúdo|Lista de Figuras|Lista de Tabelas|Referências|Bibliografia|Resumo|Índice|Apêndice|Figura|Tabela|Parte|Capítulo|Demonstração|Página|ver',
    ),
    months:
      'Janeiro Fevereiro Março Abril Maio Junho Julho Agosto Setembro Outubro Novembro Dezembro',
  },
  {
    ...PORTUGUESE,
    names: ['brazilian', 'brazil'],
    words: words(
      'Sumário|Lista de Figuras|Lista de Tabelas|Referências|Referências Bibliográficas|Resumo|Índice Remissivo|Apêndice|Figura|Tabela|Parte|Capítulo|Demonstração|Página|veja',
    ),
    months:
      'janeiro fevereiro março abril maio junho julho agosto setembro outubro novembro dezembro',
  },
  {
    names: ['dutch'],
    patterns: 'nl',
    minima: [2, 2],
    auto: autoWords(
      'Vergelijking|voetnoot|punt|Figuur|Tabel|Deel|Bijlage|Hoofdstuk|Paragraaf|Deelparagraaf|Deel-deelparagraaf|alinea|pagina',
    ),
    words: words(
      'Inhoudsopgave|Lijst van figuren|Lijst van tabellen|Referenties|Bibliografie|Samenvatting|Index|Bijlage|Figuur|Tabel|Deel|Hoofdstuk|Bewijs|Pagina|zie',
    ),
    months:
      'januari februari maart april mei juni juli augustus september oktober november december',
    today: '\\number\\day~MONTH\\space\\number\\year',
    quotes: ['‘', '’', '“', '”'],
    shorthands: true,
  },
  {
    names: ['polish'],
    patterns: 'pl',
    minima: [2, 2],
    words: words(
      'Spis treści|Spis rysunków|Spis tabel|Literatura|Bibliografia|Streszczenie|Indeks|Dodatek|Rysunek|Tabela|Część|Rozdział|Dowód|Strona|porównaj',
    ),
    months:
      'stycznia lutego marca kwietnia maja czerwca lipca sierpnia września października listopada grudnia',
    today: '\\number\\day~MONTH\\space\\number\\year',
    quotes: ['„', '”', '«', '»'],
    shorthands: true,
  },
];

/** The language that is asked for by a name. */
export const languageNamed = (name: string): Language | null =>
  LANGUAGES.find(({ names }) => names.includes(name)) ?? null;

export const LANGUAGE_NAMES: readonly string[] = LANGUAGES.flatMap(({ names }) => names);
