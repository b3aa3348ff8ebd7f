<script lang="ts">
  import Lamp from '@lucide/svelte/icons/lamp';
  import Sun from '@lucide/svelte/icons/sun';
  import { onMount } from 'svelte';
  import { currentTheme, restoreTheme, setTheme, type Theme } from './theme';

  let theme = $state<Theme>('daylight');
  onMount(() => {
    // Before the layout does: what is mounted within it comes first.
    restoreTheme();
    theme = currentTheme();
  });
  function change() {
    theme = theme === 'daylight' ? 'lamplight' : 'daylight';
    setTheme(theme);
  }
</script>

<button
  class="btn btn-ghost btn-sm btn-square"
  onclick={change}
  aria-label={theme === 'daylight' ? 'Light the lamp: dark colours' : 'Back to daylight colours'}
>
  {#if theme === 'daylight'}<Lamp size={18} />{:else}<Sun size={18} />{/if}
</button>
