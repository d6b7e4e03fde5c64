import { FamilyEntity, PresentationEntity } from '../db/entities/grounds';
import { feature } from '../feature';
import { presentationRoutes } from './routes';

export const presentations = feature({ routes: [presentationRoutes], entities: [FamilyEntity, PresentationEntity] });
