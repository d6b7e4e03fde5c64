import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { feature } from '../feature';
import { presentationRoutes } from './routes';

export const presentations = feature({ routes: [presentationRoutes], entities: [FamilyEntity, PresentationEntity] });
