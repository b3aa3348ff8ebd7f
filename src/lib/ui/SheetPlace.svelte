<script lang="ts">
  import type { Snippet } from 'svelte';
  import LampButton from './LampButton.svelte';

  interface Props {
    /** Of the sheet, its title and its course. */
    id: string;
    title: string;
    course: string;
    /** What this place is called. */
    here: string;
    children?: Snippet;
  }
  let { id, title, course, here, children }: Props = $props();
</script>

<!-- The head of a place that belongs to a sheet: the way back, and what can be done here. -->
<header class="flex items-center gap-3 border-b border-base-300 px-5 py-2">
  <nav aria-label="Where you are" class="flex min-w-0 items-baseline gap-2">
    <a href="/" class="link-hover link">Desk</a>
    <span aria-hidden="true">/</span>
    <span class="truncate">{course}</span>
    <span aria-hidden="true">/</span>
    <a href="/a/{id}" class="link-hover link truncate">{title}</a>
    <span aria-hidden="true">/</span>
    <h1 class="text-lg font-bold whitespace-nowrap">{here}</h1>
  </nav>
  <div class="ml-auto flex items-center gap-3">
    {@render children?.()}
    <LampButton />
  </div>
</header>
