/** What `static/early-keys.js` gathers while a sheet opens. */
interface EarlyKeys {
  text: string;
  /** Are keys still gathered? */
  open: boolean;
}
const early = (): EarlyKeys | undefined => (globalThis as { earlyKeys?: EarlyKeys }).earlyKeys;

/** What was typed before the editor was there; from now on keys are the editor's. */
export function takeEarlyKeys(): string {
  const keys = early();
  const text = keys?.text ?? '';
  if (keys) [keys.text, keys.open] = ['', false];
  return text;
}

/** Keys are gathered again: the editor has gone, and another may be opening. */
export function gatherEarlyKeys(): void {
  const keys = early();
  if (keys) [keys.text, keys.open] = ['', true];
}
