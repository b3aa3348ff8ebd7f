/** The tables of an sfnt file by tag (OpenType 1.9, "Organization of an OpenType Font"). */
export type TableDirectory = ReadonlyMap<string, DataView>;

export function readDirectory(bytes: Uint8Array): TableDirectory {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = view.getUint16(4);
  const tables = new Map<string, DataView>();
  for (let i = 0; i < count; i++) {
    const at = 12 + 16 * i;
    const tag = String.fromCharCode(...bytes.subarray(at, at + 4));
    const offset = view.getUint32(at + 8);
    tables.set(tag, new DataView(bytes.buffer, bytes.byteOffset + offset, view.getUint32(at + 12)));
  }
  return tables;
}

/** The part of a table from an offset on; offsets inside it count from there. */
export const sub = (view: DataView, offset: number): DataView =>
  new DataView(view.buffer, view.byteOffset + offset, view.byteLength - offset);
