// A phone's line to the server that can be cut and mended: what a lost signal is to every page and worker of a browser at once.
import { connect, createServer } from 'node:net';

/**
 * @param {string} url - The server's address.
 * @returns {Promise<{ url: string, cut: () => Promise<void>, mend: () => Promise<void> }>} The line's own address stays over a cut.
 */
export async function startLine(url) {
  const to = Number(new URL(url).port);
  const open = new Set();
  const line = createServer((near) => {
    const far = connect(to, '127.0.0.1');
    for (const [one, other] of [
      [near, far],
      [far, near],
    ]) {
      open.add(one);
      one.on('error', () => other.destroy());
      one.on('close', () => {
        open.delete(one);
        other.destroy();
      });
    }
    near.pipe(far).pipe(near);
  });
  const listen = (port) =>
    new Promise((resolve, reject) => {
      line.once('error', reject);
      line.listen(port, '127.0.0.1', () => resolve(undefined));
    });
  await listen(0);
  const { port } = line.address();
  return {
    url: `http://127.0.0.1:${port}`,
    cut: async () => {
      const shut = new Promise((r) => line.close(r));
      for (const socket of open) socket.destroy();
      await shut;
    },
    mend: () => (line.listening ? Promise.resolve() : listen(port)),
  };
}
