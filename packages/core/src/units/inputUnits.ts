// Units that files and fields come in, to SI. Factors: NIST SP 811 (international foot, yard-based fathom, knot, mile).

/** One unit: its name in a file's mapping, and value to SI. */
export interface InputUnit {
  readonly id: string;
  readonly name: string;
  readonly toSi: (value: number) => number;
}

const scaled = (id: string, name: string, factor: number): InputUnit => ({ id, name, toSi: (v) => v * factor });

export const LENGTHS: readonly InputUnit[] = [
  scaled('m', 'metres', 1),
  scaled('ft', 'feet', 0.3048),
  scaled('fm', 'fathoms', 1.8288),
  scaled('cm', 'centimetres', 0.01),
];
export const LONG_WAYS: readonly InputUnit[] = [...LENGTHS, scaled('km', 'km', 1000), scaled('nmi', 'nautical miles', 1852)];
export const SPEEDS: readonly InputUnit[] = [
  scaled('mps', 'm/s', 1),
  scaled('kn', 'knots', 1852 / 3600),
  scaled('kmh', 'km/h', 1 / 3.6),
  scaled('mph', 'mph', 0.44704),
];
export const TEMPERATURES: readonly InputUnit[] = [scaled('c', '°C', 1), { id: 'f', name: '°F', toSi: (v) => (v - 32) / 1.8 }];
export const FLOWS: readonly InputUnit[] = [scaled('m3s', 'm³/s', 1), scaled('cfs', 'cubic feet/s', 0.3048 ** 3)];
export const PRESSURES: readonly InputUnit[] = [scaled('hpa', 'hPa', 1), scaled('inhg', 'inHg', 33.86389), scaled('kpa', 'kPa', 10)];
export const SHARES: readonly InputUnit[] = [scaled('share', '0 to 1', 1), scaled('percent', '%', 0.01), scaled('okta', 'eighths', 0.125)];
export const ANGLES: readonly InputUnit[] = [scaled('deg', 'degrees', 1)];
export const CONTENTS: readonly InputUnit[] = [scaled('mgl', 'mg/l', 1), scaled('ppm', 'ppm', 1)];
