/** Names of fish that lie on the bottom, as they end: flatfish and rays. */
const LOW = ['plaice', 'flounder', 'dab', 'sole', 'turbot', 'brill', 'halibut', 'ray', 'skate', 'flatfish', 'fluke'];
/** Fish that swim in tight schools off the bottom: where one is, there are more (W17). */
const SCHOOLS = ['mackerel', 'herring', 'perch', 'striped bass', 'cod', 'pollack', 'bream'];

const endsWith = (names: readonly string[], name: string) => names.some((n) => name.toLowerCase().trim().endsWith(n));

/** Whether a species lies on the bottom, so that a hook for it hangs low (P11, common practice). */
export const liesLow = (species: string): boolean => endsWith(LOW, species);

/** Whether a species keeps in schools, so that the next bait goes down at once (W17, common practice). */
export const schools = (species: string): boolean => endsWith(SCHOOLS, species);
