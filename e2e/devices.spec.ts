// What a laptop and a phone bring of their own: a cable to the boat's instruments, and notices that come up with no page open.
import { nmeaSentence } from '@bluffwind/core/formats/nmea';
import { expect, test } from '@playwright/test';
import { afterStory, choose, expectAccessible, makeTrip, rows, signIn } from './helpers';

test.afterEach(({ browser, context }, { errors }) => afterStory({ browser, context }, errors.length > 0));

/** Three minutes of a sounder before the demo's own time. */
const SENTENCES = Array.from({ length: 36 }, (_, k) => {
  const at = `19${String(20 + Math.floor(k / 12))}${String((k % 12) * 5).padStart(2, '0')}`;
  return [`GPRMC,${at}.00,A,4735.4000,N,035${(14.4 - k * 0.001).toFixed(4)},W,1.0,90,180626,,`, 'SDDPT,6.00,0.30', 'IIMTW,13.9,C']
    .map(nmeaSentence)
    .join('');
});

test('a sounder on a cable is listened to by the laptop, and what it says is the crew’s', async ({ page }) => {
  await page.addInitScript((sentences: string[]) => {
    const port = {
      readable: null as ReadableStream<Uint8Array> | null,
      open: async () => {
        const encoder = new TextEncoder();
        // In pieces that end anywhere, as a wire gives them.
        const bytes = encoder.encode(sentences.join(''));
        let at = 0;
        port.readable = new ReadableStream({
          async pull(to) {
            await new Promise((r) => setTimeout(r, 5));
            if (at < bytes.length) to.enqueue(bytes.slice(at, at + 97));
            else await new Promise(() => undefined);
            at += 97;
          },
        });
      },
      close: async () => undefined,
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port } });
  }, SENTENCES);
  await signIn(page, 'Ilse Marrable');
  await page.goto('/crew?tab=boats');
  await page.getByRole('button', { name: 'Instruments of Second Kettle' }).click();
  await page.getByRole('button', { name: 'Add an instrument' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Sounder by cable');
  await choose(page, 'How it is reached', 'by a cable to a computer aboard');
  await expect(page.getByLabel('Address and port')).toHaveCount(0);
  await page.getByLabel(/Transducer hangs/).fill('0.4');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store', exact: true }).click();
  const own = page.locator('[data-instrument="Sounder by cable"]');
  await choose(own, 'Speed of the cable', '38400 baud');
  await own.getByRole('button', { name: 'Listen on this computer' }).click();
  await expect(own.getByRole('status')).toContainText('Listening: 108 lines heard', { timeout: 20_000 });
  await expectAccessible(page);
  await own.getByRole('button', { name: 'Let the cable go' }).click();
  await expect(page.getByText('The cable is let go.')).toBeVisible();
  const stored = await rows<{ value: number }>(
    `select r.value from reading r join instrument i on i.id = r.instrument_id where i.name = 'Sounder by cable' and r.variable = 'waterTempC' order by r.at`,
  );
  expect(stored.map((r) => r.value)).toEqual([13.9, 13.9]);
  const [survey] = await rows<{ n: number }>(
    `select cardinality(s.depth_m) as n from survey s join instrument i on i.id = s.instrument_id where i.name = 'Sounder by cable'`,
  );
  expect(survey?.n).toBe(36);
});

test('a phone is added to those that are told, says what it is told of, and is taken away', async ({ page, context }) => {
  await context.grantPermissions(['notifications']);
  await page.addInitScript(() => {
    // The maker's own push service cannot be reached from here; the browser's answer is of the form that it gives.
    const letters = (n: number) => 'B'.repeat(Math.ceil((n * 4) / 3));
    let made: object | null = null;
    Object.defineProperty(PushManager.prototype, 'getSubscription', { value: async () => made });
    Object.defineProperty(PushManager.prototype, 'subscribe', {
      value: async () => {
        const endpoint = 'https://push.invalid/this-phone';
        made = {
          endpoint,
          options: { applicationServerKey: null },
          toJSON: () => ({ endpoint, keys: { p256dh: letters(65), auth: letters(16) } }),
          unsubscribe: async () => {
            made = null;
            return true;
          },
        };
        return made;
      },
    });
  });
  await signIn(page, 'Oskar Thrane');
  await page.goto('/settings');
  const section = page.getByRole('region', { name: 'Notices on this device' });
  await section.getByRole('button', { name: 'Show notices on this device' }).click();
  await expect(section.getByText('this one')).toBeVisible({ timeout: 20_000 });
  await expectAccessible(page);
  const brief = section.getByLabel(/The brief/);
  await expect(brief).toBeChecked();
  await brief.uncheck();
  await page.reload();
  await expect(section.getByLabel(/The brief/)).not.toBeChecked();
  await section.getByRole('button', { name: /^Take away \S/ }).click();
  await expect(section.getByRole('button', { name: /^Take away \S/ })).toHaveCount(0);
  expect(await rows('select id from push_device')).toEqual([]);
});

test('what lies aboard is written on a phone, told on the Board, and gone through before leaving', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: process.env.BASE_URL });
  const page = await context.newPage();
  const trip = await makeTrip(await browser.newPage({ baseURL: process.env.BASE_URL }), {
    id: '019ee000-0000-7000-8000-0000000ab0a2',
    inDays: 3,
    boat: 'Marrow',
    captain: 'Oskar Thrane',
    mate: 'Nell Quarrie',
  });
  await signIn(page, 'Oskar Thrane');
  await page.goto('/crew?tab=boats');
  await page.getByRole('button', { name: 'Aboard Marrow' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Add a thing' }).click();
  // By keys alone from here: the field, its day, and storing it.
  await sheet.getByRole('textbox', { name: 'Thing 1' }).fill('Flares, 3 red');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  const leaf = page.getByRole('dialog', { name: 'Last day' });
  await expect(leaf).toBeVisible();
  await expectAccessible(page);
  await leaf.getByRole('gridcell').getByRole('button').first().press('Enter');
  await expect(leaf).toHaveCount(0);
  await sheet.getByLabel(/Its own lines/).fill('Push pole lashed\n\nPush pole lashed');
  await sheet.getByRole('button', { name: 'Store' }).press('Enter');
  await expect(sheet.getByText('one line stands there twice', { exact: true })).toBeVisible();
  await sheet.getByLabel(/Its own lines/).fill('Push pole lashed');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Store' }).press('Enter');
  await expect(page.getByText('What lies aboard Marrow is stored.')).toBeVisible();
  await page.goto('/');
  await expect(page.getByText(/Aboard Marrow: Flares, 3 red, last day was/)).toBeVisible({ timeout: 30_000 });
  await page.goto('/deck/019ee000-0000-7000-8000-0000000ab0a2');
  await expect(page.getByRole('checkbox', { name: 'Push pole lashed' })).toBeVisible({ timeout: 60_000 });
  // The first of the month is over.
  await expect(page.getByRole('checkbox', { name: 'Flares, 3 red: its day has passed; put a new one aboard' })).toBeVisible();
  await page.getByText('What lies aboard', { exact: true }).click();
  await expect(page.getByText(/^Flares, 3 red, last day/)).toBeVisible();
  await expectAccessible(page);
  await rows(`update trip set status = 'cancelled' where id = $1 returning id`, ['019ee000-0000-7000-8000-0000000ab0a2']);
  expect(trip.day).toMatch(/^\d{4}-/);
  await context.close();
});
