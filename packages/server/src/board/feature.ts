import { feature } from '../feature';
import { beginningsRoutes } from './beginningsRoutes';
import { boardRoutes } from './routes';

export const board = feature({ routes: [boardRoutes, beginningsRoutes] });
