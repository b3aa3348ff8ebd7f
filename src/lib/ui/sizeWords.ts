/** A number of bytes as one reads it. */
export const sizeWords = (bytes: number): string =>
  bytes < 1000
    ? `${bytes} bytes`
    : bytes < 1_000_000
      ? `${Math.round(bytes / 1000)} kB`
      : `${(bytes / 1_000_000).toFixed(1)} MB`;
