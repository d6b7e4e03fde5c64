import { SIGN_SIDES, type SignSide } from '@bluffwind/contract/signSides';
import { useState } from 'react';
import { v7 } from 'uuid';
import { fromMine, myUnit } from '../data/units';
import { BIG } from './deckParts';
import { DeckSheet } from './DeckSheet';
import { SIGNS, type SignName } from './signNames';
import type { DeckTrip } from './useDeckTrip';

interface SignSheetProps {
  readonly trip: DeckTrip;
  readonly place: { readonly lat: number; readonly lon: number };
  readonly onClose: () => void;
}

const RELATIONS = [
  ['tight', 'Tight to the bottom'],
  ['above', 'Hanging above it'],
] as const;

/** What was seen at a place of the chart: kind, depth, side of what stands there, and how marks lie to the bottom. */
export function SignSheet({ trip, place, onClose }: SignSheetProps) {
  const [what, setWhat] = useState<SignName | null>(null);
  const [relation, setRelation] = useState<'tight' | 'above' | null>(null);
  const [side, setSide] = useState<SignSide | null>(null);
  const [typed, setTyped] = useState('');
  const depth = typed.trim() === '' ? null : Number(typed.replace(',', '.'));
  const depthM = depth === null || Number.isNaN(depth) ? null : fromMine(depth, 'depth');
  const wrong = typed.trim() !== '' && (depthM === null || depthM < 0 || depthM > 500);
  const pick = (on: boolean) => `min-h-[56px] cursor-pointer rounded border px-3 ${on ? 'border-ink bg-ink text-chalk' : 'border-ink'}`;
  const keep = () => {
    if (what === null || wrong) return;
    trip.record({
      kind: 'sighting',
      sightingId: v7(),
      spotId: null,
      what,
      note: '',
      depthM,
      relation: what === 'marks' ? relation : null,
      place: { lat: Number(place.lat.toFixed(6)), lon: Number(place.lon.toFixed(6)) },
      side,
    });
    onClose();
  };
  return (
    <DeckSheet title="What was seen there?" note="It lifts the spots near it for hours to days." above onClose={onClose}>
      <div role="group" aria-label="What" className="mt-2 grid grid-cols-2 gap-2">
        {SIGNS.map(([id, name]) => (
          <button
            key={id}
            type="button"
            aria-pressed={what === id}
            className={`${pick(what === id)} text-left`}
            onClick={() => setWhat(id)}
          >
            {name}
          </button>
        ))}
      </div>
      {what === 'marks' && (
        <div role="group" aria-label="How they lie" className="mt-3 grid grid-cols-2 gap-2">
          {RELATIONS.map(([id, name]) => (
            <button
              key={id}
              type="button"
              aria-pressed={relation === id}
              className={pick(relation === id)}
              onClick={() => setRelation(relation === id ? null : id)}
            >
              {name}
            </button>
          ))}
        </div>
      )}
      <label className="mt-3 flex items-center gap-2">
        <span className="flex-1">How deep, {myUnit('depth')}</span>
        <input
          value={typed}
          inputMode="decimal"
          aria-invalid={wrong}
          onChange={(e) => setTyped(e.target.value)}
          className="num min-h-[56px] w-28 rounded border border-ink bg-paper px-3"
        />
      </label>
      {wrong && (
        <p role="alert" className="text-rust">
          A depth, such as 6.5; leave it open where nobody knows.
        </p>
      )}
      <div role="group" aria-label="On which side" className="mt-3 grid grid-cols-3 gap-2">
        {SIGN_SIDES.map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={side === s}
            className={pick(side === s)}
            onClick={() => setSide(side === s ? null : s)}
          >
            {s}
          </button>
        ))}
      </div>
      <div className="mt-4 grid grid-cols-2 gap-2">
        <button type="button" className={`${BIG} border-ink font-normal`} onClick={onClose}>
          Leave it
        </button>
        <button
          type="button"
          disabled={what === null || wrong}
          className={`${BIG} border-kelp bg-kelp text-on-kelp disabled:opacity-40`}
          onClick={keep}
        >
          Set it
        </button>
      </div>
    </DeckSheet>
  );
}
