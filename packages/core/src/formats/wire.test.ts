import { createRequire } from 'node:module';
import fc from 'fast-check';
import { parseMetar as theirMetar } from 'metar-taf-parser';
import { describe, expect, it } from 'vitest';
import { parseMetar, readMetars } from './metar';
import { nmeaChecksum, nmeaSentence, parseNmea } from './nmea';
import { NmeaCollector, readNmeaLog } from './nmeaLog';

const { parseNmeaSentence, encodeNmeaPacket } = createRequire(import.meta.url)('nmea-simple');

const fact = (line: string) => {
  const p = parseNmea(line);
  if ('reason' in p) throw new Error(p.reason);
  return p.fact;
};

describe('NMEA 0183', () => {
  it('has the checksums of sentences printed in the tests of nmea-simple', () => {
    for (const line of [
      '$IIDBT,036.41,f,011.10,M,005.99,F*25',
      '$IIGGA,123519,4807.04,N,1131.00,E,1,8,0.9,545.9,M,46.9,M,,*52',
      '$GPGLL,6005.068,N,02332.341,E,095601,A,D*42',
      '$GPRMC,123519,A,4807.038,N,01131.000,E,022.4,084.4,230394,003.1,W*6A',
      '$IIMWV,017,R,02.91,N,A*2F',
      '$GPZDA,160012.71,11,03,2004,-1,00*7D',
    ])
      expect(nmeaChecksum(line.slice(1, -3)), line).toBe(line.slice(-2));
  });
  it('reads position, time, depth and wind as nmea-simple does', () => {
    const rmc = '$GPRMC,123519,A,4807.038,N,01131.000,E,022.4,084.4,230394,003.1,W*6A';
    const theirs = parseNmeaSentence(rmc);
    const ours = fact(rmc);
    expect(ours?.lat).toBeCloseTo(theirs.latitude, 9);
    expect(ours?.lon).toBeCloseTo(theirs.longitude, 9);
    expect(ours?.atMs).toBe(theirs.datetime.getTime());
    expect(ours?.speedMps).toBeCloseTo((theirs.speedKnots * 1852) / 3600, 9);
    const dbt = '$IIDBT,036.41,f,011.10,M,005.99,F*25';
    expect(fact(dbt)?.depthM).toBeCloseTo(parseNmeaSentence(dbt).depthMeters, 9);
    const mwv = '$IIMWV,017,R,02.91,N,A*2F';
    expect(fact(mwv)).toMatchObject({ relative: true, windFromDeg: parseNmeaSentence(mwv).windAngle });
  });
  it('reads what nmea-simple writes, for any position and depth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -89.9, max: 89.9, noNaN: true }),
        fc.double({ min: -179.9, max: 179.9, noNaN: true }),
        fc.double({ min: 0.2, max: 300, noNaN: true }),
        (latitude, longitude, depthMeters) => {
          const gll = encodeNmeaPacket(
            { sentenceId: 'GLL', latitude, longitude, time: new Date(Date.UTC(2026, 5, 18, 10, 20, 30)), status: 'valid', faaMode: 'D' },
            'II',
          );
          const got = parseNmea(gll);
          // It does not carry over 59.999999 minutes, which is then no position.
          if ('fact' in got && got.fact) {
            expect(Math.abs((got.fact.lat ?? 99) - latitude)).toBeLessThan(1e-5);
            expect(Math.abs((got.fact.lon ?? 999) - longitude)).toBeLessThan(1e-5);
          }
          const dpt = encodeNmeaPacket(
            { sentenceId: 'DBT', depthFeet: depthMeters / 0.3048, depthMeters, depthFathoms: depthMeters / 1.8288 },
            'II',
          );
          expect(fact(dpt)?.depthM).toBeCloseTo(depthMeters, 1);
        },
      ),
      { numRuns: 100 },
    );
  });
  it('refuses a bad checksum, a cut line and what is no sentence, each with a remedy', () => {
    for (const [line, reason] of [
      ['$IIDBT,036.41,f,011.10,M,005.99,F*26', /checksum is 26, expected 25/],
      ['$IIDBT,036.41,f,011.1', /checksum is missing/],
      ['hello', /not an NMEA sentence/],
      [`$GP${'A'.repeat(300)}`, /longer than a sentence/],
    ] as const)
      expect(parseNmea(line)).toMatchObject({ reason: expect.stringMatching(reason), remedy: expect.stringMatching(/./) });
  });
  it('takes nothing from a receiver that says it has no fix', () => {
    expect(fact(nmeaSentence('GPRMC,123519,V,4807.038,N,01131.000,E,0,0,230394,,'))).toBeNull();
    expect(fact(nmeaSentence('GPGGA,123519,4807.04,N,01131.00,E,0,0,,,M,,M,,'))).toBeNull();
  });
  it('never throws on garbage', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (s) => {
        parseNmea(s);
        parseNmea(nmeaSentence(`GPRMC,${s.replace(/[*$\r\n]/g, '')}`));
      }),
      { numRuns: 500 },
    );
  });
});

describe('an NMEA log', () => {
  const log = (n: number, drop = -1) =>
    Array.from({ length: n }, (_, i) => {
      const t = `${String(10 + Math.floor(i / 60)).padStart(2, '0')}${String(i % 60).padStart(2, '0')}00`;
      const lines = [
        nmeaSentence(`GPRMC,${t}.00,A,47${(36 + i / 1000).toFixed(3)},N,035${(12 - i / 1000).toFixed(3)},W,1.5,90,180626,,`),
        nmeaSentence(`SDDPT,${(4 + i / 100).toFixed(2)},0.30`),
        nmeaSentence(`IIMTW,${(13 + i / 1000).toFixed(1)},C`),
      ];
      return i === drop ? lines.join('').replace('*', '*F') : lines.join('');
    }).join('');
  it('becomes soundings with position and time, and readings every ten minutes', () => {
    const r = readNmeaLog(log(30));
    expect(r.refused).toEqual([]);
    expect(r.soundings).toHaveLength(30);
    expect(r.soundings[5]).toMatchObject({ soundedM: 4.05, offsetM: 0.3, atMs: Date.UTC(2026, 5, 18, 10, 5) });
    expect(r.readings.filter((x) => x.variable === 'waterTempC')).toHaveLength(3);
  });
  it('lists garbled lines and goes on', () => {
    const r = readNmeaLog(`${log(3)}garbage\n${log(3)}`);
    expect(r.refused).toEqual([expect.objectContaining({ line: 10 })]);
    expect(r.soundings).toHaveLength(6);
  });
  it('gives no depth a position that is minutes old', () => {
    const c = new NmeaCollector();
    c.take(nmeaSentence('GPRMC,100000,A,4736.0,N,03512.0,W,1,90,180626,,'));
    c.take(nmeaSentence('GPZDA,100100,18,06,2026,00,00'));
    c.take(nmeaSentence('SDDPT,5.0,0'));
    expect(c.soundings).toHaveLength(0);
  });
  it('runs past midnight before the date is told anew', () => {
    const c = new NmeaCollector(Date.UTC(2026, 5, 18));
    c.take(nmeaSentence('GPGGA,235959,4736.0,N,03512.0,W,1,8,1,0,M,0,M,,'));
    c.take(nmeaSentence('GPGGA,000001,4736.0,N,03512.0,W,1,8,1,0,M,0,M,,'));
    expect(c.heardAt).toBe(Date.UTC(2026, 5, 19, 0, 0, 1));
  });
});

describe('METAR', () => {
  const near = Date.UTC(2026, 5, 18, 19);
  // Reports in the form of the WMO manual on codes; figures invented.
  const REPORTS = [
    'METAR ABCD 181720Z 22518G29KT 9999 SCT025 BKN060 17/12 Q1009',
    'ABCD 181650Z AUTO VRB02KT 4000 BR OVC006 M02/M04 Q0998 NOSIG',
    'SPECI ABCD 181730Z 23025KT 1 1/2SM +TSRA BKN020CB 15/14 A2982 RMK AO2',
    'ABCD 181700Z 05006MPS CAVOK 21/08 Q1021',
  ];
  it('agrees with metar-taf-parser on wind, temperature and pressure', () => {
    for (const report of REPORTS) {
      const ours = parseMetar(report, near);
      if ('reason' in ours) throw new Error(ours.reason);
      const of = (v: string) => ours.readings.find((r) => r.variable === v)?.value;
      const theirs = theirMetar(report.replace(/^(METAR|SPECI) /, ''));
      const factor = theirs.wind?.unit === 'KT' ? 1852 / 3600 : 1;
      expect(of('windMps'), report).toBeCloseTo((theirs.wind?.speed ?? 0) * factor, 6);
      expect(of('windGustMps') ?? null).toBe(theirs.wind?.gust === undefined ? null : theirs.wind.gust * factor);
      expect(of('windFromDeg') ?? null).toBe(theirs.wind?.degrees ?? null);
      expect(of('airTempC')).toBe(theirs.temperature);
      expect(of('dewPointC')).toBe(theirs.dewPoint);
      const hpa = theirs.altimeter?.unit === 'hPa' ? theirs.altimeter.value : (theirs.altimeter?.value ?? 0) * 33.86389;
      expect(of('pressureHpa')).toBeCloseTo(hpa, 4);
      expect(new Date(ours.atMs).getUTCDate()).toBe(theirs.day);
      expect(new Date(ours.atMs).getUTCMinutes()).toBe(theirs.minute);
    }
  });
  it('reads visibility, cloud and thunder', () => {
    const r = REPORTS.map((t) => parseMetar(t, near));
    const of = (i: number, v: string) => {
      const x = r[i];
      return x && 'readings' in x ? x.readings.find((q) => q.variable === v)?.value : undefined;
    };
    expect([0, 1, 2, 3].map((i) => Math.round(of(i, 'visibilityM') ?? -1))).toEqual([10_000, 4000, 2414, 10_000]);
    expect([0, 1, 2, 3].map((i) => of(i, 'cloud'))).toEqual([0.75, 1, 0.75, 0]);
    expect(r.map((x) => 'thunder' in x && x.thunder)).toEqual([false, false, true, false]);
  });
  it('finds the month from the day nearest to now', () => {
    const r = parseMetar('ABCD 302350Z 00000KT 9999 15/10 Q1010', Date.UTC(2026, 6, 1, 2));
    expect('atMs' in r && new Date(r.atMs).toISOString()).toBe('2026-06-30T23:50:00.000Z');
  });
  it('refuses by line', () => {
    const { readings, refused } = readMetars(`${REPORTS[2]}\nnonsense\n`, near);
    expect(readings.length).toBeGreaterThan(4);
    expect(readings.filter((r) => r.variable === 'thunder')).toHaveLength(1);
    expect(refused).toEqual([expect.objectContaining({ line: 2 })]);
  });
  it('never throws on garbage', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 120 }), (s) => {
        parseMetar(`ABCD 181720Z ${s}`, near);
        parseMetar(s, near);
      }),
    );
  });
});
