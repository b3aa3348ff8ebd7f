export { default as HandIn } from './HandIn.svelte';
