<script lang="ts">
  import { Versions } from '$lib/features/versions';

  let { data } = $props();
</script>

<svelte:head><title>Earlier versions of {data.title} · Odd Compass</title></svelte:head>
<Versions id={data.id} title={data.title} course={data.course} versions={data.versions} />
