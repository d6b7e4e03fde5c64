import { RuleEntity } from '../db/entities/grounds';
import { feature } from '../feature';

export const rules = feature({ entities: [RuleEntity] });
