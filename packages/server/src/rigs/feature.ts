import { BaitTrialEntity, GearEntity, RigChoiceEntity, RigTickEntity } from '../db/entities/rigs';
import { feature } from '../feature';
import { gearRoutes } from './gearRoutes';
import { rigRoutes } from './routes';
import { trialRoutes } from './trialRoutes';

export const rigs = feature({
  routes: [gearRoutes, rigRoutes, trialRoutes],
  entities: [BaitTrialEntity, GearEntity, RigChoiceEntity, RigTickEntity],
});
