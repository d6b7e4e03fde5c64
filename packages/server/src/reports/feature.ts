import { ReportEntity, ReportLookEntity } from '../db/entities/day';
import { feature } from '../feature';
import { lookRoutes } from './lookRoutes';
import { reportRoutes } from './routes';

export const reports = feature({ routes: [reportRoutes, lookRoutes], entities: [ReportEntity, ReportLookEntity] });
