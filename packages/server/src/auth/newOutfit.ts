// A new outfit with what every outfit begins with: the families and baits of the trade and the usual species. Waters, boats and people are its own.
import { randomUUID } from 'node:crypto';
import type { NewOutfit } from '@bluffwind/contract/begin';
import { BAITS } from '@bluffwind/core/library/baits';
import { FAMILIES } from '@bluffwind/core/library/families';
import { SPECIES } from '@bluffwind/core/library/species';
import { METRIC, US } from '@bluffwind/core/units/measure';
import type { EntityManager } from 'typeorm';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { SpeciesEntity } from '../db/entities/fish';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { hashPassword } from './session';

/** Stores the outfit and its owner, in a transaction that is bound to it. */
export async function makeOutfit(entities: EntityManager, o: NewOutfit): Promise<void> {
  const outfitId = o.id;
  await entities.insert(OutfitEntity, { id: outfitId, name: o.name, zone: o.zone });
  await entities.insert(PersonEntity, {
    id: o.personId,
    outfitId,
    name: o.personName,
    email: o.email,
    passwordHash: await hashPassword(o.password),
    role: 'owner',
    active: true,
    settings: { units: o.units === 'us' ? US : METRIC },
  });
  await entities.insert(
    FamilyEntity,
    FAMILIES.map((f) => ({ ...f, outfitId })),
  );
  await entities.insert(
    PresentationEntity,
    BAITS.map((b) => ({ ...b, id: randomUUID(), outfitId, active: true })),
  );
  await entities.insert(
    SpeciesEntity,
    SPECIES.map((s) => ({ ...s, id: randomUUID(), outfitId })),
  );
}
