<script lang="ts">
  import '../app.css';
  import { onMount } from 'svelte';
  import { restoreTheme } from '$lib/ui/theme';

  let { children } = $props();
  onMount(restoreTheme);
</script>

{@render children()}
