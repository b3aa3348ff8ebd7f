<script lang="ts">
  import { mostLike, shapeOfPicture, shapeOfStrokes, type Point, type Shape } from './recognise';
  import type { Sign } from './symbols';

  interface Props {
    signs: readonly Sign[];
    /** Those most like what is drawn, the nearest first; null when nothing is. */
    onlike: (signs: readonly Sign[] | null) => void;
  }
  let { signs, onlike }: Props = $props();

  const SIZE = 132;
  const GLYPH = 64;
  const MOST = 16;
  const FONT = `${GLYPH}px 'Sheet Mathematics'`;
  let canvas: HTMLCanvasElement;
  let strokes = $state.raw<readonly (readonly Point[])[]>([]);
  let known: { shape: Shape; of: Sign }[] = [];

  /** Each sign's shape, from the font it is set in. What was drawn meanwhile is compared when they are known. */
  async function learn(signs: readonly Sign[]) {
    await document.fonts.load(FONT, '∑');
    const side = 3 * GLYPH;
    const paper = new OffscreenCanvas(side, side).getContext('2d', { willReadFrequently: true });
    if (!paper) return;
    paper.font = FONT;
    paper.textAlign = 'center';
    paper.textBaseline = 'middle';
    const seen = new Set<string>();
    const shapes: typeof known = [];
    for (const sign of signs) {
      if ([...sign.sign].length !== 1 || seen.has(sign.sign)) continue;
      seen.add(sign.sign);
      paper.clearRect(0, 0, side, side);
      paper.fillText(sign.sign, side / 2, side / 2);
      const { data } = paper.getImageData(0, 0, side, side);
      const shape = shapeOfPicture((x, y) => data[4 * (y * side + x) + 3] ?? 0, side, side);
      if (shape) shapes.push({ shape, of: sign });
    }
    known = shapes;
    if (strokes.length > 0) compare();
  }
  // The signs come from the engine, perhaps after this is shown.
  $effect(() => void learn(signs));

  function compare() {
    const drawn = shapeOfStrokes(strokes);
    onlike(drawn && mostLike(drawn, known, MOST));
  }

  const pointOf = (event: PointerEvent): Point => {
    const box = canvas.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  function draw(event: PointerEvent) {
    canvas.setPointerCapture(event.pointerId);
    let stroke: Point[] = [pointOf(event)];
    const earlier = strokes;
    strokes = [...earlier, stroke];
    const move = (e: PointerEvent) => {
      stroke = [...stroke, pointOf(e)];
      strokes = [...earlier, stroke];
    };
    const stop = () => {
      canvas.removeEventListener('pointermove', move);
      canvas.removeEventListener('pointerup', stop);
      compare();
    };
    canvas.addEventListener('pointermove', move);
    canvas.addEventListener('pointerup', stop);
  }
  function clear() {
    strokes = [];
    onlike(null);
  }

  $effect(() => {
    const context = canvas.getContext('2d');
    if (!context) return;
    const ratio = devicePixelRatio;
    canvas.width = canvas.height = SIZE * ratio;
    context.scale(ratio, ratio);
    context.strokeStyle = '#2b2620';
    context.lineWidth = 3;
    context.lineCap = context.lineJoin = 'round';
    for (const stroke of strokes) {
      context.beginPath();
      for (const { x, y } of stroke) context.lineTo(x, y);
      context.stroke();
    }
  });
</script>

<div class="flex flex-col items-center gap-1">
  <!-- A symbol can be found by its meaning or its name without the pointer. -->
  <canvas
    bind:this={canvas}
    class="cursor-crosshair touch-none rounded-(--radius-field) border border-base-300 bg-(--paper)"
    style="width:{SIZE}px;height:{SIZE}px"
    aria-label="Draw a symbol here with the pointer"
    onpointerdown={draw}>Draw a symbol here with the pointer.</canvas
  >
  <button class="btn btn-xs" disabled={strokes.length === 0} onclick={clear}>Draw another</button>
</div>
