import { EntitySchema } from 'typeorm';

export interface BriefRow {
  id: string;
  outfitId: string;
  date: string;
  publishedAt: Date;
  publishedBy: string;
  body: unknown;
}

export const BriefEntity = new EntitySchema<BriefRow>({
  name: 'brief',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    date: { type: 'date' },
    publishedAt: { type: 'timestamptz', name: 'published_at' },
    publishedBy: { type: 'uuid', name: 'published_by' },
    body: { type: 'jsonb' },
  },
});

/** What a captain adds to a brief: about a trip, or about the outfit for everybody. */
export interface BriefWordRow {
  outfitId: string;
  date: string;
  about: string;
  text: string;
  by: string;
  at: Date;
}

export const BriefWordEntity = new EntitySchema<BriefWordRow>({
  name: 'brief_word',
  columns: {
    outfitId: { type: 'uuid', primary: true, name: 'outfit_id' },
    date: { type: 'date', primary: true },
    about: { type: 'uuid', primary: true },
    text: { type: 'text' },
    by: { type: 'uuid' },
    at: { type: 'timestamptz' },
  },
});

export interface BriefReadRow {
  briefId: string;
  outfitId: string;
  personId: string;
  readAt: Date;
}

export const BriefReadEntity = new EntitySchema<BriefReadRow>({
  name: 'brief_read',
  columns: {
    briefId: { type: 'uuid', primary: true, name: 'brief_id' },
    outfitId: { type: 'uuid', name: 'outfit_id' },
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    readAt: { type: 'timestamptz', name: 'read_at' },
  },
});
