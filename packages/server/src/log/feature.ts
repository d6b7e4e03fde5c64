import { feature } from '../feature';
import { logRoutes } from './routes';

export const log = feature({ routes: [logRoutes] });
