<script lang="ts">
  import { HandIn } from '$lib/features/hand-in';

  let { data } = $props();
</script>

<svelte:head><title>Hand in {data.title} · Odd Compass</title></svelte:head>
<HandIn {...data} />
