import { DataSource, type EntityManager, type QueryRunner } from 'typeorm';
import * as grounds from './entities/grounds';
import * as outfit from './entities/outfit';
import * as trip from './entities/trip';
import * as water from './entities/water';
import { problemOfDatabase } from '../errors';
import { House1780000000001 } from './migrations/0001-house';
import { WaterAndGrounds1780000000002 } from './migrations/0002-water-and-grounds';
import { Plan1780000000003 } from './migrations/0003-plan';
import { Keepers1780000000004 } from './migrations/0004-keepers';
import { Safety1780000000005 } from './migrations/0005-safety';
import { Holds1780000000006 } from './migrations/0006-holds';
import { ReadingsParted1780000000007 } from './migrations/0007-readings-parted';
import { ROLE_SETTING } from './migrations/roles';

const ENTITIES = [
  outfit.OutfitEntity,
  outfit.PersonEntity,
  outfit.SessionEntity,
  outfit.KnownDeviceEntity,
  outfit.BoatEntity,
  outfit.RefillEntity,
  outfit.ClientEntity,
  outfit.AuditEntity,
  water.WaterEntity,
  water.ChartLayerEntity,
  water.StationEntity,
  water.ReadingEntity,
  water.ForecastEntity,
  water.ForecastMemberEntity,
  water.ImportEntity,
  water.InstrumentEntity,
  grounds.SpotEntity,
  grounds.FeatureEntity,
  grounds.SurveyEntity,
  grounds.DismissalEntity,
  grounds.SpeciesEntity,
  grounds.FamilyEntity,
  grounds.PresentationEntity,
  grounds.RuleEntity,
  trip.TripEntity,
  trip.TripSpeciesEntity,
  trip.PartyEntity,
  trip.TripMateEntity,
  trip.PlanEntity,
  trip.LegEntity,
  trip.StopEntity,
  trip.SetEntity,
  trip.CatchEntity,
  trip.SightingEntity,
  trip.BriefEntity,
  trip.BriefReadEntity,
];

const MIGRATIONS = [
  House1780000000001,
  WaterAndGrounds1780000000002,
  Plan1780000000003,
  Keepers1780000000004,
  Safety1780000000005,
  Holds1780000000006,
  ReadingsParted1780000000007,
];

/** What a pool of connections may do. */
export interface PoolTerms {
  /** Connections; 8 when absent. */
  readonly size?: number;
  /** True for what answers requests: a statement, a lock and an idle transaction have their time and no more. */
  readonly limited?: boolean;
  /** How long one of its statements may take, ms; 20 s when absent. */
  readonly statementMs?: number;
  /** How long its transactions may do nothing while the process computes, ms; 15 s when absent. */
  readonly idleMs?: number;
  /** The application's role, told to migrations. */
  readonly appRole?: string;
}

const LOCK_MS = 5000;

/** A pool of connections for one role. */
export async function connect(
  url: string,
  { size = 8, limited = false, statementMs = 20_000, idleMs = 15_000, appRole }: PoolTerms = {},
): Promise<DataSource> {
  const source = new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [...MIGRATIONS],
    migrationsTransactionMode: 'each',
    extra: {
      max: size,
      connectionTimeoutMillis: 5000,
      ...(limited ? { statement_timeout: statementMs, lock_timeout: LOCK_MS, idle_in_transaction_session_timeout: idleMs } : {}),
      ...(appRole === undefined ? {} : { options: `-c ${ROLE_SETTING}=${appRole.replaceAll(/[\\ ]/g, '\\$&')}` }),
    },
    logging: false,
  });
  return source.initialize();
}

/** A server waits so long for its database to come up. */
const PATIENCE_MS = 90_000;
const AGAIN_MS = 1000;

/** Does what needs the database, again and again while it is not there yet: both may have been started at once. */
export async function whenUp<T>(work: () => Promise<T>): Promise<T> {
  const until = Date.now() + PATIENCE_MS;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (problemOfDatabase(error)?.code !== 'busy' || Date.now() > until) throw error;
      await new Promise((r) => setTimeout(r, AGAIN_MS));
    }
  }
}

/** Brings the schema up to date; returns the names of the migrations that ran. */
export async function migrate(source: DataSource): Promise<string[]> {
  return (await source.runMigrations()).map((m) => m.name);
}

/** Names of the migrations of this version that the database has not run. */
export async function missingMigrations(source: DataSource): Promise<string[]> {
  const rows: { name: string }[] = await source.query('select name from migrations');
  return MIGRATIONS.map((m) => m.name).filter((name) => !rows.some((r) => r.name === name));
}

/** Refuses a role that row-level security does not bind. */
export async function requireBoundRole(source: DataSource): Promise<void> {
  const [row] = await source.query(`
    select r.rolsuper or r.rolbypassrls or exists (
      select 1 from pg_class c where c.relname = 'trip' and pg_has_role(r.oid, c.relowner, 'member')
    ) as unbound, r.rolname as name
    from pg_roles r where r.rolname = current_user`);
  if (row?.unbound) {
    throw new Error(
      `The database role ${row.name} owns the tables or bypasses row-level security. Give DATABASE_URL a role without these rights and DATABASE_OWNER_URL the owner.`,
    );
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/**
 * Runs work in one transaction that sees the rows of one outfit only.
 * @param who - The person who asks, from whom other captains' kept spots are hidden; the server's own work leaves it out.
 */
export async function inOutfit<T>(
  source: DataSource,
  outfitId: string,
  work: (entities: EntityManager) => Promise<T>,
  who?: { readonly personId: string; readonly role: string },
): Promise<T> {
  const [person, role] = [who?.personId ?? '', who?.role ?? ''];
  if (!UUID.test(outfitId) || (person !== '' && !UUID.test(person)) || !/^[a-z]*$/.test(role)) throw new Error('not an outfit or person');
  const runner = source.createQueryRunner();
  try {
    await runner.connect();
    // Begun and bound to the outfit in one way to the database and back: each costs a request more than what it does.
    await runner.query(
      `begin; select set_config('app.outfit', '${outfitId}', true), set_config('app.person', '${person}', true), set_config('app.role', '${role}', true)`,
    );
    told(runner, true);
    const value = await work(runner.manager);
    await runner.query('commit');
    return value;
  } catch (error) {
    await runner.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    told(runner, false);
    await runner.release();
  }
}

/** Tells a query runner of a transaction that it did not begin itself. */
function told(runner: QueryRunner, isTransactionActive: boolean): void {
  Object.assign(runner, { isTransactionActive });
}
