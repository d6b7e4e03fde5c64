/** What is to be shown on which device. */
export type PushJob = { readonly outfitId: string; readonly deviceId: string } & (
  | { readonly kind: 'try' }
  | { readonly kind: 'overdue' | 'back'; readonly tripId: string; readonly dueAtMs: number }
  | { readonly kind: 'brief'; readonly date: string }
);
