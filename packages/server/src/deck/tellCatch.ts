// What is told of a fish after it was logged: each thing has its history, and the latest word of it holds.
import type { DeckEntry, FishMore } from '@bluffwind/contract/deck';
import { type EntityManager, In } from 'typeorm';
import { CatchToldEntity } from '../db/entities/day';
import { SpeciesEntity } from '../db/entities/fish';
import { CatchEntity } from '../db/entities/log';
import { PartyEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import type { DeckTrip } from './onTrip';
import { stopOfSet } from './stopOf';
import type { Taken } from './takers';

type Told = Extract<DeckEntry, { kind: 'tell-catch' }>;

/** Fields with a column of their own; all others are kept together. */
const COLUMNS: Partial<Record<keyof FishMore, string>> = {
  speciesId: 'species_id',
  clientId: 'client_id',
  lengthMm: 'length_mm',
  lengthKind: 'length_kind',
  kept: 'kept',
};

/** Keeps each thing told, then shows of each the latest, whichever phone said it and whenever it was sent. Throws Problem. */
export async function tellCatch({ entities, trip, outfitId, entry, at, by }: Taken<'tell-catch'>): Promise<void> {
  await requireTold(entities, trip, entry);
  const told = Object.fromEntries(Object.entries(entry.told).filter(([, v]) => v !== undefined));
  await sayOf(entities, { entryId: entry.entryId, outfitId, catchId: entry.catchId, told, at, by });
}

/** One word of a fish: what was told of it, when and by whom. */
interface Word {
  readonly entryId: string;
  readonly outfitId: string;
  readonly catchId: string;
  readonly told: Readonly<Record<string, unknown>>;
  readonly at: Date;
  readonly by: string;
}

/** Adds a word to the history of a fish, and shows of each field the latest. */
export async function sayOf(entities: EntityManager, { entryId, outfitId, catchId, told, at, by }: Word): Promise<void> {
  const fields = Object.keys(told);
  await keepFirstWord(entities, catchId, fields, at);
  // A thing that is taken back is told as JSON's null, which the entities would write as no value.
  await entities.query(
    `insert into catch_told (entry_id, field, outfit_id, catch_id, value, at, by)
     select $1, t.field, $2, $3, t.value, $4, $5 from jsonb_each($6::jsonb) t(field, value) on conflict do nothing`,
    [entryId, outfitId, catchId, at, by, JSON.stringify(told)],
  );
  await showLatest(entities, catchId, fields);
}

/** How the row of a fish k tells a field, for its history. */
const AS_LOGGED = `case t.field ${Object.entries(COLUMNS)
  .map(([field, column]) => `when '${field}' then to_jsonb(k.${column})`)
  .join(' ')} else k.more->t.field end`;

/** What a fish was logged with stands in its history too, so that the first word is kept like every later one. */
async function keepFirstWord(entities: EntityManager, catchId: string, fields: readonly string[], before: Date): Promise<void> {
  await entities.query(
    `insert into catch_told (entry_id, field, outfit_id, catch_id, value, at, by)
     select k.id, t.field, k.outfit_id, k.id, coalesce(${AS_LOGGED}, 'null'::jsonb),
       least(k.at, $3::timestamptz - interval '1 millisecond'), null from "catch" k, unnest($2::text[]) t(field)
     where k.id = $1 and not exists (select from catch_told c where c.catch_id = k.id and c.field = t.field) on conflict do nothing`,
    [catchId, fields, before],
  );
}

/** Shows of some fields the latest word. */
export async function showLatest(entities: EntityManager, catchId: string, fields: readonly string[]): Promise<void> {
  const told = await entities.find(CatchToldEntity, {
    where: { catchId, field: In([...fields]) },
    order: { at: 'DESC', entryId: 'DESC' },
  });
  const latest = fields.flatMap((field) => {
    const word = told.find((t) => t.field === field);
    return word ? [{ field: field as keyof FishMore, value: word.value }] : [];
  });
  const own = latest.filter((l) => COLUMNS[l.field]);
  const more = latest.filter((l) => !COLUMNS[l.field]);
  const sets = own.map((l, i) => `${COLUMNS[l.field]} = $${i + 3}`);
  await entities.query(`update "catch" set ${[...sets, 'more = jsonb_strip_nulls(more || $2::jsonb)'].join(', ')} where id = $1`, [
    catchId,
    JSON.stringify(Object.fromEntries(more.map((l) => [l.field, l.value]))),
    ...own.map((l) => l.value),
  ]);
}

async function requireTold(entities: EntityManager, trip: DeckTrip, { catchId, told }: Told): Promise<void> {
  const fish = await entities.findOneBy(CatchEntity, { id: catchId });
  if (!fish || (await stopOfSet(entities, fish.setId))?.tripId !== trip.id)
    throw new Problem('not_found', 'catchId: no such fish on this trip', [{ field: 'catchId', message: 'no such fish' }]);
  const { clientId, speciesId } = told;
  if (clientId && !(await entities.existsBy(PartyEntity, { tripId: trip.id, clientId })))
    throw new Problem('invalid', 'told.clientId: this guest is not on this trip', [
      { field: 'told.clientId', message: 'not on this trip' },
    ]);
  if (speciesId && !(await entities.existsBy(SpeciesEntity, { id: speciesId })))
    throw new Problem('not_found', 'told.speciesId: no such species', [{ field: 'told.speciesId', message: 'no such species' }]);
  if (told.kept && fish.outcome !== 'landed')
    throw new Problem('invalid', 'told.kept: only a landed fish can be kept', [{ field: 'told.kept', message: 'only for a landed fish' }]);
}
