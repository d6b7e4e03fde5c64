// Listens to boats' instruments: NMEA 0183 over TCP. What is heard becomes readings (the middle value of each minute)
// and soundings, stored every so often; a silent, garbled or vanished instrument is tried again, and its error is on the screen.
import { connect as connectTcp, type Socket } from 'node:net';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { NmeaCollector } from '@bluffwind/core/formats/nmeaLog';
import type { FileReading } from '@bluffwind/core/formats/readingsCsv';
import { toDatum } from '@bluffwind/core/ground/gridSoundings';
import { DAY, HOUR, MINUTE } from '@bluffwind/core/units/time';
import { qualityFlags } from '@bluffwind/core/weather/quality';
import { type DataSource, type EntityManager, IsNull } from 'typeorm';
import { v7 } from 'uuid';
import type { Clock } from '../clock';
import { bulkInsert } from '../db/bulk';
import { inOutfit } from '../db/database';
import { InstrumentEntity, type InstrumentRow } from '../db/entities/water';
import { outsideLookup, refusedHost } from '../http/fetchOutside';
import { loadWaterState } from './waterState';

const SILENT_MS = 60_000;
const LONGEST_LINE = 1000;
/** What the flat-line test looks back on. */
const CONTEXT = 30 * HOUR;
/** A clock that runs ahead by more than this is wrong. */
const AHEAD = 2 * MINUTE;

interface Options {
  readonly source: DataSource;
  readonly clock: Clock;
  /** host:port for instruments that have no address of their own. */
  readonly defaultAddress: string | null;
  readonly storeEveryMs: number;
  readonly retryMs?: number;
  /** Instruments that the crew gives may stand on this machine or in its network. */
  readonly allowPrivate?: boolean;
  /** How often it is looked for instruments that were given, changed or taken out. */
  readonly lookEveryMs?: number;
}

const LOOK_EVERY_MS = 30_000;

/** Starts listening to every instrument of every outfit, and to those that are given later; returns how to stop. */
export async function listenToInstruments(options: Options): Promise<() => void> {
  const { source, defaultAddress, allowPrivate = false, lookEveryMs = LOOK_EVERY_MS } = options;
  const heard = new Map<string, { readonly as: string; readonly stop: () => void }>();
  const look = async () => {
    const outfits: { id: string }[] = await source.query('select id from outfit_ids()');
    const there = new Set<string>();
    for (const { id } of outfits) {
      for (const row of await inOutfit(source, id, (e) => e.findBy(InstrumentEntity, { removedAt: IsNull() }))) {
        const address = row.address ?? defaultAddress;
        if (!address) continue;
        there.add(row.id);
        const as = `${address} ${row.waterId} ${row.transducerM} ${row.name}`;
        if (heard.get(row.id)?.as === as) continue;
        heard.get(row.id)?.stop();
        // The address that the server was started with is its keeper's own.
        heard.set(row.id, { as, stop: listen(row, address, options, row.address === null || allowPrivate) });
      }
    }
    for (const [id, { stop }] of heard)
      if (!there.has(id)) {
        stop();
        heard.delete(id);
      }
  };
  await look();
  const timer = setInterval(() => void look().catch(() => undefined), lookEveryMs);
  return () => {
    clearInterval(timer);
    for (const { stop } of heard.values()) stop();
  };
}

function listen(
  row: InstrumentRow,
  address: string,
  { source, clock, storeEveryMs, retryMs = 5000 }: Options,
  allowPrivate: boolean,
): () => void {
  const [host = '127.0.0.1', port = ''] = address.split(/:(?=\d+$)/);
  let socket: Socket | null = null;
  let collector = new NmeaCollector(null, MINUTE);
  let buffer = '';
  let stopped = false;
  let retry: NodeJS.Timeout | undefined;
  let busy = false;
  let tries = 0;
  let lines = 0;
  let garbled = 0;
  const note = (change: Partial<InstrumentRow>) =>
    inOutfit(source, row.outfitId, (e) => e.update(InstrumentEntity, { id: row.id }, change)).catch(() => undefined);

  const open = () => {
    if (stopped) return;
    const refused = refusedHost(host, allowPrivate);
    if (refused) {
      void note({ lastError: `${address}: ${refused.message}`.slice(0, 300) });
      return;
    }
    const s = connectTcp({ host: host.replace(/^\[|\]$/g, ''), port: Number(port), lookup: outsideLookup(allowPrivate) });
    socket = s;
    s.setEncoding('latin1');
    s.setTimeout(SILENT_MS, () => s.destroy(new Error(`nothing heard for ${SILENT_MS / 1000} s`)));
    let fault: string | null = null;
    s.on('connect', () => {
      tries = 0;
    });
    s.on('data', (chunk) => {
      buffer += chunk;
      const list = buffer.split(/\r\n|\n|\r/);
      buffer = list.pop() ?? '';
      if (buffer.length > LONGEST_LINE) buffer = '';
      for (const line of list) {
        if (line === '') continue;
        lines++;
        if (collector.take(line)) garbled++;
      }
    });
    s.on('error', (e) => {
      fault = e.message;
    });
    s.on('close', () => {
      if (stopped) return;
      void note({ lastError: `${address}: ${fault ?? 'hung up'}`.slice(0, 300) });
      tries++;
      retry = setTimeout(open, Math.min(60_000, retryMs * 2 ** Math.min(6, tries - 1)));
    });
  };

  const store = async () => {
    if (busy || stopped) return;
    busy = true;
    const heard = collector;
    const [seen, bad] = [lines, garbled];
    try {
      const nowMs = clock.now();
      if (heard.heardAt !== null && heard.heardAt > nowMs + AHEAD) {
        await note({ lastError: `${address}: its clock runs ahead of ours; nothing is taken until it is right` });
        collector = new NmeaCollector(null, MINUTE);
      } else if (heard.heardAt !== null) {
        collector = new NmeaCollector(Math.floor(heard.heardAt / DAY) * DAY, MINUTE);
        [lines, garbled] = [0, 0];
        await inOutfit(source, row.outfitId, (e) => storeHeard(e, row, heard, nowMs));
        const garbage = seen > 20 && bad > seen / 2 ? `${address}: ${bad} of ${seen} lines are garbled` : null;
        await note({ lastError: garbage, lastHeardAt: new Date(heard.heardAt) });
      } else if (seen > 20 && bad > seen / 2) await note({ lastError: `${address}: ${bad} of ${seen} lines are garbled` });
    } catch (error) {
      await note({ lastError: `not stored: ${(error as Error).message}`.slice(0, 300) });
    } finally {
      busy = false;
    }
  };

  open();
  const timer = setInterval(store, storeEveryMs);
  return () => {
    stopped = true;
    clearInterval(timer);
    clearTimeout(retry);
    socket?.destroy();
  };
}

async function storeHeard(entities: EntityManager, row: InstrumentRow, heard: NmeaCollector, nowMs: number): Promise<void> {
  // Only whole minutes: nothing that is stored changes later.
  await storeReadings(entities, row, heard.readings(heard.heardAt ?? 0));
  const timed = heard.soundings.filter((s) => s.atMs !== null);
  if (timed.length === 0) return;
  const first = timed[0]?.atMs as number;
  const last = timed.at(-1)?.atMs as number;
  const { record } = await loadWaterState(entities, row.waterId, first - HOUR, last + HOUR, nowMs);
  const level = waterStateOf(record).levelAt;
  const depth = timed.map((s) => toDatum(s.soundedM, s.offsetM ?? row.transducerM, level?.(s.atMs as number) ?? 0));
  const day = new Date(first).toISOString().slice(0, 10);
  const name = `${row.name}, ${day}`;
  await entities.query(
    `insert into survey (id, outfit_id, water_id, name, source, instrument_id, made_at, tide_corrected, lat, lon, depth_m)
     values ($1, $2, $3, $4, 'instrument', $5, $6, $7, $8, $9, $10)
     on conflict (instrument_id, name) do update set lat = survey.lat || excluded.lat, lon = survey.lon || excluded.lon,
       depth_m = survey.depth_m || excluded.depth_m, grid = null`,
    [
      v7(),
      row.outfitId,
      row.waterId,
      name,
      row.id,
      new Date(nowMs),
      level !== null,
      timed.map((s) => s.lat),
      timed.map((s) => s.lon),
      depth,
    ],
  );
}

async function storeReadings(entities: EntityManager, row: InstrumentRow, readings: readonly FileReading[]): Promise<void> {
  const variables = [...new Set(readings.map((r) => r.variable))];
  for (const variable of variables) {
    const list = readings.filter((r) => r.variable === variable);
    const before: { at: Date; value: number }[] = await entities.query(
      'select at, value from reading where instrument_id = $1 and variable = $2 and at >= $3 and at < $4 order by at',
      [row.id, variable, new Date((list[0]?.atMs ?? 0) - CONTEXT), new Date(list[0]?.atMs ?? 0)],
    );
    const context = before.map((b) => ({ atMs: b.at.getTime(), value: b.value }));
    const flags = qualityFlags(variable, [...context, ...list]).slice(context.length);
    const fill = <T>(value: T) => list.map(() => value);
    await bulkInsert(
      entities,
      'reading',
      {
        outfit_id: ['uuid', fill(row.outfitId)],
        water_id: ['uuid', fill(row.waterId)],
        instrument_id: ['uuid', fill(row.id)],
        source: ['text', fill('instrument')],
        variable: ['text', fill(variable)],
        at: ['timestamptz', list.map((r) => new Date(r.atMs))],
        value: ['double precision', list.map((r) => r.value)],
        flag: ['smallint', flags],
      },
      '(outfit_id, instrument_id, variable, at) where instrument_id is not null do nothing',
    );
  }
}
