import type {
  GraphAnswer,
  MatrixAnswer,
  MatrixQuestion,
  Extent,
  Signs,
  SystemAnswer,
  TableAnswer,
  ToldStep,
  ValueAnswer,
  Wanted,
} from '@odd-compass/checks';

/** What can be asked of the sheet besides its steps, and what is answered. */
export interface Asked {
  matrix: { readonly ask: MatrixQuestion; readonly answer: MatrixAnswer };
  value: { readonly ask: Extent; readonly answer: ValueAnswer };
  table: { readonly ask: Extent & TableRange; readonly answer: TableAnswer };
  graph: { readonly ask: Extent & GraphRange; readonly answer: GraphAnswer };
  system: { readonly ask: Extent; readonly answer: SystemAnswer };
  signs: { readonly ask: null; readonly answer: Signs };
}

/** From one value to another by equal steps. */
export interface TableRange {
  readonly first: number;
  readonly last: number;
  readonly step: number;
}

export type GraphRange = Pick<TableRange, 'first' | 'last'>;

export type Question = {
  [What in keyof Asked]: { what: What; ask: Asked[What]['ask'] };
}[keyof Asked];

/** What is asked of the worker that tests steps; what the engine read comes through `port`. */
export type ChecksRequest =
  | {
      readonly kind: 'steps';
      readonly run: number;
      readonly wanted: Wanted;
      readonly port: MessagePort;
    }
  | {
      readonly kind: 'ask';
      readonly run: number;
      readonly question: Question;
      readonly port: MessagePort;
    }
  /** A run is no longer wanted. */
  | { readonly kind: 'stop'; readonly run: number };

export type ChecksAnswer =
  /** So many steps there are in all, in the text of this revision. */
  | {
      readonly kind: 'total';
      readonly run: number;
      readonly total: number;
      readonly revision: number;
      /** How many relations were read in what is supposed besides. */
      readonly supposed: number;
    }
  | { readonly kind: 'steps'; readonly run: number; readonly steps: readonly ToldStep[] }
  | { readonly kind: 'answer'; readonly run: number; readonly answer: Asked[keyof Asked]['answer'] }
  | { readonly kind: 'done'; readonly run: number };
