import type { GearAboard } from '@bluffwind/contract/aboard';
import type { OwnSettings } from '@bluffwind/contract/auth';
import { EntitySchema } from 'typeorm';

export interface OutfitRow {
  id: string;
  name: string;
  zone: string;
  /** Medical notes of guests go so many days after their last trip. */
  medicalNoteDays: number;
  /** To whom a new spot is known where its captain says nothing else. */
  newSpots: 'crew' | 'captain';
}
export const OutfitEntity = new EntitySchema<OutfitRow>({
  name: 'outfit',
  columns: {
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    zone: { type: 'text' },
    medicalNoteDays: { type: 'int', name: 'medical_note_days', default: 400 },
    newSpots: { type: 'text', name: 'new_spots', default: 'crew' },
  },
});

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

export interface SessionRow {
  tokenHash: Buffer;
  outfitId: string;
  personId: string;
  createdAt: Date;
  expiresAt: Date;
  id: string;
  lastSeenAt: Date;
  /** Address it was opened from. */
  openedFrom: string;
  /** What the browser calls itself. */
  device: string;
}
export const SessionEntity = new EntitySchema<SessionRow>({
  name: 'session',
  columns: {
    tokenHash: { type: 'bytea', primary: true, name: 'token_hash' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    id: { type: 'uuid', generated: 'uuid' },
    lastSeenAt: { type: 'timestamptz', name: 'last_seen_at' },
    openedFrom: { type: 'text', name: 'opened_from' },
    device: { type: 'text' },
  },
});

export interface KnownDeviceRow {
  outfitId: string;
  personId: string;
  tokenHash: Buffer;
  lastUsedAt: Date;
}
export const KnownDeviceEntity = new EntitySchema<KnownDeviceRow>({
  name: 'known_device',
  columns: {
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    tokenHash: { type: 'bytea', primary: true, name: 'token_hash' },
    lastUsedAt: { type: 'timestamptz', name: 'last_used_at' },
  },
});

export interface BoatRow {
  id: string;
  outfitId: string;
  name: string;
  /** On foot nobody floats: the speed is a walking pace, and a cast from the bank reaches so far. */
  craft: 'boat' | 'foot';
  castM: number | null;
  /** Parking, permits, gates. */
  accessNote: string;
  hull: string;
  seats: number;
  speedMps: number;
  /** Speed left at its wave limit; half where null. */
  roughMps: number | null;
  draughtM: number;
  /** Limits that are null are not known. */
  windLimitMps: number | null;
  gustLimitMps: number | null;
  waveLimitM: number | null;
  tankL: number;
  burnLph: number;
  /** What it shows to the wind, and to the water across its drift, m2; null until somebody has said or timed it. */
  windageM2: number | null;
  hullM2: number | null;
  /** Lines of its own for the list before leaving. */
  checks: string[];
  /** What lies aboard, with the last day of what ends. */
  gear: GearAboard[];
  retiredAt: Date | null;
}
export const BoatEntity = new EntitySchema<BoatRow>({
  name: 'boat',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    craft: { type: 'text', default: 'boat' },
    castM: { type: 'double precision', name: 'cast_m', nullable: true },
    accessNote: { type: 'text', name: 'access_note', default: '' },
    hull: { type: 'text' },
    seats: { type: 'int' },
    speedMps: { type: 'double precision', name: 'speed_mps' },
    roughMps: { type: 'double precision', name: 'rough_mps', nullable: true },
    draughtM: { type: 'double precision', name: 'draught_m' },
    windLimitMps: { type: 'double precision', name: 'wind_limit_mps', nullable: true },
    gustLimitMps: { type: 'double precision', name: 'gust_limit_mps', nullable: true },
    waveLimitM: { type: 'double precision', name: 'wave_limit_m', nullable: true },
    tankL: { type: 'double precision', name: 'tank_l' },
    burnLph: { type: 'double precision', name: 'burn_lph' },
    windageM2: { type: 'double precision', name: 'windage_m2', nullable: true },
    hullM2: { type: 'double precision', name: 'hull_m2', nullable: true },
    checks: { type: 'text', array: true, default: [] },
    gear: { type: 'jsonb', default: [] },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
  },
});

/** A boat's tank filled up: what it burned before does not count any more. */
export interface RefillRow {
  id: string;
  outfitId: string;
  boatId: string;
  at: Date;
  by: string;
}
export const RefillEntity = new EntitySchema<RefillRow>({
  name: 'refill',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    boatId: { type: 'uuid', name: 'boat_id' },
    at: { type: 'timestamptz' },
    by: { type: 'uuid' },
  },
});

export interface ClientRow {
  id: string;
  outfitId: string;
  name: string;
  experience: number;
  child: boolean;
  note: string;
  medicalNote: string;
  hand: 'left' | 'right' | null;
  wishes: string;
  /** Null where nobody has asked. */
  swims: boolean | null;
  /** Telephone or e-mail. */
  contact: string;
  retiredAt: Date | null;
}
export const ClientEntity = new EntitySchema<ClientRow>({
  name: 'client',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    experience: { type: 'int' },
    child: { type: 'boolean' },
    note: { type: 'text' },
    medicalNote: { type: 'text', name: 'medical_note' },
    hand: { type: 'text', nullable: true },
    wishes: { type: 'text', default: '' },
    swims: { type: 'boolean', nullable: true },
    contact: { type: 'text', default: '' },
    retiredAt: { type: 'timestamptz', name: 'retired_at', nullable: true },
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

export interface AuditRow {
  id: string;
  outfitId: string;
  personId: string;
  at: Date;
  action: string;
  subject: string;
  subjectId: string;
  detail: unknown;
}
export const AuditEntity = new EntitySchema<AuditRow>({
  name: 'audit',
  columns: {
    id: { type: 'bigint', primary: true, generated: 'increment' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id' },
    at: { type: 'timestamptz' },
    action: { type: 'text' },
    subject: { type: 'text' },
    subjectId: { type: 'uuid', name: 'subject_id' },
    detail: { type: 'jsonb' },
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

/** A person's second proof at sign-in. */
export interface SecondFactorRow {
  personId: string;
  outfitId: string;
  /** Secret of the authenticator in base32 (RFC 4648), as RFC 6238 uses it. */
  secret: string;
  madeAt: Date;
  /** Null until the first code came right. */
  onSince: Date | null;
  /** Step of the last code taken; PostgreSQL's bigint as text. */
  lastStep: string;
}
export const SecondFactorEntity = new EntitySchema<SecondFactorRow>({
  name: 'second_factor',
  columns: {
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    secret: { type: 'text' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    onSince: { type: 'timestamptz', name: 'on_since', nullable: true },
    lastStep: { type: 'bigint', name: 'last_step', default: '0' },
  },
});

/** A code on paper that stands for the authenticator once. */
export interface RecoveryCodeRow {
  personId: string;
  outfitId: string;
  codeHash: Buffer;
  usedAt: Date | null;
}
export const RecoveryCodeEntity = new EntitySchema<RecoveryCodeRow>({
  name: 'recovery_code',
  columns: {
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    codeHash: { type: 'bytea', primary: true, name: 'code_hash' },
    usedAt: { type: 'timestamptz', name: 'used_at', nullable: true },
  },
});

/** A key with which a program reads or writes what its scopes name. */
export interface ProgramKeyRow {
  id: string;
  outfitId: string;
  name: string;
  scopes: string[];
  tokenHash: Buffer;
  madeBy: string;
  madeAt: Date;
  lastUsedAt: Date | null;
  endedAt: Date | null;
}
export const ProgramKeyEntity = new EntitySchema<ProgramKeyRow>({
  name: 'program_key',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    name: { type: 'text' },
    scopes: { type: 'text', array: true },
    tokenHash: { type: 'bytea', name: 'token_hash' },
    madeBy: { type: 'uuid', name: 'made_by' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    lastUsedAt: { type: 'timestamptz', name: 'last_used_at', nullable: true },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
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

/** What a phone or laptop signs its owner in with. */
export interface PasskeyRow {
  id: string;
  outfitId: string;
  personId: string;
  credential: string;
  publicKey: Buffer;
  /** Times it was used, as it counts itself; a bigint comes as text. */
  counter: string;
  transports: string[];
  origin: string;
  name: string;
  madeAt: Date;
  lastUsedAt: Date | null;
}
export const PasskeyEntity = new EntitySchema<PasskeyRow>({
  name: 'passkey',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id' },
    credential: { type: 'text' },
    publicKey: { type: 'bytea', name: 'public_key' },
    counter: { type: 'bigint' },
    transports: { type: 'text', array: true },
    origin: { type: 'text' },
    name: { type: 'text' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    lastUsedAt: { type: 'timestamptz', name: 'last_used_at', nullable: true },
  },
});

export interface SampleRow {
  outfitId: string;
  waterId: string;
  boatId: string;
  madeAt: Date;
  madeBy: string;
}
export const SampleEntity = new EntitySchema<SampleRow>({
  name: 'sample',
  columns: {
    outfitId: { type: 'uuid', primary: true, name: 'outfit_id' },
    waterId: { type: 'uuid', name: 'water_id' },
    boatId: { type: 'uuid', name: 'boat_id' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
    madeBy: { type: 'uuid', name: 'made_by' },
  },
});

export interface PushDeviceRow {
  id: string;
  outfitId: string;
  personId: string;
  sessionId: string;
  endpoint: string;
  p256dh: string;
  auth: string;
  /** What the browser said of itself. */
  device: string;
  madeAt: Date;
}
export const PushDeviceEntity = new EntitySchema<PushDeviceRow>({
  name: 'push_device',
  columns: {
    id: { type: 'uuid', primary: true },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', name: 'person_id' },
    sessionId: { type: 'uuid', name: 'session_id' },
    endpoint: { type: 'text' },
    p256dh: { type: 'text' },
    auth: { type: 'text' },
    device: { type: 'text' },
    madeAt: { type: 'timestamptz', name: 'made_at' },
  },
});
