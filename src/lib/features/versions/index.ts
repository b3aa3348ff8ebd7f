export { default as Versions } from './Versions.svelte';
