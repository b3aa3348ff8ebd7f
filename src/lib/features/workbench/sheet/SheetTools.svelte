<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import FoldHorizontal from '@lucide/svelte/icons/fold-horizontal';
  import Grid from '@lucide/svelte/icons/layout-grid';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import Search from '@lucide/svelte/icons/search';
  import RectangleVertical from '@lucide/svelte/icons/rectangle-vertical';
  import StretchHorizontal from '@lucide/svelte/icons/stretch-horizontal';

  interface Props {
    /** The page in sight, from 1, and how many there are. */
    page: number;
    pages: number;
    percent: number;
    small: boolean;
    ongo: (page: number) => void;
    onstep: (by: 1 | -1) => void;
    onfit: (what: 'text' | 'width' | 'page') => void;
    onsmall: () => void;
    onfind: () => void;
  }
  let { page, pages, percent, small, ongo, onstep, onfit, onsmall, onfind }: Props = $props();

  const button = 'btn btn-ghost btn-xs btn-square';
</script>

<div
  class="absolute right-5 bottom-4 flex items-center gap-1 rounded-box border border-base-300 bg-base-100 px-1 shadow"
  role="group"
  aria-label="How the sheet is seen"
>
  <button
    class={button}
    aria-label="Page before"
    disabled={page <= 1}
    onclick={() => ongo(page - 1)}><ChevronUp size={14} /></button
  >
  <label class="flex items-center gap-1 text-sm">
    <span class="sr-only">Page</span>
    <input
      class="input input-xs w-10 px-1 text-center"
      inputmode="numeric"
      value={page}
      onchange={(event) => {
        const wanted = Number(event.currentTarget.value);
        if (Number.isInteger(wanted)) ongo(Math.min(pages, Math.max(1, wanted)));
        event.currentTarget.value = String(page);
      }}
    />
    <span>of {pages}</span>
  </label>
  <button
    class={button}
    aria-label="Next page"
    disabled={page >= pages}
    onclick={() => ongo(page + 1)}><ChevronDown size={14} /></button
  >
  <button class="{button} ml-2" onclick={() => onstep(-1)} aria-label="Smaller"
    ><Minus size={14} /></button
  >
  <span class="w-11 text-center text-sm">{pages === 0 ? '' : `${percent} %`}</span>
  <button class={button} onclick={() => onstep(1)} aria-label="Larger"><Plus size={14} /></button>
  <button class={button} onclick={() => onfit('text')} aria-label="As wide as its text"
    ><FoldHorizontal size={14} /></button
  >
  <button class={button} onclick={() => onfit('width')} aria-label="The whole width"
    ><StretchHorizontal size={14} /></button
  >
  <button class={button} onclick={() => onfit('page')} aria-label="A whole page"
    ><RectangleVertical size={14} /></button
  >
  <button
    class="{button} ml-2 {small ? 'btn-active' : ''}"
    aria-label="All pages, small"
    aria-pressed={small}
    onclick={onsmall}><Grid size={14} /></button
  >
  <button class={button} aria-label="Find on the sheet" onclick={onfind}
    ><Search size={14} /></button
  >
</div>
