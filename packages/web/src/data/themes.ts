export const THEMES = ['chalk', 'night', 'glare'] as const;
export const THEME_NAMES = { chalk: 'Day', night: 'Night', glare: 'Glare' } as const;

/** Changes the look and remembers it on this device. */
export function setTheme(theme: (typeof THEMES)[number]): void {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem('theme', theme);
}
