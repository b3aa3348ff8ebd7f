import { sub } from './sfnt';

/** Coverage table: the glyphs, in order of coverage index (OpenType 1.9, "Coverage Table"). */
export function readCoverage(view: DataView): number[] {
  const glyphs: number[] = [];
  const count = view.getUint16(2);
  if (view.getUint16(0) === 1) {
    for (let i = 0; i < count; i++) glyphs.push(view.getUint16(4 + 2 * i));
    return glyphs;
  }
  for (let i = 0; i < count; i++) {
    const first = view.getUint16(4 + 6 * i);
    const last = view.getUint16(6 + 6 * i);
    for (let glyph = first; glyph <= last; glyph++) glyphs.push(glyph);
  }
  return glyphs;
}

/** Class definition table: glyph → class; glyphs left out have class 0. */
export function readClasses(view: DataView): Map<number, number> {
  const classes = new Map<number, number>();
  if (view.getUint16(0) === 1) {
    const start = view.getUint16(2);
    const count = view.getUint16(4);
    for (let i = 0; i < count; i++) classes.set(start + i, view.getUint16(6 + 2 * i));
    return classes;
  }
  const count = view.getUint16(2);
  for (let i = 0; i < count; i++) {
    const first = view.getUint16(4 + 6 * i);
    const last = view.getUint16(6 + 6 * i);
    const cls = view.getUint16(8 + 6 * i);
    for (let glyph = first; glyph <= last; glyph++) classes.set(glyph, cls);
  }
  return classes;
}

/** A lookup's subtables with their type, extensions resolved. */
export interface Lookup {
  readonly type: number;
  readonly subtables: readonly DataView[];
}

/**
 * The lookups of one feature in the default language of the Latin (or default)
 * script, in order (OpenType 1.9, "OpenType Layout Common Table Formats").
 *
 * @param extension the lookup type that only points to another one: 7 in GSUB, 9 in GPOS.
 */
export function featureLookups(table: DataView, feature: string, extension: number): Lookup[] {
  const scripts = sub(table, table.getUint16(4));
  const features = sub(table, table.getUint16(6));
  const lookups = sub(table, table.getUint16(8));
  const script = findScript(scripts);
  if (!script) return [];
  const defaultLanguage = script.getUint16(0);
  if (defaultLanguage === 0) return [];
  const language = sub(script, defaultLanguage);
  const found = new Set<number>();
  for (let i = 0; i < language.getUint16(4); i++) {
    const record = 2 + 6 * language.getUint16(6 + 2 * i);
    if (tagAt(features, record) !== feature) continue;
    const entry = sub(features, features.getUint16(record + 4));
    for (let k = 0; k < entry.getUint16(2); k++) found.add(entry.getUint16(4 + 2 * k));
  }
  return [...found]
    .sort((a, b) => a - b)
    .map((index) => readLookup(sub(lookups, lookups.getUint16(2 + 2 * index)), extension));
}

function findScript(scripts: DataView): DataView | null {
  const byTag = new Map<string, DataView>();
  for (let i = 0; i < scripts.getUint16(0); i++) {
    const record = 2 + 6 * i;
    byTag.set(tagAt(scripts, record), sub(scripts, scripts.getUint16(record + 4)));
  }
  return byTag.get('latn') ?? byTag.get('DFLT') ?? [...byTag.values()][0] ?? null;
}

function tagAt(view: DataView, at: number): string {
  return String.fromCharCode(
    view.getUint8(at),
    view.getUint8(at + 1),
    view.getUint8(at + 2),
    view.getUint8(at + 3),
  );
}

function readLookup(view: DataView, extension: number): Lookup {
  let type = view.getUint16(0);
  const subtables: DataView[] = [];
  for (let i = 0; i < view.getUint16(4); i++) {
    let subtable = sub(view, view.getUint16(6 + 2 * i));
    if (type === extension || view.getUint16(0) === extension) {
      type = subtable.getUint16(2);
      subtable = sub(subtable, subtable.getUint32(4));
    }
    subtables.push(subtable);
  }
  return { type, subtables };
}
