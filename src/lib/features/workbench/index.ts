export { default as Workbench } from './Workbench.svelte';
