<script lang="ts">
  import { Handbook } from '$lib/features/handbook';
  import { EngineClient } from '$lib/features/workbench';
  import LampButton from '$lib/ui/LampButton.svelte';
  import { onMount } from 'svelte';

  let engine = $state<EngineClient | null>(null);
  onMount(() => {
    const opened = new EngineClient({ path: 'sheet.tex', text: '', part: null }, []);
    engine = opened;
    return () => opened.close();
  });
</script>

<svelte:head><title>Handbook · Odd Compass</title></svelte:head>
<div class="mx-auto max-w-4xl px-8 py-5">
  <header class="mb-5 flex items-baseline gap-3 border-b border-base-300 pb-3">
    <a href="/" class="link-hover link">Desk</a>
    <span aria-hidden="true">/</span>
    <h1 class="text-2xl font-bold">Handbook</h1>
    <p class="text-secondary">every command and environment that is understood here</p>
    <div class="ml-auto"><LampButton /></div>
  </header>
  <main>
    <Handbook
      words={engine?.words ?? []}
      glimpse={(source, preamble) => engine?.glimpse(source, preamble) ?? Promise.resolve(null)}
    />
  </main>
</div>
