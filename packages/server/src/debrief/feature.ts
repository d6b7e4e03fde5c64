import { DebriefEntity } from '../db/entities/day';
import { feature } from '../feature';
import { debriefRoutes } from './routes';

export const debrief = feature({ routes: [debriefRoutes], entities: [DebriefEntity] });
