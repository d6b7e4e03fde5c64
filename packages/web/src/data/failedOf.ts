/** The error of the first of some questions that has nothing to show; what was read before stays in sight. */
export function failedOf(...queries: readonly { readonly error: unknown; readonly data: unknown }[]): unknown {
  return queries.find((q) => q.error && q.data === undefined)?.error ?? null;
}

/** Asks those of some questions again that have failed. */
export const askAgain =
  (...queries: readonly { readonly error: unknown; readonly refetch: () => unknown }[]) =>
  (): void => {
    for (const q of queries) if (q.error) void q.refetch();
  };
