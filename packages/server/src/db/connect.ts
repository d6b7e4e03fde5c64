// Connections to the database, with the tables of every feature.
import { DataSource } from 'typeorm';
import { FEATURES } from '../features';
import { House1780000000001 } from './migrations/0001-house';
import { WaterAndGrounds1780000000002 } from './migrations/0002-water-and-grounds';
import { Plan1780000000003 } from './migrations/0003-plan';
import { Keepers1780000000004 } from './migrations/0004-keepers';
import { Safety1780000000005 } from './migrations/0005-safety';
import { Holds1780000000006 } from './migrations/0006-holds';
import { ReadingsParted1780000000007 } from './migrations/0007-readings-parted';
import { OwnSettings1780000000008 } from './migrations/0008-own-settings';
import { OwnOutfit1780000000009 } from './migrations/0009-own-outfit';
import { Rigs1780000000010 } from './migrations/0010-rigs';
import { OnFoot1780000000011 } from './migrations/0011-on-foot';
import { OwnStations1780000000012 } from './migrations/0012-own-stations';
import { CalendarAddress1780000000013 } from './migrations/0013-calendar-address';
import { WholeDay1780000000014 } from './migrations/0014-whole-day';
import { Topics1780000000015 } from './migrations/0015-topics';
import { BriefWords1780000000016 } from './migrations/0016-brief-words';
import { Notices1780000000017 } from './migrations/0017-notices';
import { DebriefStock1780000000018 } from './migrations/0018-debrief-stock';
import { Disturbance1780000000019 } from './migrations/0019-disturbance';
import { SecondFactor1780000000020 } from './migrations/0020-second-factor';
import { ProgramKeys1780000000021 } from './migrations/0021-program-keys';
import { PapersAndBookings1780000000022 } from './migrations/0022-papers-and-bookings';
import { Feeding1780000000023 } from './migrations/0023-feeding';
import { Trials1780000000024 } from './migrations/0024-trials-and-tracks';
import { LogMerged1780000000025 } from './migrations/0025-log-merged';
import { ReportLook1780000000026 } from './migrations/0026-report-look';
import { BoatInWaves1780000000027 } from './migrations/0027-boat-in-waves';
import { WaterPictures1780000000028 } from './migrations/0028-water-pictures';
import { Passkeys1780000000029 } from './migrations/0029-passkeys';
import { Aboard1780000000030 } from './migrations/0030-aboard';
import { Sample1780000000031 } from './migrations/0031-sample';
import { Push1780000000032 } from './migrations/0032-push';
import { NewSpots1780000000033 } from './migrations/0033-new-spots';
import { ToldOnce1780000000034 } from './migrations/0034-told-once';
import { ROLE_SETTING } from './migrations/roles';

const MIGRATIONS = [
  House1780000000001,
  WaterAndGrounds1780000000002,
  Plan1780000000003,
  Keepers1780000000004,
  Safety1780000000005,
  Holds1780000000006,
  ReadingsParted1780000000007,
  OwnSettings1780000000008,
  OwnOutfit1780000000009,
  Rigs1780000000010,
  OnFoot1780000000011,
  OwnStations1780000000012,
  CalendarAddress1780000000013,
  WholeDay1780000000014,
  Topics1780000000015,
  BriefWords1780000000016,
  Notices1780000000017,
  DebriefStock1780000000018,
  Disturbance1780000000019,
  SecondFactor1780000000020,
  ProgramKeys1780000000021,
  PapersAndBookings1780000000022,
  Feeding1780000000023,
  Trials1780000000024,
  LogMerged1780000000025,
  ReportLook1780000000026,
  BoatInWaves1780000000027,
  WaterPictures1780000000028,
  Passkeys1780000000029,
  Aboard1780000000030,
  Sample1780000000031,
  Push1780000000032,
  NewSpots1780000000033,
  ToldOnce1780000000034,
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
    entities: FEATURES.flatMap((f) => f.entities),
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
