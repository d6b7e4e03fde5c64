import type { OwnSettings } from '@bluffwind/contract/auth';
import { EntitySchema } from 'typeorm';

export type Role = 'owner' | 'captain' | 'mate';

export interface PersonRow {
  id: string;
  outfitId: string;
  name: string;
  email: string;
  passwordHash: string;
  role: Role;
  active: boolean;
  /** What he has set for himself; what is missing is as usual. */
  settings: Partial<OwnSettings>;
}

export const PersonEntity = new EntitySchema<PersonRow>({
  name: 'person',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    email: { type: 'text' },
    passwordHash: { type: 'text', name: 'password_hash', select: false },
    role: { type: 'text' },
    active: { type: 'boolean', default: true },
    settings: { type: 'jsonb', default: {} },
  },
});

/** A way into the outfit for one person, once: to come in, or to set a new password. Only a digest of its key is kept. */
export interface InvitationRow {
  id: string;
  outfitId: string;
  personId: string | null;
  name: string;
  email: string;
  role: Role;
  tokenHash: Buffer;
  madeAt: Date;
  madeBy: string;
  expiresAt: Date;
  takenAt: Date | null;
  withdrawnAt: Date | null;
}

export const InvitationEntity = new EntitySchema<InvitationRow>({
  name: 'invitation',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id', nullable: true },
    name: { type: 'text' },
    email: { type: 'text' },
    role: { type: 'text' },
    tokenHash: { type: 'bytea', name: 'token_hash' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    madeBy: { type: 'uuid', name: 'made_by' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    takenAt: { type: 'timestamptz', name: 'taken_at', nullable: true },
    withdrawnAt: { type: 'timestamptz', name: 'withdrawn_at', nullable: true },
  },
});

/** By what address a person's phone follows his trips. */
export interface CalendarAddressRow {
  personId: string;
  outfitId: string;
  tokenHash: Buffer;
  madeAt: Date;
}

export const CalendarAddressEntity = new EntitySchema<CalendarAddressRow>({
  name: 'calendar_address',
  columns: {
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    tokenHash: { type: 'bytea', name: 'token_hash' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
  },
});

/** Something that a person carries and that ends some day. */
export interface PaperRow {
  id: string;
  outfitId: string;
  personId: string;
  kind: 'licence' | 'first aid' | 'radio' | 'medical' | 'insurance' | 'other';
  name: string;
  endsOn: string;
  removedAt: Date | null;
}

export const PaperEntity = new EntitySchema<PaperRow>({
  name: 'paper',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id' },
    kind: { type: 'text' },
    name: { type: 'text' },
    endsOn: { type: 'date', name: 'ends_on' },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});

/** Days on which a person goes out with nobody. */
export interface AwayRow {
  id: string;
  outfitId: string;
  personId: string;
  fromOn: string;
  toOn: string;
  why: string;
  removedAt: Date | null;
}

export const AwayEntity = new EntitySchema<AwayRow>({
  name: 'away',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id' },
    fromOn: { type: 'date', name: 'from_on' },
    toOn: { type: 'date', name: 'to_on' },
    why: { type: 'text' },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
});
