import { AuditEntity, OutfitEntity, PersonEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { peopleRoutes } from './peopleRoutes';
import { crewRoutes } from './routes';

export const crew = feature({ routes: [crewRoutes, peopleRoutes], entities: [AuditEntity, OutfitEntity, PersonEntity] });
