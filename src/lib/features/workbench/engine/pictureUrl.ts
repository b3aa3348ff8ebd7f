import type { Glimpse } from '@odd-compass/engine/worker';

/** A picture from the engine as the address of an image. */
export const pictureUrl = ({ svg }: Glimpse): string =>
  `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;
