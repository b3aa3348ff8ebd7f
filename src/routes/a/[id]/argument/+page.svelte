<script lang="ts">
  import { Argument } from '$lib/features/argument';

  let { data } = $props();
</script>

<svelte:head><title>The argument of {data.assignment.title} · Odd Compass</title></svelte:head>
<Argument assignment={data.assignment} parts={data.parts} />
