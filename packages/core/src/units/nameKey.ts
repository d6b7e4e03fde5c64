/** Letters of other scripts that look like Latin ones, in lower case (from the Unicode confusables, the common ones; from memory). */
const LOOK_ALIKE: Readonly<Record<string, string>> = {
  а: 'a',
  в: 'b',
  с: 'c',
  ԁ: 'd',
  е: 'e',
  һ: 'h',
  і: 'i',
  ј: 'j',
  к: 'k',
  м: 'm',
  н: 'h',
  о: 'o',
  р: 'p',
  ԛ: 'q',
  ѕ: 's',
  т: 't',
  у: 'y',
  ѵ: 'v',
  х: 'x',
  ԝ: 'w',
  α: 'a',
  β: 'b',
  ε: 'e',
  η: 'n',
  ι: 'i',
  κ: 'k',
  ν: 'v',
  ο: 'o',
  ρ: 'p',
  τ: 't',
  υ: 'u',
  χ: 'x',
  ı: 'i',
  ɡ: 'g',
  ꞌ: "'",
  '\u2019': "'",
  '\u2018': "'",
  '\u02bc': "'",
  '\u2010': '-',
  '\u2011': '-',
  '\u2013': '-',
  '\u2212': '-',
};

/**
 * What a name is told apart by: names that look the same have the same key, whatever invisible, wide or foreign characters they hold,
 * in whatever case and however spaced (after the compatibility form of Unicode, NFKC).
 */
export function nameKey(name: string): string {
  const plain = name
    .normalize('NFKC')
    .replace(/(?:\p{Cf}|\p{Cc}|\p{Default_Ignorable_Code_Point})/gu, '')
    .toLowerCase()
    .replace(/\s+/gu, ' ')
    .trim();
  return [...plain].map((c) => LOOK_ALIKE[c] ?? c).join('');
}
