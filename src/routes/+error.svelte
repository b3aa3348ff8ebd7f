<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>Odd Compass</title></svelte:head>
<main class="mx-auto max-w-xl p-12">
  <h1 class="mb-4 text-3xl">{page.error?.message ?? 'Something went wrong.'}</h1>
  <a class="link link-primary" href="/">Back to the desk</a>
</main>
