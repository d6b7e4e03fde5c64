import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox','--disable-gpu'] });
const [,, w='1280', h='800', path='/', out='/tmp/a.png', plan='', extra=''] = process.argv;
const p = await b.newPage({ viewport: { width: +w, height: +h } });
p.on('console', m => m.type()==='error' && console.log('ERR', m.text()));
p.on('pageerror', e => console.log('PAGEERR', e.message));
await p.goto('http://127.0.0.1:4310/');
await p.getByLabel('E-mail').fill('tobias@greywether.example');
await p.getByLabel('Password').fill('lanyard-and-plug');
await p.getByRole('button', { name: 'Sign in' }).click();
await p.waitForURL(u => !u.pathname.includes('sign'));
await p.waitForTimeout(1500);
const board = await (await p.request.get('http://127.0.0.1:4310/api/board')).json();
const trips = [...board.tomorrow];
console.log(trips.map(t => t.boat.name + ' ' + t.id + ' ' + t.status + ' ' + t.captain.name).join('\n'));
const trip = trips.find(t => t.boat.name === (process.env.BOAT ?? "Tern's Errand"));
if (plan === 'plan') {
  await p.goto('http://127.0.0.1:4310/trips/' + trip.id);
  await p.locator('[data-call]').first().waitFor({ timeout: 30000 });
  await p.waitForTimeout(1000);
  await p.keyboard.press('s');
  await p.locator('[data-proof]').waitFor({ timeout: 30000 });
  await p.waitForTimeout(1500);
  const s = p.getByRole('button', { name: 'Save plan' });
  if (await s.count()) await s.click();
  await p.waitForTimeout(2500);
}
await p.goto('http://127.0.0.1:4310' + path.replace('TRIP', trip.id));
await p.waitForTimeout(5000);
for (const c of extra.split(';').filter(Boolean)) { await p.getByText(c, { exact: false }).first().click(); await p.waitForTimeout(1500); }
await p.screenshot({ path: out, fullPage: process.env.FULL === '1' });
await b.close();
