import { feature } from '../feature';
import { comparisonRoutes } from './comparisonRoutes';
import { LogMergedEntity, LogMergeEntity } from '../db/entities/logMerge';
import { FishedEntity } from '../db/entities/views';
import { logEntryRoutes } from './entryRoutes';
import { logExport } from './exportRoutes';
import { logRatesRoutes } from './ratesRoutes';
import { logRoutes } from './routes';

export const log = feature({
  routes: [logRoutes, logEntryRoutes, logRatesRoutes, comparisonRoutes, logExport],
  entities: [FishedEntity, LogMergeEntity, LogMergedEntity],
});
