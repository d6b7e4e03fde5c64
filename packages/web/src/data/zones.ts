/** The zone of this browser. */
export const HOME = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

/** Time zones to choose from, one's own and UTC first. */
export const ZONES = [...new Set([HOME, 'UTC', ...Intl.supportedValuesOf('timeZone')])].map((value) => ({
  value,
  name: value.replaceAll('_', ' '),
}));
