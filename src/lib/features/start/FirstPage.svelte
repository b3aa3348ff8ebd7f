<script lang="ts">
  import { editBetween } from '@odd-compass/engine/edits';
  import { onMount, untrack } from 'svelte';
  import { EngineClient, SheetPage } from '../workbench';

  let { text }: { text: string } = $props();

  let engine = $state.raw<EngineClient | null>(null);
  let width = $state(400);
  let written = '';

  onMount(() => {
    written = untrack(() => text);
    const opened = new EngineClient({ path: 'sheet.tex', text: written, part: null }, []);
    opened.view([{ first: 0, last: 0 }]);
    engine = opened;
    return () => opened.close();
  });
  $effect(() => {
    const edit = engine && editBetween(written, text);
    if (!edit) return;
    written = text;
    untrack(() => engine?.edit([edit], () => written));
  });

  const page = $derived(engine?.sighted.get(0) ?? null);
  const scale = $derived(page ? width / page.description.width : 1);
  const settled = $derived(!!engine && engine.accountRevision === engine.revision);
  const toFix = $derived(
    engine?.findings.filter(({ severity }) => severity !== 'advice').length ?? 0,
  );
</script>

<div bind:clientWidth={width} class="min-h-40">
  {#if engine && page}
    <SheetPage {engine} {page} index={0} {scale} onpick={() => undefined} />
  {/if}
</div>
{#if engine}
  <p class="mt-2 text-sm" role="status">
    {engine.pages.length === 1 ? '1 page' : `${engine.pages.length} pages`}{settled && toFix > 0
      ? `, ${toFix} to fix`
      : ''}
  </p>
{/if}
