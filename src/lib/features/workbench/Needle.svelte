<script lang="ts">
  import type { Finding } from '@odd-compass/engine';
  import { nearestFinding } from './needle';

  interface Props {
    findings: readonly Finding[];
    caret: number;
    /** Do page and source agree? */
    settled: boolean;
    ongo: (offset: number) => void;
  }
  let { findings, caret, settled, ongo }: Props = $props();

  const toFix = $derived(findings.filter(({ severity }) => severity !== 'advice'));
  const nearest = $derived(nearestFinding(toFix, caret));
  const angle = $derived(nearest === null ? 60 : nearest.from < caret ? 0 : 180);
  const words = $derived(
    nearest === null
      ? settled
        ? 'all well'
        : 'setting'
      : `${toFix.length} to fix, ${nearest.from < caret ? 'above' : 'below'}`,
  );
</script>

<button
  class="btn btn-ghost btn-sm gap-2 font-normal {nearest ? 'text-error' : 'text-success'}"
  onclick={() => nearest && ongo(nearest.from)}
  aria-disabled={nearest === null}
  aria-label={nearest ? `${words}: ${nearest.message} Go there.` : words}
  data-testid="needle"
>
  <svg viewBox="-16 -16 32 32" class="h-6 w-6" aria-hidden="true">
    <circle r="14" fill="none" stroke="currentColor" stroke-width="1.5" />
    <g style="transform:rotate({angle}deg);transition:transform 200ms">
      <path d="M0 -11 3.2 0H-3.2Z" fill="currentColor" />
      <path d="M0 11 3.2 0H-3.2Z" fill="none" stroke="currentColor" stroke-width="1.2" />
    </g>
  </svg>
  <span class="text-base">{words}</span>
</button>
