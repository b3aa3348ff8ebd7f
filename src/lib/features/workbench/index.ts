export { default as Workbench } from './Workbench.svelte';
export { meaningOf } from './bench/symbols';
export { EngineClient } from './engine/engineClient.svelte';
export { default as SheetPage } from './sheet/SheetPage.svelte';
export { openSpeller, type Speller } from './source/speller';
export { proseOf, wordsIn, wordsOfDocument } from './source/prose';
export { keptTaste } from './source/taste';
