// Speaks to a station over HTTP. What it says is parsed before anything is stored.
import { z } from 'zod';

const readings = z.object({
  station: z.string(),
  readings: z.array(z.object({ at: z.iso.datetime({ offset: true }), variable: z.string().max(40), value: z.number() })).max(200_000),
});

const forecastRun = z.object({
  station: z.string(),
  run: z.iso.datetime({ offset: true }),
  times: z.array(z.iso.datetime({ offset: true })).max(1000),
  members: z.array(z.object({ member: z.int().nonnegative(), variables: z.record(z.string().max(40), z.array(z.number())) })).max(100),
});

const PATIENCE_MS = 20_000;

/** Reads a station. Each call throws an Error in plain words when it is silent, refuses, or talks nonsense. */
export function stationClient(baseUrl: string) {
  async function get<T>(path: string, query: Record<string, string>, schema: z.ZodType<T>): Promise<T> {
    const url = `${baseUrl}/${path}?${new URLSearchParams(query)}`;
    let body: unknown;
    try {
      const response = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS) });
      if (!response.ok) throw new Error(`answered ${response.status}`);
      body = await response.json();
    } catch (error) {
      throw new Error(`station ${path}: ${(error as Error).message}`);
    }
    const parsed = schema.safeParse(body);
    if (!parsed.success) {
      const issue = parsed.error.issues[0];
      throw new Error(`station ${path}: its answer is not usable at ${issue?.path.join('.')}: ${issue?.message}`);
    }
    return parsed.data;
  }
  return {
    readings: (path: string, fromMs: number, toMs: number) =>
      get(`${path}/readings`, { from: new Date(fromMs).toISOString(), to: new Date(toMs).toISOString() }, readings),
    forecast: (path: string, runMs: number) => get(`${path}/forecast`, { run: new Date(runMs).toISOString() }, forecastRun),
  };
}
export type StationClient = ReturnType<typeof stationClient>;
