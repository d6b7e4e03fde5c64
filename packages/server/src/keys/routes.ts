// Keys for programs: made and ended by the owner.
import { randomBytes } from 'node:crypto';
import { id } from '@bluffwind/contract/ids';
import { keyMade, keyRow, names, newKey } from '@bluffwind/contract/keys';
import type { KeyScope } from '@bluffwind/contract/keyScopes';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { digest } from '../auth/session';
import { BoatEntity } from '../db/entities/boats';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { ProgramKeyEntity } from '../db/entities/waysIn';
import { PresentationEntity } from '../db/entities/baits';
import { SpeciesEntity } from '../db/entities/fish';
import { WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { requireOwner } from '../http/owner';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { KEY_PREFIX } from './holder';

const done = z.object({ ok: z.literal(true) });
const MOST_OPEN = 20;

export function keyRoutes({ clock }: Deps) {
  const app = router();
  app.answer(createRoute({ method: 'get', path: '/keys', responses: answers(z.array(keyRow), 'Keys that hold') }), async (c) => {
    requireOwner(c);
    const entities = c.get('entities');
    const rows = await entities.find(ProgramKeyEntity, { where: { endedAt: IsNull() }, order: { madeAt: 'DESC' } });
    const people = await entities.find(PersonEntity);
    return rows.map((k) => ({
      id: k.id,
      name: k.name,
      scopes: k.scopes as KeyScope[],
      madeAt: k.madeAt.toISOString(),
      madeBy: people.find((p) => p.id === k.madeBy)?.name ?? '',
      lastUsedAt: k.lastUsedAt?.toISOString() ?? null,
    }));
  });
  app.answer(
    createRoute({ method: 'post', path: '/keys', request: jsonBody(newKey), responses: answers(keyMade, 'The key; it is told once') }),
    async (c) => {
      requireOwner(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      // Sent again because the answer was lost: nobody has the key, so that a new one takes its place.
      const mine = { id: body.id, madeBy: who.personId, lastUsedAt: IsNull(), endedAt: IsNull() };
      const there = await entities.existsBy(ProgramKeyEntity, mine);
      if (!there && (await entities.countBy(ProgramKeyEntity, { endedAt: IsNull() })) >= MOST_OPEN)
        throw new Problem('in_use', `${MOST_OPEN} keys hold already; end those that are not needed.`);
      const key = KEY_PREFIX + randomBytes(32).toString('base64url');
      const row = {
        id: body.id,
        outfitId: who.outfitId,
        name: body.name,
        scopes: [...new Set(body.scopes)],
        tokenHash: digest(key),
        madeBy: who.personId,
        madeAt: new Date(clock.now()),
        lastUsedAt: null,
        endedAt: null,
      };
      if (there) await entities.update(ProgramKeyEntity, mine, row);
      else await entities.insert(ProgramKeyEntity, row);
      await audit(entities, who, clock.now(), 'make key', 'key', body.id, { name: body.name, scopes: body.scopes });
      return { key };
    },
    { maxBytes: 4096 },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/keys/{id}/end',
      request: { params: z.object({ id }) },
      responses: answers(done, 'It opens nothing any more'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const row = found(await entities.findOneBy(ProgramKeyEntity, { id: c.req.valid('param').id }), 'key');
      await entities.update(ProgramKeyEntity, { id: row.id, endedAt: IsNull() }, { endedAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'end key', 'key', row.id, { name: row.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'get', path: '/names', responses: answers(names, 'What the ids in other answers stand for') }),
    async (c) => {
      const entities = c.get('entities');
      const outfit = found(await entities.findOneBy(OutfitEntity, { id: c.get('who').outfitId }), 'outfit');
      const order = { name: 'ASC' } as const;
      return {
        outfit: outfit.name,
        zone: outfit.zone,
        waters: await entities.find(WaterEntity, { order }),
        boats: await entities.find(BoatEntity, { where: { retiredAt: IsNull() }, order }),
        species: await entities.find(SpeciesEntity, { order }),
        presentations: await entities.find(PresentationEntity, { order }),
      };
    },
  );
  return app;
}
