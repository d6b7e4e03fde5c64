import { ForecastEntity, ForecastMemberEntity, InstrumentEntity, ReadingEntity, StationEntity, WaterEntity } from '../db/entities/water';
import { feature } from '../feature';
import { instrumentRoutes } from './instrumentRoutes';
import { waterRoutes } from './routes';
import { stationRoutes } from './stationRoutes';

export const water = feature({
  routes: [waterRoutes, stationRoutes, instrumentRoutes],
  entities: [ForecastEntity, ForecastMemberEntity, InstrumentEntity, ReadingEntity, StationEntity, WaterEntity],
});
