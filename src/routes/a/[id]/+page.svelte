<script lang="ts">
  import { Workbench } from '$lib/features/workbench';

  let { data } = $props();
  const { assignment } = $derived(data);
</script>

<svelte:head><title>{assignment.title} · Odd Compass</title></svelte:head>
{#key `${assignment.id} ${assignment.file.path}`}
  <Workbench {assignment} at={data.at} find={data.find} />
{/key}
