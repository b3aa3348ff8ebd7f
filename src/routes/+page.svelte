<script lang="ts">
  import { Desk } from '$lib/features/desk';

  let { data } = $props();
</script>

<svelte:head><title>Desk · Odd Compass</title></svelte:head>
<Desk courses={data.courses} deleted={data.deleted} profile={data.profile} />
