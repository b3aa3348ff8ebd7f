<script lang="ts">
  import type { Argument, ArgumentNode } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import { linkHorizontal } from 'd3-shape';
  import { pictureUrl } from '../workbench';
  import { NODE, placedNodes } from './layers';

  interface Props {
    argument: Argument;
    name: (node: ArgumentNode) => string;
    /** A picture of a piece of source. */
    picture: (source: string) => Promise<Glimpse | null>;
    ongo: (at: number) => void;
  }
  let { argument, name, picture, ongo }: Props = $props();

  const map = $derived(placedNodes(argument));
  const inCircle = $derived(new Set(argument.circles.flat()));
  const link = linkHorizontal<null, readonly [number, number]>();
  /** From the right side of what is rested on to the left side of what rests on it. */
  const lines = $derived(
    argument.edges.map(({ from, to }) => {
      const [user, used] = [map.placed[from], map.placed[to]];
      if (!user || !used) return { d: '', strong: false };
      const source = [used.x + NODE.width, used.y + NODE.height / 2] as const;
      const target = [user.x - 5, user.y + NODE.height / 2] as const;
      const d = link({ source, target } as never) ?? '';
      return { d, strong: inCircle.has(from) && inCircle.has(to) };
    }),
  );
  const SCALE = 1.15;
</script>

<div class="relative" style="width:{map.width}px;height:{map.height}px" data-testid="argument-map">
  <svg class="absolute inset-0" width={map.width} height={map.height} aria-hidden="true">
    <defs>
      <marker
        id="rests"
        viewBox="0 0 8 8"
        refX="7"
        refY="4"
        markerWidth="7"
        markerHeight="7"
        orient="auto"
      >
        <path d="M0 0.5 7.5 4 0 7.5Z" fill="var(--color-secondary)" />
      </marker>
    </defs>
    {#each lines as { d, strong }, i (i)}
      <path
        {d}
        fill="none"
        stroke="var(--color-secondary)"
        stroke-width={strong ? 3 : 1.5}
        stroke-dasharray={strong ? '7 4' : undefined}
        marker-end="url(#rests)"
      />
    {/each}
  </svg>
  {#each map.placed as { node, x, y } (node.id)}
    <button
      class="absolute flex cursor-pointer flex-col gap-1 overflow-hidden rounded-(--radius-box) border bg-base-100 px-3 py-1.5 text-left hover:border-primary {argument.unproved.includes(
        node.id,
      )
        ? 'border-2 border-dashed border-warning'
        : 'border-base-300'} {inCircle.has(node.id) ? 'ring-2 ring-warning' : ''}"
      style="left:{x}px;top:{y}px;width:{NODE.width}px;height:{NODE.height}px"
      onclick={() => ongo(node.from)}
    >
      <span class="flex w-full items-baseline gap-2">
        <strong class="truncate">{name(node)}</strong>
        {#if argument.unproved.includes(node.id)}<span class="ml-auto text-sm whitespace-nowrap"
            >no proof</span
          >{/if}
      </span>
      {#await picture(node.first) then made}
        {#if made}
          <span class="block overflow-hidden rounded-(--radius-field) bg-(--paper) px-1">
            <img
              class="max-w-none"
              src={pictureUrl(made)}
              alt=""
              width={made.width * SCALE}
              height={made.height * SCALE}
            />
          </span>
        {/if}
      {/await}
    </button>
  {/each}
</div>
