import { InvitationEntity, KnownDeviceEntity, RecoveryCodeEntity, SecondFactorEntity, SessionEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { authRoutes } from './routes';
import { secondFactorRoutes } from './secondFactorRoutes';

export const auth = feature({
  routes: [authRoutes, secondFactorRoutes],
  entities: [InvitationEntity, KnownDeviceEntity, SessionEntity, SecondFactorEntity, RecoveryCodeEntity],
});
