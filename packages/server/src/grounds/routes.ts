import { outfitView } from '@bluffwind/contract/outfit';
import { createRoute } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { PresentationEntity } from '../db/entities/baits';
import { SpeciesEntity } from '../db/entities/fish';
import { SpotEntity } from '../db/entities/grounds';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { WaterEntity } from '../db/entities/water';
import { type Deps, found } from '../http/context';
import { router } from '../http/routes';
import { answers } from '../http/responses';

/** What the outfit has: boats, crew, waters, species, presentations, clients. */
export function groundsRoutes(_deps: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/outfit', responses: answers(outfitView, 'Lists of the outfit') }),
    async (c) => {
      const entities = c.get('entities');
      const waters = await entities.find(WaterEntity, { where: { retiredAt: IsNull() } });
      // The water with the most spots comes first: it is the one the crew works on.
      const counts = await entities
        .createQueryBuilder(SpotEntity, 's')
        .select('s.waterId', 'waterId')
        .addSelect('count(*)::int', 'n')
        .where({ retiredAt: IsNull() })
        .groupBy('s.waterId')
        .getRawMany<{ waterId: string; n: number }>();
      const spotsOf = (waterId: string) => counts.find((x) => x.waterId === waterId)?.n ?? 0;
      waters.sort((x, y) => spotsOf(y.id) - spotsOf(x.id) || x.name.localeCompare(y.name));
      // Cut to what the screens ask for: whole rows hold what only some may read.
      const { newSpots } = found(await entities.findOneBy(OutfitEntity, { id: c.get('who').outfitId }), 'outfit');
      return outfitView.parse({
        newSpots,
        boats: await entities.find(BoatEntity, { where: { retiredAt: IsNull() }, order: { seats: 'DESC' } }),
        crew: await entities.find(PersonEntity, { where: { active: true }, order: { name: 'ASC' } }),
        waters: waters.map(({ tide, currents: _, ...w }) => ({ ...w, tidal: tide !== null })),
        species: await entities.find(SpeciesEntity, { where: { retiredAt: IsNull() }, order: { name: 'ASC' } }),
        presentations: await entities.find(PresentationEntity, { where: { active: true }, order: { name: 'ASC' } }),
        clients: await entities.find(ClientEntity, { where: { retiredAt: IsNull() }, order: { name: 'ASC' } }),
      });
    },
    { keptMs: 300_000, keptFor: 'outfit', from: ['crew', 'spots', 'waters'] },
  );
  return app;
}
