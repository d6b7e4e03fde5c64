// Fuel by the rule of thirds (common practice): a third out, a third home, a third in reserve.

/** A boat's fuel. */
export interface BoatFuel {
  /** Tank, litres. */
  readonly tankL: number;
  /** Burn at running speed, litres an hour. */
  readonly burnLph: number;
}

/** Fuel for a run there and back, litres, and whether it stays out of the reserve of a third. */
export function fuelFor(boat: BoatFuel, oneWaySeconds: number): { litres: number; usableL: number; keepsReserve: boolean } {
  const litres = (2 * oneWaySeconds * boat.burnLph) / 3600;
  const usableL = (boat.tankL * 2) / 3;
  return { litres, usableL, keepsReserve: litres <= usableL };
}
