import { NoticeEntity } from '../db/entities/notice';
import { PushDeviceEntity } from '../db/entities/waysIn';
import { feature } from '../feature';
import { pushRoutes } from './routes';

export const push = feature({ routes: [pushRoutes], entities: [NoticeEntity, PushDeviceEntity] });
