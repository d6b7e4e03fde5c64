import { CatchToldEntity, DepartureEntity, DisturbanceEntity, TrackPartEntity, TrialEntity, TripRestEntity } from '../db/entities/day';
import { CatchEntity, SetEntity, SightingEntity, StopEntity } from '../db/entities/log';
import { feature } from '../feature';
import { deckRoutes } from './routes';

export const deck = feature({
  routes: [deckRoutes],
  entities: [
    CatchEntity,
    CatchToldEntity,
    DepartureEntity,
    DisturbanceEntity,
    SetEntity,
    SightingEntity,
    StopEntity,
    TrackPartEntity,
    TrialEntity,
    TripRestEntity,
  ],
});
