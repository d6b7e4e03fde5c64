// The work of the mail: composed when it is sent, so that no key of a way in and nothing of a brief waits in a queue.
import { through } from '../db/doors';
import { randomBytes, randomUUID } from 'node:crypto';
import { clockWords, METRIC, type Units } from '@bluffwind/core/units/measure';
import { DAY, localTime, MINUTE } from '@bluffwind/core/units/time';
import { type DataSource, IsNull, MoreThan } from 'typeorm';
import { audit } from '../audit';
import { digest } from '../auth/session';
import { briefFileFor } from '../brief/fileFor';
import type { Config } from '../config';
import { inOutfit } from '../db/database';
import { InvitationEntity, PersonEntity, type PersonRow } from '../db/entities/people';
import { OutfitEntity } from '../db/entities/outfit';
import { boatWords } from './boatWords';
import type { MailJob } from './job';
import { backLetter, briefLetter, invitationLetter, type Letter, newPasswordLetter, overdueLetter } from './letters';
import { post } from './post';

/** A way to a new password holds so long. */
export const NEW_PASSWORD_MIN = 60;

/** A person is written to of a new password so often at most. */
const AGAIN_MIN = 5;

type Mail = NonNullable<Config['mail']>;
interface Composed {
  readonly to: { readonly name: string; readonly email: string };
  readonly letter: Letter;
  readonly file?: { readonly name: string; readonly bytes: Buffer; readonly mediaType: string };
  /** Where it could not be sent: takes back what would keep the next try from writing. */
  readonly undo?: () => Promise<unknown>;
}

/** Composes and sends one letter; nothing where it is no longer needed, or no mail server is configured. */
export async function sendMail(source: DataSource, mail: Mail | null, job: MailJob, nowMs: number): Promise<void> {
  if (!mail) return;
  const composed = await compose(source, mail, job, nowMs);
  if (!composed) return;
  try {
    await post(mail, composed.to, composed.letter, composed.file);
  } catch (error) {
    await composed.undo?.();
    throw error;
  }
}

async function compose(source: DataSource, mail: Mail, job: MailJob, nowMs: number): Promise<Composed | null> {
  if (job.kind === 'invitation') return invitation(source, mail, job, nowMs);
  if (job.kind === 'new-password') return newPassword(source, mail, job.email, nowMs);
  if (job.kind === 'brief') return briefTo(source, mail, job);
  return inOutfit(source, job.outfitId, async (entities): Promise<Composed | null> => {
    const person = await entities.findOneBy(PersonEntity, { id: job.personId, active: true });
    if (!person) return null;
    const outfit = await entities.findOneByOrFail(OutfitEntity, { id: job.outfitId });
    const units = unitsOf(person);
    const clock = (ms: number) => clockWords(localTime(ms, outfit.zone), units);
    const words = await boatWords(entities, job.tripId);
    if (!words) return null;
    const letter =
      job.kind === 'back'
        ? backLetter({ outfit: outfit.name, boat: words.boat, at: clock(words.ended?.getTime() ?? nowMs) })
        : overdueLetter({ ...words, outfit: outfit.name, due: clock(job.dueAtMs), link: `${mail.publicUrl}/` });
    return { to: person, letter };
  });
}

/** The brief as its reader may see it: in a transaction with his eyes. */
async function briefTo(
  source: DataSource,
  mail: Mail,
  { outfitId, personId, date }: MailJob & { kind: 'brief' },
): Promise<Composed | null> {
  const person = await inOutfit(source, outfitId, (entities) => entities.findOneBy(PersonEntity, { id: personId, active: true }));
  if (!person) return null;
  const units = unitsOf(person);
  return inOutfit(
    source,
    outfitId,
    async (entities) => {
      const file = await briefFileFor(entities, person, date, units);
      if (!file) return null;
      const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
      const link = `${mail.publicUrl}/brief/${date}?as=published`;
      const letter = briefLetter({ outfit: outfit.name, date, by: file.by, units, link });
      return { to: person, letter, file: { name: `brief-${date}.pdf`, bytes: file.bytes, mediaType: 'application/pdf' } };
    },
    { personId, role: person.role },
  );
}

const unitsOf = (person: PersonRow): Units => ({ ...METRIC, ...person.settings.units });

async function invitation(source: DataSource, mail: Mail, { outfitId, invitationId }: MailJob & { kind: 'invitation' }, nowMs: number) {
  return inOutfit(source, outfitId, async (entities): Promise<Composed | null> => {
    const token = randomBytes(24).toString('base64url');
    const open = { id: invitationId, takenAt: IsNull(), withdrawnAt: IsNull(), expiresAt: MoreThan(new Date(nowMs)) };
    const row = await entities.findOneBy(InvitationEntity, open);
    if (!row) return null;
    await entities.update(InvitationEntity, open, { tokenHash: digest(token) });
    const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
    const by = await entities.findOneByOrFail(PersonEntity, { id: row.madeBy });
    const days = Math.max(1, Math.round((row.expiresAt.getTime() - nowMs) / DAY));
    const link = `${mail.publicUrl}/come-in#${token}`;
    return { to: row, letter: invitationLetter({ outfit: outfit.name, name: row.name, by: by.name, link, days }) };
  });
}

/** An address that has no account gets nothing, and who asked is not told so. */
async function newPassword(source: DataSource, mail: Mail, email: string, nowMs: number): Promise<Composed | null> {
  const account = await through(source, 'sign_in_person', email);
  if (!account) return null;
  const { person_id: personId, outfit_id: outfitId } = account;
  return inOutfit(source, outfitId, async (entities): Promise<Composed | null> => {
    const person = await entities.findOneBy(PersonEntity, { id: personId, active: true });
    if (!person) return null;
    const token = randomBytes(24).toString('base64url');
    const now = new Date(nowMs);
    const own = { personId, madeBy: personId, takenAt: IsNull(), withdrawnAt: IsNull() };
    // Asked for again and again, he is written to once a while.
    if (await entities.existsBy(InvitationEntity, { ...own, madeAt: MoreThan(new Date(nowMs - AGAIN_MIN * MINUTE)) })) return null;
    await entities.update(InvitationEntity, own, { withdrawnAt: now });
    const id = randomUUID();
    await entities.insert(InvitationEntity, {
      id,
      outfitId,
      personId,
      name: person.name,
      email: person.email,
      role: person.role,
      tokenHash: digest(token),
      madeAt: now,
      madeBy: personId,
      expiresAt: new Date(nowMs + NEW_PASSWORD_MIN * MINUTE),
      takenAt: null,
      withdrawnAt: null,
    });
    await audit(entities, { personId, outfitId }, nowMs, 'ask for new password', 'person', personId, {});
    const outfit = await entities.findOneByOrFail(OutfitEntity, { id: outfitId });
    const link = `${mail.publicUrl}/come-in#${token}`;
    const letter = newPasswordLetter({ outfit: outfit.name, name: person.name, link, minutes: NEW_PASSWORD_MIN });
    return { to: person, letter, undo: () => inOutfit(source, outfitId, (again) => again.delete(InvitationEntity, { id })) };
  });
}
