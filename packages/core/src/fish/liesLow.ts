/** Names of fish that lie on the bottom, as they end: flatfish and rays. */
const LOW = ['plaice', 'flounder', 'dab', 'sole', 'turbot', 'brill', 'halibut', 'ray', 'skate', 'flatfish', 'fluke'];

/** Whether a species lies on the bottom, so that a hook for it hangs low (P11, common practice). */
export const liesLow = (species: string): boolean => LOW.some((name) => species.toLowerCase().trim().endsWith(name));
