import { ReportEntity } from '../db/entities/day';
import { feature } from '../feature';
import { reportRoutes } from './routes';

export const reports = feature({ routes: [reportRoutes], entities: [ReportEntity] });
