import { EntitySchema } from 'typeorm';

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
