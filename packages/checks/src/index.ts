export { stepsOf, type Step, type Extent } from './sheet/sheetSteps';
export type { WrittenBlock } from './sheet/pieces';
export type { Outcome, Result } from './steps/check';
export { sideText } from './sheet/sideText';
