// Listens to boats' instruments: NMEA 0183 over TCP. What is heard becomes readings (the middle value of each minute)
// and soundings, stored every so often; a silent, garbled or vanished instrument is tried again, and its error is on the screen.
import { connect as connectTcp, type Socket } from 'node:net';
import { CABLE } from '@bluffwind/contract/instrumentWires';
import { NmeaCollector } from '@bluffwind/core/formats/nmeaLog';
import { DAY, MINUTE } from '@bluffwind/core/units/time';
import { type DataSource, type EntityManager, IsNull } from 'typeorm';
import type { Clock } from '../clock';
import { inOutfit } from '../db/database';
import { InstrumentEntity, type InstrumentRow } from '../db/entities/water';
import type { Topic } from '../db/topics';
import { outfitIds } from '../db/outfitIds';
import { outsideLookup, refusedHost } from '../http/fetchOutside';
import { AHEAD_MS, storeHeard } from './storeHeard';

const SILENT_MS = 60_000;
const LONGEST_LINE = 1000;

interface Options {
  readonly source: DataSource;
  readonly clock: Clock;
  /** host:port for instruments that have no address of their own. */
  readonly defaultAddress: string | null;
  readonly storeEveryMs: number;
  /** Told of what was stored: answers that were kept say something else now. */
  readonly changed: (outfitId: string, topics: readonly Topic[]) => Promise<void>;
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
    const there = new Set<string>();
    for (const id of await outfitIds(source)) {
      for (const row of await inOutfit(source, id, (e) => e.findBy(InstrumentEntity, { removedAt: IsNull() }))) {
        const address = row.address ?? defaultAddress;
        if (!address || address === CABLE) continue;
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
  { source, clock, storeEveryMs, changed, retryMs = 5000 }: Options,
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
  const within = async (work: (entities: EntityManager) => Promise<unknown>) => {
    await inOutfit(source, row.outfitId, work);
    // Soundings are of the chart. A reading more of the present hour changes nothing that was worked out.
    await changed(row.outfitId, ['waters']);
  };
  const note = (change: Partial<InstrumentRow>) => within((e) => e.update(InstrumentEntity, { id: row.id }, change)).catch(() => undefined);

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
      if (heard.heardAt !== null && heard.heardAt > nowMs + AHEAD_MS) {
        await note({ lastError: `${address}: its clock runs ahead of ours; nothing is taken until it is right` });
        collector = new NmeaCollector(null, MINUTE);
      } else if (heard.heardAt !== null) {
        collector = new NmeaCollector(Math.floor(heard.heardAt / DAY) * DAY, MINUTE);
        [lines, garbled] = [0, 0];
        await within((e) => storeHeard(e, row, heard, nowMs));
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
