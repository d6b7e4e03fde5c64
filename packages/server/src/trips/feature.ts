import { BoatEntity, RefillEntity } from '../db/entities/boats';
import { CalendarAddressEntity } from '../db/entities/people';
import { ClientEntity } from '../db/entities/clients';
import { PartyEntity, TripEntity, TripMateEntity, TripSpeciesEntity } from '../db/entities/trip';
import { DownForEntity } from '../db/entities/views';
import { feature } from '../feature';
import { boatRoutes } from './boatRoutes';
import { bookingRoutes } from './bookingRoutes';
import { calendarAddressRoutes } from './calendarFeed';
import { clientRoutes } from './clientRoutes';
import { fitRoutes } from './fitRoutes';
import { mateRoutes } from './mateRoutes';
import { riskRoutes } from './riskRoutes';
import { tripRoutes } from './routes';

export const trips = feature({
  routes: [boatRoutes, bookingRoutes, calendarAddressRoutes, clientRoutes, fitRoutes, mateRoutes, riskRoutes, tripRoutes],
  entities: [
    BoatEntity,
    CalendarAddressEntity,
    ClientEntity,
    DownForEntity,
    RefillEntity,
    PartyEntity,
    TripEntity,
    TripMateEntity,
    TripSpeciesEntity,
  ],
});
