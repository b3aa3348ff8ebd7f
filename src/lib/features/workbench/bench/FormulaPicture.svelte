<script lang="ts">
  import type { Glimpse } from '@odd-compass/engine/worker';
  import { pictureUrl } from '../engine/pictureUrl';
  import type { Span } from './figure';

  interface Props {
    picture: Glimpse;
    /** From places of the picture's source to places of the text. */
    shift: number;
    /** What is marked in the text. */
    marked: Span;
    onpick: (span: Span) => void;
  }
  let { picture, shift, marked, onpick }: Props = $props();

  /** How much larger than on the page. */
  const SCALE = 2.2;
  interface Place extends Span {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }
  const places = $derived.by(() => {
    const out: Place[] = [];
    for (let i = 0; i + 5 < picture.places.length; i += 6) {
      const [x = 0, y = 0, width = 0, height = 0, from = 0, to = 0] = picture.places.slice(i);
      out.push({ x, y, width, height, from: from + shift, to: to + shift });
    }
    return out;
  });
  const isMarked = ({ from, to }: Place): boolean =>
    marked.to > marked.from && from >= marked.from && to <= marked.to;

  function pick(event: MouseEvent) {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / SCALE, (event.clientY - box.top) / SCALE];
    const distance = (place: Place): number =>
      Math.max(0, place.x - x, x - place.x - place.width) +
      Math.max(0, place.y - y, y - place.y - place.height);
    const nearest = [...places].sort((a, b) => distance(a) - distance(b))[0];
    if (!nearest) return;
    const again = nearest.from >= marked.from && nearest.to <= marked.to && marked.to > marked.from;
    onpick(again ? marked : nearest);
  }
</script>

<!-- From the keyboard, parts are chosen with the buttons beside it. -->
<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
<div
  class="relative cursor-pointer"
  style="width:{picture.width * SCALE}px;height:{picture.height * SCALE}px"
  onclick={pick}
>
  {#each places.filter(isMarked) as place, i (i)}
    <div
      class="absolute bg-primary/25"
      data-testid="marked-part"
      style="left:{place.x * SCALE}px;top:{place.y * SCALE}px;width:{place.width *
        SCALE}px;height:{place.height * SCALE}px"
    ></div>
  {/each}
  <img
    src={pictureUrl(picture)}
    alt="The formula, large"
    class="relative"
    width={picture.width * SCALE}
    height={picture.height * SCALE}
  />
</div>
