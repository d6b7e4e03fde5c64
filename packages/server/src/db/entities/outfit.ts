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
