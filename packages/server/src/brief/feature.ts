import { BriefEntity, BriefReadEntity, BriefWordEntity } from '../db/entities/trip';
import { feature } from '../feature';
import { briefRoutes } from './routes';

export const brief = feature({ routes: [briefRoutes], entities: [BriefEntity, BriefReadEntity, BriefWordEntity] });
