import { BriefEntity, BriefReadEntity, BriefWordEntity } from '../db/entities/brief';
import { feature } from '../feature';
import { briefRoutes } from './routes';

export const brief = feature({ routes: [briefRoutes], entities: [BriefEntity, BriefReadEntity, BriefWordEntity] });
