import { RuleEntity } from '../db/entities/fish';
import { feature } from '../feature';
import { ruleRoutes } from './routes';

export const rules = feature({ routes: [ruleRoutes], entities: [RuleEntity] });
