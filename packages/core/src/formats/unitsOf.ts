// Units that files come in, to SI. Factors: NIST SP 811 (international foot, yard-based fathom, knot, mile).

/** One unit: its name in a file's mapping, and value to SI. */
export interface InputUnit {
  readonly id: string;
  readonly name: string;
  readonly toSi: (value: number) => number;
}

const scaled = (id: string, name: string, factor: number): InputUnit => ({ id, name, toSi: (v) => v * factor });
const LENGTHS = [
  scaled('m', 'metres', 1),
  scaled('ft', 'feet', 0.3048),
  scaled('fm', 'fathoms', 1.8288),
  scaled('cm', 'centimetres', 0.01),
];
const SPEEDS = [scaled('mps', 'm/s', 1), scaled('kn', 'knots', 1852 / 3600), scaled('kmh', 'km/h', 1 / 3.6), scaled('mph', 'mph', 0.44704)];
const TEMPERATURES: readonly InputUnit[] = [scaled('c', '°C', 1), { id: 'f', name: '°F', toSi: (v) => (v - 32) / 1.8 }];
const FLOWS = [scaled('m3s', 'm³/s', 1), scaled('cfs', 'cubic feet/s', 0.3048 ** 3)];
const PRESSURES = [scaled('hpa', 'hPa', 1), scaled('inhg', 'inHg', 33.86389), scaled('kpa', 'kPa', 10)];
const SHARES = [scaled('share', '0 to 1', 1), scaled('percent', '%', 0.01), scaled('okta', 'eighths', 0.125)];
const ANGLES = [scaled('deg', 'degrees', 1)];

/** Units that each variable may come in; the first is the product's own. */
export const INPUT_UNITS: Record<string, readonly InputUnit[]> = {
  windMps: SPEEDS,
  windGustMps: SPEEDS,
  windFromDeg: ANGLES,
  airTempC: TEMPERATURES,
  dewPointC: TEMPERATURES,
  waterTempC: TEMPERATURES,
  pressureHpa: PRESSURES,
  cloud: SHARES,
  waterLevelM: LENGTHS,
  clarityM: LENGTHS,
  visibilityM: [...LENGTHS, scaled('km', 'km', 1000), scaled('nmi', 'nautical miles', 1852)],
  flowM3s: FLOWS,
  depthM: LENGTHS,
};

/** The unit of a variable by id. Throws RangeError when it has no such unit. */
export function inputUnit(variable: string, id: string): InputUnit {
  const unit = INPUT_UNITS[variable]?.find((u) => u.id === id);
  if (!unit)
    throw new RangeError(`unit of ${variable}: unknown ${id}; there are ${(INPUT_UNITS[variable] ?? []).map((u) => u.id).join(', ')}`);
  return unit;
}
