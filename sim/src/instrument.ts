// A boat's instruments as a small TCP server: NMEA 0183 along a drift, with the faults that real ones have: garbled lines,
// spikes of depth, seconds of silence. It keeps the time that it is told.
import { createServer } from 'node:net';
import { nmeaSentence } from '@bluffwind/core/formats/nmea';
import { toPosition } from '@bluffwind/core/ground/seaBed';
import { tideModel } from '@bluffwind/core/tide/tideModel';
import { GROUND, soundedDepth } from './geography';
import { noise1 } from './noise';
import { SOUND_TIDE, surgeAt, waterTempAt, weatherAt } from './weather';

const KNOT = 1852 / 3600;
const TRANSDUCER_M = 0.3;
const tide = tideModel(SOUND_TIDE.constants, SOUND_TIDE.z0M);

/** Place on the drift at an instant: along the Long bank and back, m east and north of the grid's corner. */
function driftAt(at: number): { x: number; y: number } {
  const metres = ((at / 1000) * 0.6) % 2400;
  const along = metres < 1200 ? metres : 2400 - metres;
  return { x: 3600 + along, y: 2300 + 25 * Math.sin(along / 90) };
}

/** Sentences of one second; a garbled line now and then. */
export function sentencesAt(at: number): string[] {
  const second = Math.floor(at / 1000);
  // Silence of some seconds.
  if (noise1(second / 25, 401) > 0.93) return [];
  const { x, y } = driftAt(at);
  const p = toPosition(GROUND.sound.bed, x, y);
  const d = new Date(at);
  const two = (n: number) => String(n).padStart(2, '0');
  const time = `${two(d.getUTCHours())}${two(d.getUTCMinutes())}${two(d.getUTCSeconds())}.00`;
  const date = `${two(d.getUTCDate())}${two(d.getUTCMonth() + 1)}${two(d.getUTCFullYear() % 100)}`;
  const angle = (v: number, digits: number) => {
    const whole = Math.floor(Math.abs(v));
    return `${String(whole).padStart(digits, '0')}${((Math.abs(v) - whole) * 60).toFixed(4).padStart(7, '0')}`;
  };
  const spike = noise1(second * 1.7, 402) > 0.985 ? 40 : 0;
  const depth = Math.max(0.2, soundedDepth(x, y) + tide.heightAt(at) + surgeAt(at) - TRANSDUCER_M + 0.03 * noise1(second, 403)) + spike;
  const w = weatherAt(at);
  const lines = [
    nmeaSentence(
      `GPRMC,${time},A,${angle(p.lat, 2)},${p.lat >= 0 ? 'N' : 'S'},${angle(p.lon, 3)},${p.lon >= 0 ? 'E' : 'W'},1.2,090.0,${date},,`,
    ),
    nmeaSentence(`SDDPT,${depth.toFixed(2)},${TRANSDUCER_M.toFixed(2)}`),
    ...(second % 5 === 0 ? [nmeaSentence(`IIMTW,${(waterTempAt('sound', at) + 0.1 * noise1(second / 60, 404)).toFixed(1)},C`)] : []),
    ...(second % 3 === 0
      ? [nmeaSentence(`WIMWD,${w.windFromDeg.toFixed(1)},T,,M,${(w.windMps / KNOT).toFixed(1)},N,${w.windMps.toFixed(1)},M`)]
      : []),
  ];
  return noise1(second * 2.3, 405) > 0.97 ? lines.map((l) => l.replace(',', ';')) : lines;
}

/** Serves the instrument on a free loopback port. @param startMs - What its clock shows at first, Unix ms. */
export function startInstrument(startMs: number, port = 0): void {
  const offset = startMs - Date.now();
  const server = createServer((socket) => {
    const timer = setInterval(() => {
      for (const line of sentencesAt(Date.now() + offset)) socket.write(line);
    }, 1000);
    socket.on('error', () => socket.destroy());
    socket.on('close', () => clearInterval(timer));
  });
  server.listen(port, '127.0.0.1', () => {
    const address = server.address();
    if (address && typeof address === 'object') process.stdout.write(`listening on 127.0.0.1:${address.port}\n`);
  });
}
