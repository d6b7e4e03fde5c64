import { AuditEntity, AwayEntity, OutfitEntity, PaperEntity, PersonEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { paperRoutes } from './paperRoutes';
import { peopleRoutes } from './peopleRoutes';
import { crewRoutes } from './routes';

export const crew = feature({
  routes: [crewRoutes, peopleRoutes, paperRoutes],
  entities: [AuditEntity, OutfitEntity, PersonEntity, PaperEntity, AwayEntity],
});
