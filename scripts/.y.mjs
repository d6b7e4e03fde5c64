import { chromium } from '@playwright/test';
const { ensureChromium } = await import('./debian.mjs');
const b = await chromium.launch({ executablePath: await ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const c = await b.newContext({ baseURL: 'http://127.0.0.1:4310' });
const r = c.request;
await r.post('/api/sign-in', { data: { email: 'tobias@greywether.example', password: 'lanyard-and-plug' } });
const board = await (await r.get('/api/board')).json();
const date = '2026-06-19';
const t = board.tomorrow.find((x) => /Tern/.test(x.boat.name));
console.log(
  t.id,
  board.open.map((o) => o.text),
);
console.log(
  (
    await r.post(`/api/brief/${date}/words`, {
      data: { tripId: null, text: 'Ramp is slippery below the third ring. Be at the shed at 05:45, not six.' },
    })
  ).status(),
);
console.log(
  (
    await r.post(`/api/brief/${date}/words`, {
      data: { tripId: t.id, text: 'Mr Pell was seasick last year: keep to the lee until he says so.' },
    })
  ).status(),
);
console.log((await r.post(`/api/brief/${date}/publish`, { timeout: 200000 })).status());
const pdf = await (await r.get(`/api/brief/${date}/pdf`, { timeout: 200000 })).json();
(await import('node:fs')).writeFileSync('/tmp/brief.pdf', Buffer.from(pdf.base64, 'base64'));
await b.close();
