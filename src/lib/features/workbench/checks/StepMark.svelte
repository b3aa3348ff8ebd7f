<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import CircleDashed from '@lucide/svelte/icons/circle-dashed';
  import EqualNot from '@lucide/svelte/icons/equal-not';
  import Shuffle from '@lucide/svelte/icons/shuffle';
  import { RESULT_WORDS, type Result } from './outcomes';

  let { result }: { result: Result } = $props();

  const ICONS = { holds: Check, differs: EqualNot, sometimes: Shuffle, unknown: CircleDashed };
  const Icon = $derived(ICONS[result]);
  /** Found slips are the ones that stand out; nothing is red. */
  const strong = $derived(result === 'differs' || result === 'sometimes');
</script>

<span
  class="inline-flex items-center gap-1 rounded-(--radius-field) px-1.5 whitespace-nowrap {strong
    ? 'bg-warning/30 font-bold'
    : ''} {result === 'unknown' ? 'opacity-70' : ''}"
>
  <Icon class="h-4 w-4" aria-hidden="true" />
  <span>{RESULT_WORDS[result]}</span>
</span>
