const SYSTEMS = [
  [/iPhone|iPad/, 'iPhone or iPad'],
  [/Android/, 'Android phone'],
  [/Windows/, 'Windows'],
  [/Mac OS X|Macintosh/, 'Mac'],
  [/CrOS/, 'Chromebook'],
  [/Linux|X11/, 'Linux'],
] as const;
const BROWSERS = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\/|Chromium\/|CriOS\//, 'Chrome'],
  [/Safari\//, 'Safari'],
] as const;

/** "Android phone, Chrome" from what a browser says of itself. */
export function deviceWords(agent: string): string {
  const first = (list: readonly (readonly [RegExp, string])[]) => list.find(([pattern]) => pattern.test(agent))?.[1];
  const words = [first(SYSTEMS), first(BROWSERS)].filter((w) => w !== undefined);
  return words.length > 0 ? words.join(', ') : 'a device that does not say what it is';
}
