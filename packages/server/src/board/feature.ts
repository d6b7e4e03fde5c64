import { feature } from '../feature';
import { boardRoutes } from './routes';

export const board = feature({ routes: [boardRoutes] });
