// Figures for those who watch a server, in the text format of Prometheus; on a port of their own, which nobody outside needs to reach.
import { createServer, type Server } from 'node:http';
import type { MiddlewareHandler } from 'hono';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import type { DataSource } from 'typeorm';

export interface Metrics {
  /** Counts requests and how long they took. */
  readonly watch: MiddlewareHandler;
  readonly server: Server;
}

/** Serves the figures on a port. @param host - Address to listen on. */
export function serveMetrics(source: DataSource, port: number, host: string): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const requests = new Counter({
    name: 'bluffwind_requests_total',
    help: 'Requests by method and status',
    labelNames: ['method', 'status'] as const,
    registers: [registry],
  });
  const seconds = new Histogram({
    name: 'bluffwind_request_seconds',
    help: 'Seconds from a request to its answer',
    labelNames: ['method'] as const,
    buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10],
    registers: [registry],
  });
  const pool = (source.driver as unknown as { master: { totalCount: number; idleCount: number; waitingCount: number } }).master;
  new Gauge({
    name: 'bluffwind_database_connections',
    help: 'Connections of the pool: all, idle, and requests that wait for one',
    labelNames: ['state'] as const,
    registers: [registry],
    collect() {
      this.set({ state: 'all' }, pool.totalCount);
      this.set({ state: 'idle' }, pool.idleCount);
      this.set({ state: 'waited for' }, pool.waitingCount);
    },
  });
  const server = createServer(async (req, res) => {
    if (req.url !== '/metrics') return void res.writeHead(404).end();
    res.writeHead(200, { 'Content-Type': registry.contentType }).end(await registry.metrics());
  }).listen(port, host);
  return {
    server,
    watch: async (c, next) => {
      const from = performance.now();
      await next();
      requests.inc({ method: c.req.method, status: String(c.res.status) });
      seconds.observe({ method: c.req.method }, (performance.now() - from) / 1000);
    },
  };
}
