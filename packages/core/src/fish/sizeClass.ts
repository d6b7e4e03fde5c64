// Size classes of fish by total length, mm (Gabelhouse 1984, from memory): stock, quality, preferred, memorable, trophy.

export const CLASS_NAMES = ['stock', 'quality', 'preferred', 'memorable', 'trophy'] as const;
export type SizeClass = (typeof CLASS_NAMES)[number];

/** Least length of each class by species, mm. */
export const SIZE_CLASSES: Readonly<Record<string, readonly [number, number, number, number, number]>> = {
  'Northern pike': [350, 530, 710, 860, 1120],
  Walleye: [250, 380, 510, 630, 760],
  'Smallmouth bass': [180, 280, 350, 430, 510],
  'Striped bass': [300, 510, 760, 890, 1140],
  'Common carp': [280, 410, 530, 660, 840],
};

/** Class of a fish; null below the first and for a species without published classes. */
export function sizeClass(species: string, totalLengthMm: number): SizeClass | null {
  const least = SIZE_CLASSES[species];
  if (!least) return null;
  let found: SizeClass | null = null;
  CLASS_NAMES.forEach((name, i) => {
    if (totalLengthMm >= (least[i] ?? Number.POSITIVE_INFINITY)) found = name;
  });
  return found;
}
