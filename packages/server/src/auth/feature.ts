import { KnownDeviceEntity, SessionEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { authRoutes } from './routes';

export const auth = feature({ routes: [authRoutes], entities: [KnownDeviceEntity, SessionEntity] });
