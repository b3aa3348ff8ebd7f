export { default as Handbook } from './Handbook.svelte';
