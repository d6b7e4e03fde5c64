// One address before several servers, as a reverse proxy gives them: each request goes to the next in turn.
import { createServer, request } from 'node:http';

/**
 * @param {readonly string[]} urls - The servers' addresses.
 * @returns {Promise<{ url: string, counts: number[], close: () => void }>} How many requests each has had, by the order of the addresses.
 */
export async function startFront(urls) {
  const counts = urls.map(() => 0);
  let turn = 0;
  const front = createServer((req, res) => {
    const at = turn++ % urls.length;
    counts[at]++;
    const to = new URL(req.url, urls[at]);
    const onward = request(to, { method: req.method, headers: req.headers }, (answer) => {
      res.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(res);
    });
    onward.on('error', () => (res.headersSent ? res.destroy() : res.writeHead(502).end()));
    res.on('close', () => onward.destroy());
    req.pipe(onward);
  });
  await new Promise((r) => front.listen(0, '127.0.0.1', r));
  return {
    url: `http://127.0.0.1:${front.address().port}`,
    counts,
    close: () => {
      front.close();
      front.closeAllConnections();
    },
  };
}
