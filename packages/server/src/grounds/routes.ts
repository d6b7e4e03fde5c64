import { spotView } from '@bluffwind/contract/grounds';
import { id } from '@bluffwind/contract/ids';
import { outfitView } from '@bluffwind/contract/outfit';
import { createRoute, z } from '@hono/zod-openapi';
import { PresentationEntity, type SpotRow, SpeciesEntity, SpotEntity } from '../db/entities/grounds';
import { BoatEntity, ClientEntity, PersonEntity } from '../db/entities/outfit';
import { WaterEntity } from '../db/entities/water';
import { type Deps, router } from '../http/context';
import { answers } from '../http/responses';

/** What the outfit has (boats, crew, waters, species, presentations, clients) and its spots. */
export function groundsRoutes(_deps: Deps) {
  const app = router();
  app.openapi(createRoute({ method: 'get', path: '/outfit', responses: answers(outfitView, 'Lists of the outfit') }), async (c) => {
    const entities = c.get('entities');
    const waters = await entities.find(WaterEntity);
    // The water with the most spots comes first: it is the one the crew works on.
    const counts: { water_id: string; n: number }[] = await entities.query(
      'select water_id, count(*)::int as n from spot group by water_id',
    );
    const spotsOf = (waterId: string) => counts.find((x) => x.water_id === waterId)?.n ?? 0;
    waters.sort((x, y) => spotsOf(y.id) - spotsOf(x.id) || x.name.localeCompare(y.name));
    return c.json(
      {
        boats: await entities.find(BoatEntity, { order: { seats: 'DESC' } }),
        crew: await entities.find(PersonEntity, { where: { active: true }, order: { name: 'ASC' } }),
        waters: waters.map(({ tide, ...w }) => ({ ...w, tidal: tide !== null })),
        species: await entities.find(SpeciesEntity, { order: { name: 'ASC' } }),
        presentations: await entities.find(PresentationEntity, { where: { active: true }, order: { name: 'ASC' } }),
        clients: await entities.find(ClientEntity, { order: { name: 'ASC' } }),
      },
      200,
    );
  });
  app.openapi(
    createRoute({
      method: 'get',
      path: '/waters/{id}/spots',
      request: { params: z.object({ id }) },
      responses: answers(z.array(spotView), 'Spots with their totals'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const spots = await entities.find(SpotEntity, { where: { waterId: c.req.valid('param').id }, order: { name: 'ASC' } });
      const totals: { spot_id: string; fish: number; hours: number }[] = await entities.query(
        `select st.spot_id, sum(x.fish)::int as fish, sum(x.hours) as hours from stop st join (
           select s.stop_id, s.rods * extract(epoch from s.ended_at - s.started_at) / 3600 as hours,
             (select count(*) from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) as fish
           from "set" s where s.ended_at is not null) x on x.stop_id = st.id
         where st.deleted_at is null group by st.spot_id`,
      );
      const visible = spots.filter((s) => mayShow(s, c.get('who').role));
      return c.json(
        visible.map((s) => {
          const t = totals.find((x) => x.spot_id === s.id);
          return { ...s, fish: t?.fish ?? 0, rodHours: Number(t?.hours ?? 0) };
        }),
        200,
      );
    },
  );
  return app;
}

/** Captains' spots are not shown to mates. */
export function mayShow(spot: Pick<SpotRow, 'privacy'>, role: string): boolean {
  return spot.privacy === 'crew' || role !== 'mate';
}
