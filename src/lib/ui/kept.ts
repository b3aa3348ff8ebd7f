/** What was kept in this browser under a name; null when there is nothing, or nothing that can be read. */
export function kept(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null');
  } catch {
    return null;
  }
}

/** Keeps a value in this browser. One that keeps nothing has it until the page is left. */
export function keep(key: string, value: unknown): void {
  try {
    localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // A reader who wants nothing kept goes on without.
  }
}
