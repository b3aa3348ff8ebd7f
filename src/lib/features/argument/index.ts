export { default as Argument } from './Argument.svelte';
