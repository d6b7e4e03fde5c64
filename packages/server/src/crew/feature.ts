import { AuditEntity, OutfitEntity, PersonEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { crewRoutes } from './routes';

export const crew = feature({ routes: [crewRoutes], entities: [AuditEntity, OutfitEntity, PersonEntity] });
