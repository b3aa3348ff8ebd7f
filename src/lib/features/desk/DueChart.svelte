<script lang="ts">
  import type { DeskCourse } from '$lib/domain/assignment';
  import { dueChart, shortTitle } from './dueChart';
  import { dueWords } from './dueWords';

  let { courses, now }: { courses: readonly DeskCourse[]; now: Date } = $props();
  const BASE = 104;
  let width = $state(1000);
  const chart = $derived(dueChart(courses, now, width));
  const said = $derived(
    chart.piles.map(({ card }) => {
      const pages =
        card.pages === null
          ? 'not typeset yet'
          : card.pages === 1
            ? '1 page'
            : `${card.pages} pages`;
      const fix = card.toFix ? `, ${card.toFix} to fix` : '';
      return `${card.title}: due ${dueWords(card.dueAt, now)}, ${pages}${fix}`;
    }),
  );
</script>

{#if chart.piles.length > 0}
  <figure class="mb-8" aria-label="What is due over the coming weeks, and what is written of it">
    <div bind:clientWidth={width}>
      <svg {width} height="172" class="block overflow-visible font-[family-name:var(--font-ui)]">
        {#each chart.days as day (day.x)}
          <line
            x1={day.x}
            x2={day.x}
            y1={BASE}
            y2={BASE + (day.week ? 9 : 4)}
            stroke="var(--color-base-content)"
            opacity="0.55"
          />
          {#if day.week}
            <text x={day.x + 3} y={BASE + 13} font-size="12" fill="currentColor" opacity="0.85"
              >{day.words}</text
            >
          {/if}
        {/each}
        <line x1="0" x2={width} y1={BASE} y2={BASE} stroke="currentColor" />
        <path
          d="M{chart.today} {BASE - 96}V{BASE}M{chart.today - 4} {BASE - 96}h8"
          stroke="var(--color-primary)"
          fill="none"
        />
        <text x={chart.today + 6} y={BASE - 86} font-size="13" fill="var(--color-primary)">now</text
        >
        {#each chart.piles as pile, i (pile.card.id)}
          <a href="/a/{pile.card.id}" aria-label={said[i]}>
            <rect x={pile.x - 14} y={BASE - 92} width="28" height={92 + 24} fill="transparent">
              <title>{said[i]}</title>
            </rect>
            {#each { length: Math.max(1, pile.pages) }, n (n)}
              <rect
                x={pile.x - 11 + (n % 2)}
                y={BASE - 8 - 9 * n}
                width="22"
                height="7"
                class="pointer-events-none"
                fill={pile.pages === 0 ? 'none' : `var(--ink-${pile.ink})`}
                stroke="var(--ink-{pile.ink})"
                stroke-dasharray={pile.pages === 0 ? '3 2' : undefined}
              />
            {/each}
          </a>
          <!-- What the link's name says already. -->
          <g aria-hidden="true" class="pointer-events-none">
            {#if pile.more > 0}
              <text
                x={pile.x}
                y={BASE - 12 - 9 * pile.pages}
                text-anchor="middle"
                font-size="12"
                fill="currentColor">+{pile.more}</text
              >
            {/if}
            {#if pile.card.toFix}
              <g
                transform="translate({pile.x + 16} {BASE - 12 - 9 * Math.max(0, pile.pages - 1)})"
                fill="var(--color-error)"
              >
                <path d="M0 -7 5 2H-5Z" />
                <text x="7" y="2" font-size="13">{pile.card.toFix}</text>
              </g>
            {/if}
            <line
              x1={pile.x}
              x2={pile.x}
              y1={BASE}
              y2={BASE + 17 + 16 * pile.row}
              stroke="var(--ink-{pile.ink})"
              opacity="0.6"
            />
            <text
              x={pile.x}
              y={BASE + 30 + 16 * pile.row}
              text-anchor={pile.x < 60 ? 'start' : pile.x > width - 60 ? 'end' : 'middle'}
              font-size="14"
              fill="var(--ink-{pile.ink})"
              font-weight="500">{shortTitle(pile.card.title)}</text
            >
          </g>
        {/each}
      </svg>
    </div>
    <figcaption class="sr-only">
      Each pile is a sheet on the day it is due: a bar for each page written; a triangle with the
      number of places to fix.
    </figcaption>
  </figure>
{/if}
