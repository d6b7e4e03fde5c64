import { InvitationEntity, KnownDeviceEntity, SessionEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { authRoutes } from './routes';

export const auth = feature({ routes: [authRoutes], entities: [InvitationEntity, KnownDeviceEntity, SessionEntity] });
