/** What shows a water: read again when it was changed. */
export const WATER_KEYS = [['outfit'], ['beginnings'], ['chart'], ['spots'], ['state'], ['desk'], ['soundings']] as const;
