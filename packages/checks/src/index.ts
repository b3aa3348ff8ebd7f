export { countSteps, stepsOf, type Extent, type Step, type Wanted } from './sheet/sheetSteps';
export { tellStep, type ToldStep } from './sheet/told';
export type { WrittenBlock } from './sheet/pieces';
export type { Outcome, Result } from './steps/check';
export { sideText } from './sheet/sideText';
export {
  answerMatrix,
  type MatrixAnswer,
  type MatrixQuestion,
  type MatrixTask,
} from './matrices/task';
export { tableAt, valueAt, type TableAnswer, type ValueAnswer } from './sheet/valueAt';
export { graphAt, type GraphAnswer } from './sheet/graphAt';
export { answerSystem, type SystemAnswer } from './matrices/system';
export {
  argumentOf,
  type Argument,
  type ArgumentEdge,
  type ArgumentNode,
} from './argument/argument';
export { signsOf, type Sign, type Signs } from './signs/signs';
export type { SignNote } from './signs/signNotes';
