import { PT } from '../../base/lengths';
import { rectangle } from '../../base/paths';
import { filled } from '../../document/drawing';
import type { OutsideMark } from '../../document/outsideDrawing';
import type { ImageSize } from '../machine/reading';

/** Pictures that come with LaTeX to try a layout with (package mwe), in big points; the others are as the first. */
const SIZES: Readonly<Record<string, readonly [width: number, height: number]>> = {
  'example-image': [320, 240],
  'example-image-1x1': [240, 240],
  'example-image-10x16': [200, 320],
  'example-image-16x10': [320, 200],
  'example-image-16x9': [320, 180],
  'example-image-9x16': [180, 320],
  'example-image-golden': [320, 198],
  'example-image-golden-upright': [198, 320],
  'example-image-a4': [595, 842],
  'example-image-a4-landscape': [842, 595],
  'example-image-letter': [612, 792],
  'example-grid-100x100bp': [100, 100],
  'example-grid-100x100pt': [100, 100],
};
const NAMED = /^example-(?:image(?:-[a-z0-9]+)*|grid-[a-z0-9]+)(?:\.(?:pdf|png|jpg|eps))?$/;
const BP = (72.27 / 72) * PT;

/** One of those pictures, where the assignment has no file of its name: a grey ground with a paler field in it; null when it is none. */
export function exampleImage(name: string): ImageSize | null {
  const plain = name.trim();
  if (!NAMED.test(plain)) return null;
  const [across, high] = SIZES[plain.replace(/\.\w+$/, '')] ?? [320, 240];
  const [width, height] = [across * BP, high * BP];
  const field = (inset: number, fill: number): OutsideMark => ({
    kind: 'path',
    path: rectangle(inset, inset, width - 2 * inset, height - 2 * inset),
    style: filled(fill),
  });
  return { width, height, marks: [field(0, 0xcccccc), field(width / 16, 0xe6e6e6)] };
}
