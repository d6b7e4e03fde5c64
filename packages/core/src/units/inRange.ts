/**
 * A value that must lie within a range, both ends included.
 * @throws RangeError that names the quantity, the range and the value.
 */
export function inRange(name: string, value: number, least: number, most: number, unit = ''): number {
  if (!(value >= least && value <= most)) {
    const of = unit === '' ? '' : ` ${unit}`;
    const range = most === Number.POSITIVE_INFINITY ? `at least ${least}${of}` : `${least} to ${most}${of}`;
    throw new RangeError(`${name}: expected ${range}, got ${value}`);
  }
  return value;
}

/**
 * The same for a quantity that must be more than nothing.
 * @throws RangeError that names the quantity and the value.
 */
export function overNothing(name: string, value: number, unit = ''): number {
  if (!(value > 0 && Number.isFinite(value)))
    throw new RangeError(`${name}: expected more than 0${unit === '' ? '' : ` ${unit}`}, got ${value}`);
  return value;
}
