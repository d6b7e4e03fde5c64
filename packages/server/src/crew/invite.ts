// Ways into an outfit, and back in with a new password: a link that holds for some days.
import { randomBytes } from 'node:crypto';
import type { newInvitation } from '@bluffwind/contract/people';
import { DAY } from '@bluffwind/core/units/time';
import type { z } from '@hono/zod-openapi';
import { type EntityManager, IsNull, MoreThan, Not } from 'typeorm';
import { audit } from '../audit';
import { isEmailTaken } from '../auth/isEmailTaken';
import { digest } from '../auth/session';
import { InvitationEntity, PersonEntity, type PersonRow } from '../db/entities/people';
import { Problem } from '../errors';
import { found } from '../http/context';
import type { Who } from '../http/who';

/** An invitation holds so long. */
const INVITATION_DAYS = 7;
/** So many can be open at once. */
const MOST_OPEN = 50;

/** Invitations that hold at an instant, the newest first. */
export const openInvitations = (entities: EntityManager, nowMs: number) =>
  entities.find(InvitationEntity, {
    where: { takenAt: IsNull(), withdrawnAt: IsNull(), expiresAt: MoreThan(new Date(nowMs)) },
    order: { madeAt: 'DESC' },
  });

/** Asks somebody in, or offers a person of the outfit a new password. Sent again it gets a new key. Throws Problem. */
export async function invite(
  entities: EntityManager,
  who: Who,
  body: z.infer<typeof newInvitation>,
  nowMs: number,
): Promise<{ token: string; expiresAt: Date }> {
  const opened = await openInvitations(entities, nowMs);
  // Sent again because the answer was lost: nobody has its key, so that it gets a new one.
  const there = opened.some((i) => i.id === body.id);
  if (!there && opened.length >= MOST_OPEN)
    throw new Problem('in_use', `${MOST_OPEN} invitations are open; withdraw those that are not needed.`);
  const again = await whoComesBack(entities, body);
  const token = randomBytes(24).toString('base64url');
  const expiresAt = new Date(nowMs + INVITATION_DAYS * DAY);
  const row = {
    id: body.id,
    outfitId: who.outfitId,
    personId: again?.id ?? null,
    name: again?.name ?? body.name,
    email: again?.email ?? body.email,
    role: again?.role ?? body.role,
    tokenHash: digest(token),
    madeAt: new Date(nowMs),
    madeBy: who.personId,
    expiresAt,
    takenAt: null,
    withdrawnAt: null,
  };
  // Of several ways to a new password the last alone holds.
  if (again)
    await entities.update(
      InvitationEntity,
      { personId: again.id, id: Not(body.id), takenAt: IsNull(), withdrawnAt: IsNull() },
      { withdrawnAt: new Date(nowMs) },
    );
  if (there) await entities.update(InvitationEntity, { id: body.id }, row);
  else await entities.insert(InvitationEntity, row);
  await audit(entities, who, nowMs, again ? 'offer new password' : 'invite', 'invitation', body.id, { role: again?.role ?? body.role });
  return { token, expiresAt };
}

/** The person who is offered a new password, or null where somebody new is asked in. */
async function whoComesBack(
  entities: EntityManager,
  { personId, email }: { personId: string | null; email: string },
): Promise<PersonRow | null> {
  if (personId !== null) return found(await entities.findOneBy(PersonEntity, { id: personId, active: true }), 'person');
  if (await isEmailTaken(entities, email))
    throw new Problem('conflict', 'email: somebody has an account with this e-mail already; use another address.', [
      { field: 'email', message: 'has an account already' },
    ]);
  return null;
}
