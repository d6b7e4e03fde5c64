import { describe, expect, it } from 'vitest';
import { heardLines } from './heardLines';

describe('what comes over a cable', () => {
  it('is cut into lines wherever the wire was cut, whatever ends them, and noise without an end is let go', async () => {
    const h = heardLines();
    for (const part of ['$SDDPT,6.0', '0,0.30*4A\r', '\n$IIMTW,14.2,C*1', 'D\n\r\n', 'x'.repeat(1200), '\nnext\n', 'half']) h.take(part);
    const sent: string[][] = [];
    await h.send(async (lines) => void sent.push([...lines]));
    expect(sent).toEqual([['$SDDPT,6.00,0.30*4A', '$IIMTW,14.2,C*1D', 'next']]);
    expect(h.waiting).toBe(0);
    h.take(' line\n');
    await h.send(async (lines) => void sent.push([...lines]));
    expect(sent[1]).toEqual(['half line']);
    expect(h.heard).toBe(4);
  });
  it('waits while it cannot be sent, goes in its order, and never twice at once', async () => {
    const h = heardLines();
    h.take('1\n2\n');
    await expect(h.send(() => Promise.reject(new Error('no network')))).rejects.toThrow('no network');
    expect(h.waiting).toBe(2);
    let done: () => void = () => undefined;
    const first = h.send((lines) => new Promise<string>((r) => (done = () => r(lines.join(' ')))));
    h.take('3\n');
    expect(await h.send(async () => 'a second')).toBeNull();
    done();
    expect(await first).toBe('1 2');
    expect(await h.send(async (lines) => lines.join(' '))).toBe('3');
    expect(await h.send(async () => 'nothing')).toBeNull();
  });
  it('goes in parts of five thousand, and lets the oldest go after eight hours', async () => {
    const h = heardLines();
    h.take(Array.from({ length: 200_003 }, (_, i) => `${i}\n`).join(''));
    expect(h.lost).toBe(3);
    const sent = (await h.send(async (lines) => lines)) ?? [];
    expect([sent.length, sent[0], sent.at(-1)]).toEqual([5000, '3', '5002']);
    expect(h.waiting).toBe(195_000);
  });
});
