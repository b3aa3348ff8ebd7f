<script lang="ts">
  import type { ToldStep } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import { pictureUrl } from '../engine/pictureUrl';
  import { shownSource } from './outcomes';

  interface Props {
    step: ToldStep;
    /** The source the step stands in. */
    text: string;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
  }
  let { step, text, glimpse }: Props = $props();

  const SCALE = 1.5;
  const PREAMBLE = '\\usepackage{amsmath,amssymb}';
  const pieces = $derived(shownSource(text, step));
  const reading = $derived(
    step.reading === null ? null : glimpse(`$\\displaystyle ${step.reading}$`, PREAMBLE),
  );
  const sentence = $derived(step.why.charAt(0).toUpperCase() + step.why.slice(1));
</script>

<div class="flex flex-col gap-1.5 border-l-4 border-base-300 py-1 pl-3" data-testid="step-details">
  <p>{sentence}.</p>
  {#if step.agreeing.length > 0}
    <p>
      <code class="break-all"
        >{#each pieces as { text: piece, agrees }, i (i)}<span
            class={agrees ? 'opacity-70' : 'font-bold'}>{piece}</span
          >{/each}</code
      >
      <span class="ml-1 text-sm opacity-80">What is grey agrees on both sides.</span>
    </p>
  {/if}
  {#await reading then picture}
    {#if picture}
      <figure class="flex flex-wrap items-center gap-2">
        <figcaption class="text-sm opacity-80">Read as</figcaption>
        <img
          class="max-w-full rounded-(--radius-field) bg-(--paper) px-2 py-1"
          src={pictureUrl(picture)}
          alt={step.reading}
          width={picture.width * SCALE}
          height={picture.height * SCALE}
        />
      </figure>
    {/if}
  {/await}
</div>
