import { type EntityManager, In } from 'typeorm';
import { PersonEntity } from '../db/entities/people';
import { PushDeviceEntity } from '../db/entities/waysIn';

/** Devices of people who have not said that they want no such notice on them. */
export async function devicesFor(entities: EntityManager, people: readonly string[], kind: 'overdue' | 'brief'): Promise<string[]> {
  const persons = await entities.findBy(PersonEntity, { id: In([...people]), active: true });
  const told = persons.filter((p) => p.settings.push?.[kind] ?? true);
  const devices = await entities.find(PushDeviceEntity, {
    select: { id: true },
    where: { personId: In(told.map((p) => p.id)) },
    order: { madeAt: 'ASC' },
  });
  return devices.map((d) => d.id);
}
