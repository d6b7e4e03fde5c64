import { afterEach, beforeEach, expect, test, vi } from 'vitest';

/** A port whose wire the test speaks on. */
function wire() {
  let speak: ReadableStreamDefaultController<Uint8Array> | undefined;
  const readable = new ReadableStream<Uint8Array>({
    start(c) {
      speak = c;
    },
  });
  const port = { readable, open: vi.fn(async () => undefined), close: vi.fn(async () => undefined) };
  return {
    port,
    say: (text: string) => speak?.enqueue(Uint8Array.from(text, (c) => c.charCodeAt(0))),
    pull: (why: string) => speak?.error(new Error(why)),
  };
}

const sent: string[][] = [];
let answer: () => Response;
beforeEach(() => {
  vi.resetModules();
  vi.useFakeTimers();
  sent.length = 0;
  answer = () => Response.json({ heardTo: '2026-06-18T19:21:00.000Z', garbled: 0 });
  vi.stubGlobal('window', globalThis);
  vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
    sent.push((JSON.parse(String(init.body)) as { lines: string[] }).lines);
    return answer();
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function listening() {
  const w = wire();
  vi.stubGlobal('navigator', { serial: { requestPort: async () => w.port } });
  const cable = await import('./cable');
  await cable.listenToCable({ id: 'i1', name: 'Sounder' }, 4800);
  return { ...w, ...cable };
}
const DEPTH = '$SDDPT,6.00,0.30*5E';

test('a wire’s sentences go to the crew each minute, and what is refused waits for the next', async () => {
  const { port, say, cableState } = await listening();
  expect(port.open).toHaveBeenCalledWith({ baudRate: 4800 });
  say(`${DEPTH}\r\n${DEPTH.slice(0, 5)}`);
  await vi.advanceTimersByTimeAsync(10);
  expect(cableState()).toMatchObject({ state: 'listening', heard: 1, waiting: 1, storedTo: null });
  answer = () => Response.json({ detail: 'The database does not answer.', status: 503 }, { status: 503 });
  await vi.advanceTimersByTimeAsync(60_000);
  expect(cableState()).toMatchObject({ waiting: 1, fault: 'Not stored yet: The database does not answer.' });
  say(`${DEPTH.slice(5)}\r\n`);
  answer = () => Response.json({ heardTo: '2026-06-18T19:21:00.000Z', garbled: 0 });
  await vi.advanceTimersByTimeAsync(60_000);
  expect(sent.at(-1)).toEqual([DEPTH, DEPTH]);
  expect(cableState()).toMatchObject({ waiting: 0, fault: null, storedTo: '2026-06-18T19:21:00.000Z' });
});

test('a cable that is pulled out says so, and keeps what was heard', async () => {
  const { say, pull, cableState } = await listening();
  say(`${DEPTH}\r\n`);
  await vi.advanceTimersByTimeAsync(10);
  pull('The device has been lost.');
  await vi.advanceTimersByTimeAsync(10);
  expect(cableState()).toMatchObject({ state: 'lost', fault: 'The cable is gone: The device has been lost.', waiting: 1 });
});

test('ending it sends what waits, gives the port back, and leaves nothing on the screen', async () => {
  const { say, endCable, cableState, port, watchCable } = await listening();
  const told = vi.fn();
  watchCable(told);
  say(`${DEPTH}\r\n`);
  await vi.advanceTimersByTimeAsync(10);
  await endCable();
  expect(sent).toEqual([[DEPTH]]);
  expect(port.close).toHaveBeenCalledOnce();
  expect(cableState()).toBeNull();
  expect(told).toHaveBeenCalled();
});

test('a browser that reads no cable says so', async () => {
  vi.stubGlobal('navigator', {});
  const { hasCable, listenToCable } = await import('./cable');
  expect(hasCable()).toBe(false);
  await expect(listenToCable({ id: 'i1', name: 'Sounder' }, 4800)).rejects.toThrow('cannot read a cable');
});
