import type { MatrixAnswer, MatrixQuestion, ToldStep, Wanted } from '@odd-compass/checks';

/** What is asked of the worker that tests steps; what the engine read comes through `port`. */
export type ChecksRequest =
  | {
      readonly kind: 'steps';
      readonly run: number;
      readonly wanted: Wanted;
      readonly port: MessagePort;
    }
  | {
      readonly kind: 'matrix';
      readonly run: number;
      readonly question: MatrixQuestion;
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
    }
  | { readonly kind: 'steps'; readonly run: number; readonly steps: readonly ToldStep[] }
  | { readonly kind: 'matrix'; readonly run: number; readonly answer: MatrixAnswer }
  | { readonly kind: 'done'; readonly run: number };
