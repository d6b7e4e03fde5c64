// A stop in which everything happens that can be entered on deck, and what the database must hold of it afterwards.
import { randomUUID } from 'node:crypto';

const STEP_MS = 5000;

/** @returns Entries in their order, and rows as they must be when all of them were taken once. */
export function everyKind(trip, atMs) {
  const [stopId, entries] = [randomUUID(), []];
  const [sets, fish, signs, outs, ways, ticks] = [new Map(), new Map(), new Map(), new Map(), new Map(), new Map()];
  let now = atMs;
  const iso = (ms) => new Date(ms).toISOString();
  const say = (kind, body) => {
    entries.push({ kind, entryId: randomUUID(), at: iso(now), ...body });
    now += STEP_MS;
    return entries.at(-1);
  };
  const open = (rods) => {
    const id = randomUUID();
    sets.set(id, { rods, from: now, to: null });
    return { id, presentationId: trip.presentation, rods };
  };
  const close = (ids) => {
    for (const id of ids) sets.get(id).to ??= now;
  };
  const running = () => [...sets].filter(([, s]) => s.to === null).map(([id]) => id);
  const land = (outcome, lengthMm) => {
    const catchId = randomUUID();
    const [setId] = running();
    fish.set(catchId, { setId, at: now, outcome, lengthMm, kept: false, more: {}, gone: false });
    const speciesId = outcome === 'landed' ? trip.species : null;
    say('catch', { catchId, setId, speciesId, clientId: null, lengthMm, lengthKind: 'total', outcome, kept: false });
    return catchId;
  };

  say('depart', { done: ['fire'], left: [], signedBy: 'Drill', dueAt: iso(trip.startMs + 20 * 3_600_000), ashore: '' });
  say('trial', { trial: { what: 'leader', arms: ['6 kg', '9.5 kg'] } });
  say('rest', { legs: null });
  say('start-stop', { stopId, spotId: trip.spot, sets: [open(1), open(2)] });
  for (let round = 0; round < 6; round++) {
    const told = land('landed', 300 + round);
    fish.get(told).lengthMm = 320 + round;
    fish.get(told).kept = true;
    fish.get(told).more = { hook: 'lip', depthM: 4 + round };
    // An earlier word that comes later does not hold.
    const later = now + 3 * STEP_MS;
    say('tell-catch', { catchId: told, told: { lengthMm: 320 + round, kept: true, hook: 'lip', depthM: 4 + round } }).at = iso(later);
    say('tell-catch', { catchId: told, told: { lengthMm: 111, hook: 'deep' } });
    land('missed', null);
    const undone = land('lost', null);
    fish.get(undone).gone = true;
    say('undo-catch', { catchId: undone });
    const sightingId = randomUUID();
    signs.set(sightingId, { at: now, depthM: 6.5 });
    const place = { lat: 47.6, lon: -35.2 };
    say('sighting', { sightingId, spotId: null, what: 'marks', note: '', depthM: 6.5, relation: 'tight', place, side: 'deep' });
    const points = [0, 1, 2].map((k) => ({ lat: 47.6 + k / 1e4, lon: -35.2, atMs: now + k }));
    ways.set(say('track', { stopId, points }).entryId, points.length);
    const [endSetId] = running();
    close([endSetId]);
    say('switch-set', { stopId, endSetId, set: open(1) });
    const key = `drill ${randomUUID()}`;
    ticks.set(key, round % 2 === 0);
    say('tick', { key, done: round % 2 === 0 });
    const disturbanceId = randomUUID();
    outs.set(disturbanceId, { from: now, to: now + STEP_MS });
    close(running());
    say('lines-out', { stopId, disturbanceId, what: 'weed' });
    say('lines-in', { stopId, disturbanceId, sets: [open(1), open(2)] });
  }
  close(running());
  say('end-stop', { stopId });
  return { entries, stopId, sets, fish, signs, outs, ways, ticks };
}

/** What of the stops is not in the database as it must be, each in a line. */
export async function faultsOf(client, stops) {
  const faults = [];
  const ask = async (sql, keys) => new Map((await client.query(sql, [keys])).rows.map((r) => [r.id, r]));
  const hold = (what, wanted, found, same) => {
    for (const [id, w] of wanted) {
      const row = found.get(id);
      if (!row) faults.push(`${what} ${id} is lost`);
      else if (!same(w, row)) faults.push(`${what} ${id} is not as it was entered: ${JSON.stringify(row)}`);
    }
  };
  const of = (part) => stops.flatMap((s) => [...s[part]]);
  const keys = (part) => of(part).map(([id]) => id);
  const stopIds = stops.map((s) => s.stopId);
  const sets = await ask('select id, rods, started_at, ended_at from "set" where stop_id = any($1)', stopIds);
  hold('set', of('sets'), sets, (w, r) => r.rods === w.rods && +r.started_at === w.from && +r.ended_at === w.to);
  const fish = await ask(
    `select k.id, set_id, at, outcome, length_mm, kept, more, deleted_at from "catch" k join "set" s on s.id = k.set_id where s.stop_id = any($1)`,
    stopIds,
  );
  const sameMore = (a, b) => Object.keys({ ...a, ...b }).every((k) => a[k] === b[k]);
  hold(
    'fish',
    of('fish'),
    fish,
    (w, r) =>
      r.set_id === w.setId &&
      +r.at === w.at &&
      r.outcome === w.outcome &&
      r.length_mm === w.lengthMm &&
      r.kept === w.kept &&
      (r.deleted_at !== null) === w.gone &&
      sameMore(w.more, r.more),
  );
  const signs = await ask('select id, at, depth_m from sighting where id = any($1)', keys('signs'));
  hold('sign', of('signs'), signs, (w, r) => +r.at === w.at && r.depth_m === w.depthM);
  const outs = await ask('select id, from_at, to_at from disturbance where stop_id = any($1)', stopIds);
  hold('time without lines', of('outs'), outs, (w, r) => +r.from_at === w.from && +r.to_at === w.to);
  const ways = await ask('select entry_id as id, jsonb_array_length(points) as n from track_part where stop_id = any($1)', stopIds);
  hold('part of a way', of('ways'), ways, (w, r) => r.n === w);
  const ticks = await ask('select key as id, done from rig_tick where key = any($1)', keys('ticks'));
  hold('tick', of('ticks'), ticks, (w, r) => r.done === w);
  for (const [part, found] of [
    ['sets', sets],
    ['fish', fish],
    ['outs', outs],
    ['ways', ways],
  ])
    if (found.size !== of(part).length) faults.push(`${found.size} ${part} are there of ${of(part).length} that were entered`);
  return faults;
}
