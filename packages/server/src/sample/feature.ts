import { SampleEntity } from '../db/entities/outfit';
import { feature } from '../feature';
import { sampleRoutes } from './routes';

export const sample = feature({ routes: [sampleRoutes], entities: [SampleEntity] });
