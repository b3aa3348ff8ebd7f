const KEY = 'odd-compass-theme';
export type Theme = 'daylight' | 'lamplight';

/** The theme in force. */
export const currentTheme = (): Theme =>
  document.documentElement.dataset.theme === 'lamplight' ? 'lamplight' : 'daylight';

/** Puts a theme in force and remembers it in this browser. */
export function setTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(KEY, theme);
}

/** Puts the remembered theme in force. */
export function restoreTheme(): void {
  const kept = localStorage.getItem(KEY);
  if (kept === 'lamplight' || kept === 'daylight') document.documentElement.dataset.theme = kept;
}
