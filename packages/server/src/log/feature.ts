import { feature } from '../feature';
import { comparisonRoutes } from './comparisonRoutes';
import { logExport } from './exportRoutes';
import { logRatesRoutes } from './ratesRoutes';
import { logRoutes } from './routes';

export const log = feature({ routes: [logRoutes, logRatesRoutes, comparisonRoutes, logExport] });
