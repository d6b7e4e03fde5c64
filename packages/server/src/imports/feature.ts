import { ImportEntity } from '../db/entities/water';
import { feature } from '../feature';
import { importRoutes } from './routes';

export const imports = feature({ routes: [importRoutes], entities: [ImportEntity] });
