<script lang="ts">
  import type { Glimpse, Word } from '@odd-compass/engine/worker';
  import { shapeOf } from './entries';

  interface Props {
    word: Word;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
    oninsert?: (word: Word) => void;
  }
  let { word, glimpse, oninsert }: Props = $props();

  let host: HTMLElement;
  let picture = $state.raw<Glimpse | null>(null);
  let copied = $state(false);
  const isLine = $derived(word.kind === 'package' || word.kind === 'class');
  const from = $derived(
    word.package !== ''
      ? `from the package ${word.package}`
      : word.classes.length > 0
        ? `in ${word.classes.join(', ')}`
        : '',
  );

  /** The example is typeset when it comes into sight. */
  $effect(() => {
    const { example, package: needed } = word;
    if (isLine || example === '') return;
    const watch = new IntersectionObserver((entries) => {
      if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
      watch.disconnect();
      void glimpse(example, needed === '' ? '' : `\\usepackage{${needed}}`).then(
        (made) => (picture = made),
      );
    });
    watch.observe(host);
    return () => watch.disconnect();
  });

  async function copy() {
    await navigator.clipboard.writeText(word.example);
    copied = true;
  }
</script>

<article bind:this={host} class="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 py-3">
  <div class="min-w-0">
    <h3>
      <span class="font-[family-name:var(--font-source)] text-[15px] font-semibold break-words"
        >{shapeOf(word)}</span
      >
    </h3>
    <p>
      {word.description}
      {#if from}<span class="text-secondary">{from}</span>{/if}
    </p>
    {#if word.options.length > 0}
      <p class="text-sm text-secondary">Options: {word.options.join(', ')}</p>
    {/if}
    {#if word.example !== '' && !isLine}
      <pre
        class="mt-1 font-[family-name:var(--font-source)] text-[13px] whitespace-pre-wrap text-secondary">{word.example}</pre>
    {/if}
  </div>
  <div class="flex w-56 flex-col items-end gap-2">
    {#if picture}
      <img
        src="data:image/svg+xml;utf8,{encodeURIComponent(picture.svg)}"
        alt="typeset: {word.example}"
        class="box-content max-w-52 bg-(--paper) p-1"
        style="width:{picture.width * 1.7}px"
      />
    {/if}
    {#if oninsert}
      <button class="btn btn-xs" aria-label="Insert {word.name}" onclick={() => oninsert?.(word)}
        >Insert</button
      >
    {:else}
      <button class="btn btn-ghost btn-xs" aria-label="Copy {word.name}" onclick={copy}
        >{copied ? 'Copied' : 'Copy'}</button
      >
    {/if}
  </div>
</article>
