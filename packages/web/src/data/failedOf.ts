/** The error of the first of some questions that has nothing to show; what was read before stays in sight. */
export function failedOf(...queries: readonly { readonly error: unknown; readonly data: unknown }[]): unknown {
  return queries.find((q) => q.error && q.data === undefined)?.error ?? null;
}
