import { LegEntity, PlanEntity } from '../db/entities/plan';
import { PlanNowEntity } from '../db/entities/views';
import { feature } from '../feature';
import { planRoutes } from './routes';

export const plan = feature({ routes: [planRoutes], entities: [LegEntity, PlanEntity, PlanNowEntity] });
