<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { change } from './change';
  import { readFloat, shareOf, widthChange, type PlacedPicture } from './figure';
  import FloatFields from './FloatFields.svelte';

  interface Props {
    view: EditorView;
    state: EditorState;
    from: number;
    to: number;
    /** Names and addresses of the assignment's pictures. */
    pictures: readonly { readonly name: string; readonly address: string }[];
    onpictures: (files: readonly File[], at: number) => void;
  }
  let { view, state: now, from, to, pictures, onpictures }: Props = $props();

  const SHARES = [0.25, 0.4, 0.5, 0.6, 0.75, 0.9, 1];
  const parts = $derived(readFloat(now.sliceDoc(from, to), from));
  const optionsOf = ({ options }: PlacedPicture): string => now.sliceDoc(options.from, options.to);
  const addressOf = (name: string): string | undefined =>
    pictures.find((one) => one.name === name || one.name.replace(/\.[a-z]+$/, '') === name)
      ?.address;

  function setShare(picture: PlacedPicture, share: number) {
    change(view, widthChange(optionsOf(picture), picture, share));
  }
  function choose(event: Event) {
    const { files } = event.currentTarget as HTMLInputElement;
    const [picture] = parts.pictures;
    onpictures([...(files ?? [])], picture?.from ?? from);
  }
</script>

{#each parts.pictures as picture (picture.from)}
  {@const share = shareOf(optionsOf(picture))}
  {@const address = addressOf(picture.name.text)}
  <div class="mb-2 flex flex-wrap items-center gap-3">
    {#if address && !address.includes('.pdf')}
      <img
        src={address}
        alt="The picture {picture.name.text}"
        class="h-16 w-24 rounded-(--radius-field) bg-(--paper) object-contain p-1"
      />
    {/if}
    <label class="flex items-center gap-2">
      <span>Picture</span>
      <select
        class="select select-sm w-44"
        value={picture.name.text}
        onchange={(event) =>
          change(view, {
            from: picture.name.from,
            to: picture.name.to,
            insert: event.currentTarget.value,
          })}
      >
        {#if !pictures.some(({ name }) => name === picture.name.text)}
          <option value={picture.name.text}>{picture.name.text || 'none yet'}</option>
        {/if}
        {#each pictures as { name } (name)}<option value={name}>{name}</option>{/each}
      </select>
    </label>
    <label class="flex items-center gap-2">
      <span>Width</span>
      <input
        type="range"
        class="range range-xs w-36"
        min="5"
        max="100"
        step="1"
        value={Math.round((share ?? 1) * 100)}
        aria-valuetext={share === null
          ? 'its own size'
          : `${Math.round(share * 100)} % of the text`}
        onchange={(event) => setShare(picture, Number(event.currentTarget.value) / 100)}
      />
      <span class="w-28"
        >{share === null ? 'its own size' : `${Math.round(share * 100)} % of the text`}</span
      >
    </label>
    <div class="flex flex-wrap gap-1" role="group" aria-label="Widths">
      {#each SHARES as one (one)}
        <button
          class="btn btn-xs {share === one ? 'btn-primary' : ''}"
          aria-pressed={share === one}
          onclick={() => setShare(picture, one)}>{Math.round(one * 100)}</button
        >
      {/each}
    </div>
  </div>
{:else}
  <p class="mb-2">No picture yet: drop one on the source, or choose a file.</p>
{/each}
<FloatFields {view} {parts} {to}>
  <label class="btn btn-sm">
    Take a picture from a file
    <input
      type="file"
      class="sr-only"
      accept="image/png,image/jpeg,image/svg+xml,application/pdf,.eps"
      onchange={choose}
    />
  </label>
</FloatFields>
