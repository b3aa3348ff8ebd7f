export { default as Start } from './Start.svelte';
