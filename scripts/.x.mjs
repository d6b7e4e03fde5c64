// usage: node scripts/.x.mjs path out w h [email] [js]
import { chromium } from '@playwright/test';
const [path, out, w = '1280', h = '800', who = 'runa', js = ''] = process.argv.slice(2);
const { ensureChromium } = await import('./debian.mjs'); const b = await chromium.launch({ executablePath: await ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const c = await b.newContext({ viewport: { width: +w, height: +h }, baseURL: 'http://127.0.0.1:4310', hasTouch: +w < 500 });
const p = await c.newPage();
if (who !== 'none') {
  const r = await p.request.post('/api/sign-in', { data: { email: `${who}@greywether.example`, password: 'lanyard-and-plug' } });
  if (!r.ok()) console.log(await r.text());
}
await p.goto(path, { waitUntil: 'networkidle' });
await p.waitForTimeout(1500);
if (js) await eval(`(async () => { ${js} })()`);
await p.screenshot({ path: out });
await b.close();
