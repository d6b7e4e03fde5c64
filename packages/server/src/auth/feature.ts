import { InvitationEntity } from '../db/entities/people';
import { KnownDeviceEntity, PasskeyEntity, RecoveryCodeEntity, SecondFactorEntity, SessionEntity } from '../db/entities/waysIn';
import { feature } from '../feature';
import { passkeyRoutes } from './passkeyRoutes';
import { authRoutes } from './routes';
import { secondFactorRoutes } from './secondFactorRoutes';

export const auth = feature({
  routes: [authRoutes, secondFactorRoutes, passkeyRoutes],
  entities: [InvitationEntity, KnownDeviceEntity, SessionEntity, SecondFactorEntity, RecoveryCodeEntity, PasskeyEntity],
});
