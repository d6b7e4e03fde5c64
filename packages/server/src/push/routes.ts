// Devices of one's own that are told without an open page.
import { id } from '@bluffwind/contract/ids';
import { newPushDevice, pushView } from '@bluffwind/contract/push';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { PushDeviceEntity } from '../db/entities/waysIn';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { readAddress, refusedHost } from '../http/fetchOutside';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { pushKeys } from './keys';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });
/** Of one person: more were never unsubscribed. */
const MOST_DEVICES = 20;

export function pushRoutes({ clock, config, jobs, source }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/me/push', responses: answers(pushView, 'Devices of one’s own that are told') }),
    async (c) => {
      const { personId } = c.get('who');
      const devices = await c.get('entities').find(PushDeviceEntity, { where: { personId }, order: { madeAt: 'ASC' } });
      const { publicKey } = await pushKeys(source);
      return {
        publicKey,
        devices: devices.map((d) => ({ id: d.id, endpoint: d.endpoint, device: d.device, madeAt: d.madeAt.toISOString() })),
      };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/push',
      request: jsonBody(newPushDevice),
      responses: answers(done, 'This device is told from now on'),
    }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      requireOutside(body.endpoint, config.privateStations);
      const { personId, outfitId } = who;
      const sessionId = c.get('sessionId');
      const mine = await entities.findBy(PushDeviceEntity, { personId });
      const known = mine.find((d) => d.endpoint === body.endpoint || d.id === body.id);
      if (!known && mine.length >= MOST_DEVICES)
        throw new Problem('invalid', `${MOST_DEVICES} devices are told already: take one away first`, [
          { field: 'endpoint', message: 'one too many' },
        ]);
      const device = (c.req.header('User-Agent') ?? '').slice(0, 300);
      if (known)
        await entities.update(PushDeviceEntity, { id: known.id, personId }, { p256dh: body.p256dh, auth: body.auth, device, sessionId });
      else {
        await entities.insert(PushDeviceEntity, { ...body, outfitId, personId, sessionId, device, madeAt: new Date(clock.now()) });
        await audit(entities, who, clock.now(), 'add device to tell', 'person', personId, { id: body.id });
      }
      return { ok: true as const };
    },
    { maxBytes: 4096 },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/push/{id}/remove',
      request: { params: byId },
      responses: answers(done, 'It is told no more'),
    }),
    async (c) => {
      const [entities, { personId }] = [c.get('entities'), c.get('who')];
      const own = { id: c.req.valid('param').id, personId };
      found(await entities.findOneBy(PushDeviceEntity, own), 'device');
      await entities.delete(PushDeviceEntity, own);
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/push/{id}/try',
      request: { params: byId },
      responses: answers(done, 'A notice is on its way to it'),
    }),
    async (c) => {
      const [entities, { personId, outfitId }] = [c.get('entities'), c.get('who')];
      const device = found(await entities.findOneBy(PushDeviceEntity, { id: c.req.valid('param').id, personId }), 'device');
      await jobs.send(entities, 'push', { kind: 'try', outfitId, deviceId: device.id });
      return { ok: true as const };
    },
  );
  return app;
}

/** An address that a notice may be sent to. */
function requireOutside(endpoint: string, allowPrivate: boolean): void {
  try {
    const at = readAddress(endpoint);
    if (at.protocol !== 'https:' && !allowPrivate) throw new Error('notices go by https alone');
    const refused = refusedHost(at.hostname, allowPrivate);
    if (refused) throw refused;
  } catch (error) {
    const { message } = error as Error;
    throw new Problem('invalid', `endpoint: ${message}`, [{ field: 'endpoint', message }]);
  }
}
