<script lang="ts">
  import type { VersionCard } from '$lib/domain/version';
  import { strip } from './strip';

  interface Props {
    versions: readonly VersionCard[];
    now: Date;
    /** The version that is looked at. */
    chosen: number | null;
    onchoose: (id: number) => void;
  }
  let { versions, now, chosen, onchoose }: Props = $props();
  let width = $state(1000);
  const laid = $derived(strip(versions, now, width));

  /** Arrow keys go from version to version. */
  function step(event: KeyboardEvent, i: number) {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const to = by === undefined ? undefined : laid.marks[i + by];
    if (!to) return;
    event.preventDefault();
    onchoose(to.version.id);
    const list = (event.currentTarget as Element).parentElement;
    list?.querySelectorAll<HTMLElement>('button')[i + (by as number)]?.focus();
  }
</script>

<div class="relative h-28" bind:clientWidth={width}>
  <svg {width} height="112" class="absolute inset-0" aria-hidden="true">
    <path d={laid.growth} fill="var(--color-primary)" opacity="0.22" />
    <line x1="0" x2={width} y1="64" y2="64" stroke="currentColor" />
    {#each laid.ticks as { x, words } (x)}
      <line x1={x} x2={x} y1="64" y2="70" stroke="currentColor" />
      <text
        {x}
        y="84"
        font-size="13"
        text-anchor={x < 30 ? 'start' : x > width - 30 ? 'end' : 'middle'}
        fill="currentColor">{words}</text
      >
    {/each}
  </svg>
  <div role="group" aria-label="Earlier versions, the oldest first">
    {#each laid.marks as { version, x, y, says }, i (version.id)}
      <button
        class="absolute h-6 w-4 -translate-x-1/2"
        style="left:{x}px;top:{y - 12}px"
        aria-label={says}
        title={says}
        aria-pressed={chosen === version.id}
        onclick={() => onchoose(version.id)}
        onkeydown={(event) => step(event, i)}
      >
        <svg viewBox="-8 -12 16 24" class="h-6 w-4 overflow-visible" aria-hidden="true">
          {#if version.kind === 'handed-in'}
            <path d="M-5 -6H5V6L0 2 -5 6Z" fill="var(--color-success)" />
          {:else if version.name !== null}
            <path d="M0 -7 6 0 0 7 -6 0Z" fill="var(--color-primary)" />
          {:else}
            <circle
              r="4"
              fill="var(--color-base-100)"
              stroke="var(--color-primary)"
              stroke-width="2"
            />
          {/if}
          {#if chosen === version.id}
            <circle r="9" fill="none" stroke="currentColor" stroke-width="1.5" />
          {/if}
        </svg>
      </button>
    {/each}
  </div>
</div>
