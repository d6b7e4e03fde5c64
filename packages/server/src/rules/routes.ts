// The crew's own copy of the rules: written, changed, held against their source again, and taken out.
import { id } from '@bluffwind/contract/ids';
import { ruleEdit, ruleRow } from '@bluffwind/contract/rule';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { RuleEntity, SpeciesEntity } from '../db/entities/fish';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';

const done = z.object({ ok: z.literal(true) });

export function ruleRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/rules', responses: answers(z.array(ruleRow), "The crew's copy of the rules") }),
    async (c) => {
      const rows = await c.get('entities').find(RuleEntity, { where: { removedAt: IsNull() }, order: { speciesId: 'ASC', id: 'ASC' } });
      return rows.map((r) => ruleRow.parse(r));
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/rules', request: jsonBody(ruleEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      found(await entities.findOneBy(SpeciesEntity, { id: body.speciesId }), 'species');
      const old = await entities.findOneBy(RuleEntity, { id: body.id });
      const row = { ...body, zone: body.zone === '' ? null : body.zone };
      if (old) await entities.update(RuleEntity, { id: old.id }, { ...row, body: row.body as never, removedAt: null });
      else await entities.insert(RuleEntity, { ...row, body: row.body as never, outfitId: who.outfitId });
      await audit(entities, who, clock.now(), old ? 'change rule' : 'add rule', 'rule', body.id, {
        from: old?.body ?? null,
        to: body.body,
      });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/rules/{id}/remove',
      request: { params: z.object({ id }) },
      responses: answers(done, "Out of the crew's copy"),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const rule = found(await entities.findOneBy(RuleEntity, { id: c.req.valid('param').id, removedAt: IsNull() }), 'rule');
      await entities.update(RuleEntity, { id: rule.id }, { removedAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'remove rule', 'rule', rule.id, { body: rule.body });
      return { ok: true as const };
    },
  );
  return app;
}
