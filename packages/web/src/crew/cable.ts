// A boat's instrument that is wired to this computer: its sentences are read in the browser and handed to the crew, on whatever screen one is.
import type { HeardReceipt } from '@bluffwind/contract/stations';
import { post } from '../data/api';
import { heardLines, type HeardLines } from './heardLines';

/** Web Serial, as far as it is used here. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(terms: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}

/** Speeds of NMEA 0183 and of what is faster (common practice), bits a second. */
export const BAUDS = [4800, 9600, 38_400, 115_200] as const;

export interface CableState {
  readonly instrumentId: string;
  readonly name: string;
  readonly state: 'listening' | 'lost';
  /** What is wrong, in words; null where nothing is. */
  readonly fault: string | null;
  readonly heard: number;
  readonly waiting: number;
  readonly lost: number;
  /** Newest instant that the crew has, as the server said. */
  readonly storedTo: string | null;
}

const SEND_MS = 60_000;
let now: CableState | null = null;
let stop: (() => Promise<void>) | null = null;
const watchers = new Set<() => void>();

export const cableState = (): CableState | null => now;
export function watchCable(told: () => void): () => void {
  watchers.add(told);
  return () => watchers.delete(told);
}
function tell(next: CableState | null): void {
  now = next;
  for (const w of watchers) w();
}

const serial = (): Serial | null => ('serial' in navigator ? (navigator.serial as Serial) : null);
/** Whether this browser can read a cable. */
export const hasCable = (): boolean => serial() !== null;

/** Asks the person for a port and listens to it until it is ended or pulled out. @throws Error where it cannot be opened. */
export async function listenToCable(instrument: { readonly id: string; readonly name: string }, baudRate: number): Promise<void> {
  const port = await serial()?.requestPort();
  if (!port) throw new Error('This browser cannot read a cable.');
  await stop?.();
  await port.open({ baudRate });
  const reader = port.readable?.getReader();
  if (!reader) throw new Error('Nothing can be read from that port.');
  const lines = heardLines();
  const state = (more: Partial<CableState> = {}): CableState => ({
    instrumentId: instrument.id,
    name: instrument.name,
    state: 'listening',
    fault: null,
    storedTo: null,
    ...now,
    heard: lines.heard,
    waiting: lines.waiting,
    lost: lines.lost,
    ...more,
  });
  now = null;
  tell(state());
  const timer = window.setInterval(() => void handOn(lines, instrument.id, state), SEND_MS);
  let ended = false;
  stop = async () => {
    ended = true;
    window.clearInterval(timer);
    await reader.cancel().catch(() => undefined);
    await port.close().catch(() => undefined);
    await handOn(lines, instrument.id, state);
    tell(null);
    stop = null;
  };
  const read = async () => {
    // Every byte is a character of its own: what is no letter is found out by the sentence's checksum.
    const decoder = new TextDecoder('latin1');
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      lines.take(decoder.decode(value, { stream: true }));
      tell(state());
    }
  };
  void read()
    .catch((error: Error) => error)
    .then((error) => {
      if (!ended)
        tell(state({ state: 'lost', fault: error instanceof Error ? `The cable is gone: ${error.message}` : 'The cable is gone.' }));
    });
}

async function handOn(lines: HeardLines, id: string, state: (more?: Partial<CableState>) => CableState): Promise<void> {
  try {
    for (;;) {
      const answer = await lines.send((list) => post<HeardReceipt>(`/instruments/${id}/heard`, { lines: list }));
      if (answer === null) return;
      tell(state({ storedTo: answer.heardTo, fault: null }));
    }
  } catch (error) {
    tell(state({ fault: `Not stored yet: ${(error as Error).message}` }));
  }
}

/** Ends it; what was heard is sent first where it can be. */
export async function endCable(): Promise<void> {
  await stop?.();
}
