<script lang="ts">
  import { Start } from '$lib/features/start';

  let { data } = $props();
</script>

<svelte:head><title>A new sheet · Odd Compass</title></svelte:head>
<Start {...data} />
