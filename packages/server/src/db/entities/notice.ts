import { EntitySchema } from 'typeorm';

/** Somebody was told that a boat is overdue, or that it is back. */
export interface NoticeRow {
  outfitId: string;
  kind: 'overdue' | 'back';
  tripId: string;
  personId: string;
  dueAt: Date;
  at: Date;
}
export const NoticeEntity = new EntitySchema<NoticeRow>({
  name: 'notice',
  columns: {
    outfitId: { type: 'uuid', name: 'outfit_id' },
    kind: { type: 'text', primary: true },
    tripId: { type: 'uuid', primary: true, name: 'trip_id' },
    personId: { type: 'uuid', primary: true, name: 'person_id' },
    dueAt: { type: 'timestamptz', primary: true, name: 'due_at' },
    at: { type: 'timestamptz' },
  },
});
