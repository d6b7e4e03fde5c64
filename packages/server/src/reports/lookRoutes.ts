// How the pages to the guests look: set by the owner, shown to captains as they write one.
import { LOGO_BYTES, type LookView, lookView, newLook } from '@bluffwind/contract/report';
import { createRoute } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { audit } from '../audit';
import { ReportLookEntity } from '../db/entities/day';
import { Problem } from '../errors';
import { type Deps, requireCaptain } from '../http/context';
import { requireOwner } from '../http/owner';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { bareJpeg } from '../photos/bareJpeg';
import { namesPlace } from './namesPlace';

const USUAL: LookView = { name: '', colour: '#1f5f6b', words: '', logo: false };

/** The look that the outfit of this transaction has chosen, or the usual one. */
export async function lookOf(entities: EntityManager): Promise<LookView> {
  const [row] = await entities.find(ReportLookEntity);
  return row ? { name: row.name, colour: row.colour, words: row.words, logo: row.logo !== null } : USUAL;
}

/** Its logo, if it has one. */
export async function logoOf(entities: EntityManager): Promise<Buffer | null> {
  const [row] = await entities.find(ReportLookEntity);
  return row?.logo ?? null;
}

export function lookRoutes({ clock }: Deps) {
  const app = router();
  app.answer(createRoute({ method: 'get', path: '/outfit/look', responses: answers(lookView, 'How pages to guests look') }), async (c) => {
    requireCaptain(c);
    return lookOf(c.get('entities'));
  });
  app.answer(
    createRoute({
      method: 'post',
      path: '/outfit/look',
      request: jsonBody(newLook),
      responses: answers(lookView, 'How they look from now on; pages that are out keep their words and colour'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who, { logo, ...look }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      for (const field of ['name', 'words'] as const) {
        const told = await namesPlace(entities, look[field]);
        if (told === null) continue;
        throw new Problem('invalid', `${field}: it says “${told}”, which gives a place away; say it without`, [
          { field, message: `say it without “${told}”` },
        ]);
      }
      const given = typeof logo === 'string' ? bareJpeg(Buffer.from(logo, 'base64'), 'logo') : logo;
      if (given && given.length > LOGO_BYTES)
        throw new Problem('too_large', 'logo: this picture is too large; choose a smaller one.', [{ field: 'logo', message: 'too large' }]);
      const kept = given === undefined ? await logoOf(entities) : given;
      await entities.save(ReportLookEntity, { outfitId: who.outfitId, ...look, logo: kept });
      await audit(entities, who, clock.now(), 'change look', 'outfit', who.outfitId, { ...look, logo: kept !== null });
      return { ...look, logo: kept !== null };
    },
    { maxBytes: 2 * LOGO_BYTES },
  );
  return app;
}
