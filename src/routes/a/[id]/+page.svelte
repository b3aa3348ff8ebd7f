<script lang="ts">
  import { Workbench } from '$lib/features/workbench';

  let { data } = $props();
</script>

<svelte:head><title>{data.assignment.title} · Odd Compass</title></svelte:head>
{#key data.assignment.id}
  <Workbench assignment={data.assignment} />
{/key}
