import { AuditEntity, OutfitEntity } from '../db/entities/outfit';
import { AwayEntity, PaperEntity, PersonEntity } from '../db/entities/people';
import { feature } from '../feature';
import { paperRoutes } from './paperRoutes';
import { peopleRoutes } from './peopleRoutes';
import { crewRoutes } from './routes';

export const crew = feature({
  routes: [crewRoutes, peopleRoutes, paperRoutes],
  entities: [AuditEntity, OutfitEntity, PersonEntity, PaperEntity, AwayEntity],
});
