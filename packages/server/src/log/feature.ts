import { feature } from '../feature';
import { logExport } from './exportRoutes';
import { logRatesRoutes } from './ratesRoutes';
import { logRoutes } from './routes';

export const log = feature({ routes: [logRoutes, logRatesRoutes, logExport] });
