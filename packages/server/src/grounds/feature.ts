import { DismissalEntity, FeatureEntity, SpeciesEntity, SpotEntity, SurveyEntity } from '../db/entities/grounds';
import { ChartLayerEntity } from '../db/entities/water';
import { feature } from '../feature';
import { chartRoutes } from './chartRoutes';
import { groundsRoutes } from './routes';
import { spotRoutes } from './spotRoutes';

export const grounds = feature({
  routes: [chartRoutes, groundsRoutes, spotRoutes],
  entities: [DismissalEntity, FeatureEntity, SpeciesEntity, SpotEntity, SurveyEntity, ChartLayerEntity],
});
