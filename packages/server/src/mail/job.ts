/** What is to be written to whom. */
export type MailJob =
  | { readonly kind: 'invitation'; readonly outfitId: string; readonly invitationId: string }
  | { readonly kind: 'new-password'; readonly email: string }
  | {
      readonly kind: 'overdue' | 'back';
      readonly outfitId: string;
      readonly tripId: string;
      readonly personId: string;
      readonly dueAtMs: number;
    }
  | { readonly kind: 'brief'; readonly outfitId: string; readonly date: string; readonly personId: string };
