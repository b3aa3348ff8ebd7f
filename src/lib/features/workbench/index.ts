export { default as Workbench } from './Workbench.svelte';
export { EngineClient } from './engine/engineClient.svelte';
export { default as SheetPage } from './sheet/SheetPage.svelte';
export { openSpeller, type Speller } from './source/speller';
export { formulasIn, proseOf, wordsIn, wordsOfDocument } from './source/prose';
export { keptTaste } from './source/taste';
export { pictureUrl } from './engine/pictureUrl';
export { engineFiles } from './assignmentFiles';
export { lookingLines } from './source/preamble';
