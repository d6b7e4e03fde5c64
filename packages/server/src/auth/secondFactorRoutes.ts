// Asking to be asked for a code at sign-in, and ending it.
import { authenticatorMade, firstCode, passwordAgain, recoveryCodes, secondFactor } from '@bluffwind/contract/auth';
import { id } from '@bluffwind/contract/ids';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { PersonEntity } from '../db/entities/people';
import { RecoveryCodeEntity, SecondFactorEntity } from '../db/entities/waysIn';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { requireOwner } from '../http/owner';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { requirePassword } from './requirePassword';
import { keepRecoveryCodes, newRecoveryCodes, newSecret, stepOfCode } from './secondFactor';

const done = z.object({ ok: z.literal(true) });
const SHORT = { maxBytes: 4096 };

export function secondFactorRoutes(deps: Deps) {
  const app = router();
  const now = () => deps.clock.now();

  app.answer(
    createRoute({ method: 'get', path: '/me/second-factor', responses: answers(secondFactor, 'Whether you are asked for a code') }),
    async (c) => {
      const { personId } = c.get('who');
      const row = await c.get('entities').findOneBy(SecondFactorEntity, { personId });
      const codesLeft = await c.get('entities').countBy(RecoveryCodeEntity, { personId, usedAt: IsNull() });
      return { onSince: row?.onSince?.toISOString() ?? null, codesLeft };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/second-factor/begin',
      request: jsonBody(passwordAgain),
      responses: answers(authenticatorMade, 'A secret for your authenticator; it asks for nothing until its first code has come right'),
    }),
    async (c) => {
      const [entities, { personId, outfitId }] = [c.get('entities'), c.get('who')];
      const email = await requirePassword(deps, c, c.req.valid('json').password);
      const row = await entities.findOneBy(SecondFactorEntity, { personId });
      if (row?.onSince) throw new Problem('conflict', 'You are asked for a code already; end that first.');
      const made = newSecret(email);
      const fresh = { personId, outfitId, secret: made.secret, madeAt: new Date(now()), onSince: null, lastStep: '0' };
      await entities.upsert(SecondFactorEntity, fresh, ['personId']);
      return made;
    },
    SHORT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/second-factor/confirm',
      request: jsonBody(firstCode),
      responses: answers(recoveryCodes, 'From now on you are asked for a code; these are to be written down'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const row = found(await entities.findOneBy(SecondFactorEntity, { personId: who.personId, onSince: IsNull() }), 'authenticator');
      // Authenticators know the true time, whatever hour it is in a demo.
      const step = stepOfCode(row.secret, c.req.valid('json').code, Date.now(), 0);
      if (step === null) throw new Problem('invalid', 'code: it does not hold.', [{ field: 'code', message: 'does not hold' }]);
      await entities.update(SecondFactorEntity, { personId: who.personId }, { onSince: new Date(now()), lastStep: String(step) });
      const codes = newRecoveryCodes();
      await keepRecoveryCodes(entities, who, codes);
      await audit(entities, who, now(), 'second factor on', 'person', who.personId, {});
      return { codes };
    },
    SHORT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/second-factor/end',
      request: jsonBody(passwordAgain),
      responses: answers(done, 'You are not asked for a code any more'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      await requirePassword(deps, c, c.req.valid('json').password);
      await entities.delete(SecondFactorEntity, { personId: who.personId });
      await audit(entities, who, now(), 'second factor off', 'person', who.personId, {});
      return { ok: true as const };
    },
    SHORT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/people/{id}/second-factor/end',
      request: { params: z.object({ id }) },
      responses: answers(done, 'He is not asked for a code any more'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const person = found(await entities.findOneBy(PersonEntity, { id: c.req.valid('param').id }), 'person');
      // His own asks for his password: an owner's open screen is not enough to take it off.
      if (person.id === who.personId) throw new Problem('not_allowed', 'Your own is ended under Settings, with your password.');
      await entities.delete(SecondFactorEntity, { personId: person.id });
      await audit(entities, who, now(), 'second factor off', 'person', person.id, {});
      return { ok: true as const };
    },
  );
  return app;
}
