import { PhotoEntity } from '../db/entities/day';
import { feature } from '../feature';
import { photoRoutes } from './routes';

export const photos = feature({ routes: [photoRoutes], entities: [PhotoEntity] });
