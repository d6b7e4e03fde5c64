import { ProgramKeyEntity } from '../db/entities/waysIn';
import { feature } from '../feature';
import { keyRoutes } from './routes';

export const keys = feature({ routes: [keyRoutes], entities: [ProgramKeyEntity] });
