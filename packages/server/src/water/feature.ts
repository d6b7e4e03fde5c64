import { ForecastEntity, ForecastMemberEntity, InstrumentEntity, ReadingEntity, StationEntity, WaterEntity } from '../db/entities/water';
import { feature } from '../feature';
import { waterRoutes } from './routes';

export const water = feature({
  routes: [waterRoutes],
  entities: [ForecastEntity, ForecastMemberEntity, InstrumentEntity, ReadingEntity, StationEntity, WaterEntity],
});
