import { DismissalEntity, FeatureEntity, FeedingEntity, SpotEntity, SurveyEntity } from '../db/entities/grounds';
import { SpeciesEntity } from '../db/entities/fish';
import { ChartLayerEntity, PictureEntity } from '../db/entities/water';
import { feature } from '../feature';
import { chartRoutes } from './chartRoutes';
import { feedRoutes } from './feedRoutes';
import { pictureRoutes } from './pictureRoutes';
import { groundsRoutes } from './routes';
import { speciesRoutes } from './speciesRoutes';
import { spotRoutes } from './spotRoutes';
import { waterRoutes } from './waterRoutes';

export const grounds = feature({
  routes: [waterRoutes, speciesRoutes, chartRoutes, groundsRoutes, spotRoutes, feedRoutes, pictureRoutes],
  entities: [DismissalEntity, FeatureEntity, FeedingEntity, SpeciesEntity, SpotEntity, SurveyEntity, ChartLayerEntity, PictureEntity],
});
