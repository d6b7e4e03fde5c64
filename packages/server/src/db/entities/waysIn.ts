import { EntitySchema } from 'typeorm';

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
