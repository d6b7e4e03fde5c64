/**
 * A number as written in a file.
 * @param decimal - What stands before the fraction; the other of the two groups thousands.
 * @returns null when it is not a number.
 */
export function parseNumber(text: string, decimal: '.' | ','): number | null {
  const t = text.trim().replace(/^[−–]/, '-').replace(/[  ]/g, '');
  const pattern = decimal === ',' ? /^[+-]?(\d{1,3}(\.\d{3})+|\d+)?(,\d+)?$/ : /^[+-]?(\d{1,3}(,\d{3})+|\d+)?(\.\d+)?([eE][+-]?\d+)?$/;
  if (t === '' || t === '-' || t === '+' || !pattern.test(t)) return null;
  const plain = decimal === ',' ? t.replaceAll('.', '').replace(',', '.') : t.replaceAll(',', '');
  const value = Number(plain);
  return plain === '' || !Number.isFinite(value) ? null : value;
}

/** Which decimal sign a column of figures uses: a comma when figures have one and none could be grouped thousands. */
export function decimalOf(samples: readonly string[]): '.' | ',' {
  const commas = samples.filter((s) => /^\s*[+-−]?\d+,\d+\s*$/.test(s));
  const dots = samples.filter((s) => /^\s*[+-−]?\d+\.\d+\s*$/.test(s));
  return commas.length > dots.length ? ',' : '.';
}
