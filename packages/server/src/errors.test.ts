import { describe, expect, it } from 'vitest';
import { readConfig } from './config';
import { errorCodes, Problem, problemOfDatabase } from './errors';

describe('the catalogue of errors', () => {
  it('has a remedy and a client or server status for every code', () => {
    for (const e of errorCodes) {
      expect(e.status, e.code).toBeGreaterThanOrEqual(400);
      expect(e.remedy.length, e.code).toBeGreaterThan(10);
      expect(new Problem(e.code as 'invalid').body()).toMatchObject({ code: e.code, status: e.status, title: e.title });
    }
  });
  it('knows the refusals of the database that a client can cause, and no others', () => {
    expect(problemOfDatabase({ driverError: { code: '23P01', constraint: 'trip_boat_once' } })?.code).toBe('boat_taken');
    expect(problemOfDatabase({ driverError: { code: '22021' } })?.code).toBe('invalid');
    // The database is stopping, or a limit of time was reached: try again soon.
    expect(problemOfDatabase({ code: '57P01' })).toMatchObject({ code: 'busy', retryAfterS: 2 });
    expect(problemOfDatabase({ driverError: { code: '57014' } })?.code).toBe('busy');
    expect(problemOfDatabase({ code: '42P01' })).toBeNull();
    expect(problemOfDatabase(new Error('x'))).toBeNull();
  });
});

describe('the environment', () => {
  it('names each wrong value and what is allowed', () => {
    expect(() => readConfig({ DATABASE_URL: 'mysql://x', PORT: '99999' })).toThrow(/DATABASE_URL: .*\n.*PORT: .*65535/);
  });
  it('has defaults for a loopback server', () => {
    expect(readConfig({ DATABASE_URL: 'postgres://u:p@127.0.0.1:5432/x' })).toMatchObject({ port: 8080, host: '127.0.0.1', demo: false });
  });
});
