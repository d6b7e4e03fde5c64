// A notice on a phone or browser, encrypted for that device alone: whoever carries it reads nothing of it.
import type { PushWords } from '@bluffwind/contract/push';
import { clockWords, METRIC, type Units } from '@bluffwind/core/units/measure';
import { localTime } from '@bluffwind/core/units/time';
import type { DataSource, EntityManager } from 'typeorm';
import webpush from 'web-push';
import type { Config } from '../config';
import { inOutfit } from '../db/database';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { PushDeviceEntity, type PushDeviceRow } from '../db/entities/waysIn';
import { Answered, sendOutside } from '../http/fetchOutside';
import { boatWords } from '../mail/boatWords';
import { backLetter, briefTitle, overdueLetter } from '../mail/letters';
import type { PushJob } from './job';
import { pushKeys } from './keys';

/** An alarm that could not be brought is of no use after so long, s. */
const TTL_S = 4 * 3600;
/** The device or its owner wants no more of it (RFC 8030, 5). */
const GONE = [404, 410];

/** Brings one notice to one device; a device that is gone is forgotten. */
export async function sendPush(
  source: DataSource,
  config: Pick<Config, 'mail' | 'privateStations'>,
  job: PushJob,
  nowMs: number,
): Promise<void> {
  const told = await inOutfit(source, job.outfitId, async (entities) => {
    const device = await entities.findOneBy(PushDeviceEntity, { id: job.deviceId });
    const words = device && (await wordsOf(entities, device, job, nowMs));
    return device && words ? { device, words } : null;
  });
  if (!told) return;
  const { device, words } = told;
  const keys = await pushKeys(source);
  const { endpoint, headers, body } = webpush.generateRequestDetails(
    { endpoint: device.endpoint, keys: { p256dh: device.p256dh, auth: device.auth } },
    JSON.stringify(words),
    {
      vapidDetails: {
        subject: config.mail?.publicUrl.startsWith('https:') ? config.mail.publicUrl : 'mailto:crew@localhost.invalid',
        ...keys,
      },
      TTL: TTL_S,
      urgency: 'high',
    },
  );
  try {
    await sendOutside(
      endpoint,
      { headers: headers as Record<string, string>, body: body as Buffer },
      { allowPrivate: config.privateStations },
    );
  } catch (error) {
    if (!(error instanceof Answered) || !GONE.includes(error.status)) throw error;
    await inOutfit(source, job.outfitId, (entities) => entities.delete(PushDeviceEntity, { id: device.id }));
  }
}

/** What it says, as it is when it is sent; null where that is over. */
async function wordsOf(entities: EntityManager, device: PushDeviceRow, job: PushJob, nowMs: number): Promise<PushWords | null> {
  const person = await entities.findOneBy(PersonEntity, { id: device.personId, active: true });
  if (!person) return null;
  const outfit = await entities.findOneByOrFail(OutfitEntity, { id: job.outfitId });
  const units: Units = { ...METRIC, ...person.settings.units };
  if (job.kind === 'try') return { title: outfit.name, body: 'Notices of the crew come here.', path: '/settings', tag: 'try' };
  if (job.kind === 'brief')
    return { title: briefTitle(job.date, units), body: outfit.name, path: `/brief/${job.date}?as=published`, tag: `brief ${job.date}` };
  const words = await boatWords(entities, job.tripId);
  if (!words) return null;
  const clock = (ms: number) => clockWords(localTime(ms, outfit.zone), units);
  const letter =
    job.kind === 'back'
      ? backLetter({ outfit: outfit.name, boat: words.boat, at: clock(words.ended?.getTime() ?? nowMs) })
      : overdueLetter({ ...words, outfit: outfit.name, due: clock(job.dueAtMs), link: '' });
  const [first = '', ...more] = letter.text.split('\n').filter((l) => l.trim() !== '');
  return {
    title: letter.subject,
    body: job.kind === 'back' ? first : [first, more[0] ?? ''].join(' ').trim(),
    path: '/',
    tag: `boat ${job.tripId}`,
  };
}
