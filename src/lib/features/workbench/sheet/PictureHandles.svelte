<script lang="ts">
  import type { PageDescription } from '@odd-compass/engine';
  import type { BlockPlace } from '@odd-compass/engine/worker';
  import { onDestroy } from 'svelte';
  import { handlesOf, keyStep, movedHandle, type Handle } from './handles';
  import type { HeldPicture } from './heldPicture';

  interface Props {
    page: PageDescription;
    blocks: ReadonlyMap<number, BlockPlace>;
    /** CSS pixels per big point. */
    scale: number;
    held: HeldPicture;
  }
  let { page, blocks, scale, held }: Props = $props();

  const far = ({ from }: Handle): number => Math.abs(from - held.caret);
  let handles = $state.raw<readonly Handle[]>([]);
  // While the page is behind the source they stay: the one in hand, or with the keys, must not go.
  $effect.pre(() => {
    const now = handlesOf(page, blocks, held, held.read);
    if (now) handles = now.sort((a, b) => far(b) - far(a));
  });
  /** The point in hand: as it was when it was taken, what its numbers are now. */
  let taken = $state.raw<{ handle: Handle; now: string; x: number; y: number } | null>(null);

  function take(event: PointerEvent, handle: Handle) {
    event.preventDefault();
    const button = event.currentTarget as HTMLElement;
    button.focus();
    button.setPointerCapture(event.pointerId);
    const all = handles;
    taken = { handle, now: handle.text, x: 0, y: 0 };
    const move = (e: PointerEvent) => {
      if (!taken) return;
      const by = { x: (e.clientX - event.clientX) / scale, y: (e.clientY - event.clientY) / scale };
      const text = movedHandle(handle, by, all, e.shiftKey);
      if (text !== taken.now) held.write(handle.from, taken.now, text);
      taken = { handle, now: text, ...by };
    };
    const stop = () => {
      button.removeEventListener('pointermove', move);
      button.removeEventListener('lostpointercapture', stop);
      letGo();
    };
    button.addEventListener('pointermove', move);
    button.addEventListener('lostpointercapture', stop);
  }
  /** What the hand did becomes one step of undo: from how it was first. */
  function letGo() {
    if (!taken) return;
    const { handle, now } = taken;
    taken = null;
    if (now === handle.text) return;
    held.write(handle.from, now, handle.text);
    held.settle(handle.from, handle.text, now);
  }
  onDestroy(letGo);

  function keys(event: KeyboardEvent, handle: Handle) {
    const by = keyStep(event.key, handle, handles, event.shiftKey);
    if (!by) return;
    event.preventDefault();
    const text = movedHandle(handle, by, handles, event.shiftKey);
    if (text !== handle.text) held.settle(handle.from, handle.text, text);
  }

  /** The one in hand goes with the hand, whatever the page shows yet. */
  const placeOf = (handle: Handle) => {
    const own = taken?.handle.from === handle.from ? taken : null;
    return own
      ? { x: own.handle.x + own.x, y: own.handle.y + own.y, text: own.now }
      : { x: handle.x, y: handle.y, text: handle.text };
  };
</script>

{#each handles as handle (handle.from)}
  {@const { x, y, text } = placeOf(handle)}
  <button
    class="absolute h-3.5 w-3.5 -translate-1/2 cursor-move touch-none rounded-full border-2 border-primary hover:bg-primary/50"
    style="left:{x * scale}px;top:{y * scale}px"
    aria-label="Point {text} of the picture: drag, or use the arrow keys"
    title={text}
    onpointerdown={(event) => take(event, handle)}
    onkeydown={(event) => keys(event, handle)}
    onclick={(event) => event.stopPropagation()}
  ></button>
{/each}
{#if taken}
  <output
    class="pointer-events-none absolute rounded-(--radius-field) bg-neutral px-1.5 text-xs text-neutral-content"
    style="left:{(taken.handle.x + taken.x) * scale + 12}px;top:{(taken.handle.y + taken.y) *
      scale -
      24}px">{taken.now}</output
  >
{/if}
