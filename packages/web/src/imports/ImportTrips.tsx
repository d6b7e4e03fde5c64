import type { OutfitView } from '@bluffwind/contract/outfit';
import { PAST_COLUMNS, type PastColumn, type PastMapping } from '@bluffwind/core/formats/pastTrips';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { spotsQuery } from '../data/queries';
import { Choice } from '../ui/Choice';
import { FIELD } from '../ui/form/fields';
import { DateOrderChoice, ZoneChoice } from './choices';
import { ImportFrame } from './ImportFrame';
import { NameMatches } from './NameMatches';
import { FileFault, RefusedList } from './RefusedList';
import { usePastTrips } from './usePastTrips';
import { useStoreFile } from './useStoreFile';

interface ImportTripsProps {
  readonly outfit: OutfitView;
  readonly zone: string;
  readonly onClose: () => void;
}

const WORDS: Readonly<Record<PastColumn, string>> = {
  date: 'Date',
  from: 'From',
  to: 'To',
  hours: 'Hours',
  spot: 'Place',
  bait: 'Bait',
  species: 'Species',
  fish: 'Fish',
  length: 'Length',
  rods: 'Rods',
  at: 'Fish came at',
};
const LENGTHS = [
  { value: '10', name: 'cm' },
  { value: '1', name: 'mm' },
  { value: '25.4', name: 'inches' },
];
const named = (list: readonly { readonly id: string; readonly name: string }[]) => list.map((x) => ({ value: x.id, name: x.name }));

/** Trips of past years from a spreadsheet: columns, names and effort are settled before anything is stored. */
export function ImportTrips({ outfit, zone, onClose }: ImportTripsProps) {
  const [waterId, setWaterId] = useState(outfit.waters[0]?.id ?? '');
  const spots = useQuery({ ...spotsQuery(waterId), enabled: waterId !== '' });
  const past = usePastTrips(outfit, spots.data ?? [], zone);
  const storing = useStoreFile(waterId, 'trips', onClose);
  const { head, mapping, made } = past;
  const n = made?.trips.length ?? 0;
  const column = (name: PastColumn) => (
    <Choice
      key={name}
      label={WORDS[name]}
      value={String(mapping?.columns[name] ?? -1)}
      options={[{ value: '-1', name: 'none' }, ...(head?.header ?? []).map((h, i) => ({ value: String(i), name: h || `column ${i + 1}` }))]}
      onPick={(v) => mapping && past.map({ ...mapping, columns: { ...mapping.columns, [name]: Number(v) } })}
    />
  );
  const set = (change: Partial<PastMapping>) => mapping && past.map({ ...mapping, ...change });
  return (
    <ImportFrame
      title="Trips of past years"
      note="From a spreadsheet, a line for each bait at a place or for each fish; or from photos, each a fish at the spot where it was taken, while the pictures stay here. Empty times count as much as fish do. Nothing is stored until you say so, and it can be undone whole."
      error={storing.error}
      store={{
        words: `Store ${n > 0 ? `${n} trips` : ''}`,
        ready: n > 0 && !storing.busy,
        onStore: () =>
          made &&
          storing.save({
            body: {
              id: past.key,
              fileName: past.fileName,
              refused: past.refused.length + made.without + made.unmatched,
              boatId: past.boatId,
              captainId: past.captainId,
              trips: made.trips,
            },
            told: `${n} past trips are in the log. The ranking knows them from now on.`,
          }),
      }}
      before={waterId === '' ? null : { waterId, zone, kind: 'trips' }}
      onClose={onClose}
    >
      <div className="flex flex-wrap gap-3">
        <Choice label="Water" value={waterId} options={named(outfit.waters)} onPick={setWaterId} />
        <Choice label="Boat" value={past.boatId} options={named(outfit.boats)} onPick={past.setBoatId} />
        <Choice
          label="Captain"
          value={past.captainId}
          options={named(outfit.crew.filter((p) => p.role !== 'mate'))}
          onPick={past.setCaptainId}
        />
      </div>
      <label className="flex flex-col gap-1">
        File: XLSX or CSV; or photos of fish that say where and when
        <input
          type="file"
          multiple
          accept=".xlsx,.csv,.txt,.tsv,.json,.geojson,.jpg,.jpeg,.heic,.heif"
          onChange={(e) => void past.choose([...(e.target.files ?? [])])}
        />
      </label>
      {past.withoutTime.length > 0 && (
        <p className="text-rust">
          {past.withoutTime.length === 1 ? `${past.withoutTime[0]} says no time` : `${past.withoutTime.length} photos say no time`} and{' '}
          {past.withoutTime.length === 1 ? 'is' : 'are'} left out.
        </p>
      )}
      {past.fault && <FileFault {...past.fault} />}
      {head && mapping && (
        <>
          <fieldset>
            <legend className="font-semibold">Which column is what</legend>
            <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">{PAST_COLUMNS.map(column)}</div>
            <div className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4">
              <DateOrderChoice value={mapping.order} onChange={(order) => set({ order })} />
              <Choice label="Lengths in" value={String(mapping.lengthMm)} options={LENGTHS} onPick={(v) => set({ lengthMm: Number(v) })} />
              <ZoneChoice value={mapping.zone} outfitZone={zone} onChange={(z) => set({ zone: z })} />
              <label className="flex flex-col gap-0.5">
                Rods, where none are told
                <input inputMode="numeric" value={past.rods} onChange={(e) => past.setRods(e.target.value)} className={`num ${FIELD}`} />
              </label>
            </div>
          </fieldset>
          <label className="flex flex-wrap items-center gap-2">
            Hours of a stop whose line has none
            <input
              inputMode="decimal"
              value={past.usualHours}
              placeholder="left out"
              onChange={(e) => past.setUsualHours(e.target.value)}
              className={`num w-24 ${FIELD}`}
            />
            <span className="text-[0.87rem] text-ink-2">Fish without hours say nothing of a rate; a fair guess is better than none.</span>
          </label>
          <NameMatches
            title="Places"
            names={past.names.spot}
            options={spots.data ?? []}
            means={past.means.spot}
            onPick={past.pick('spot')}
          />
          <NameMatches
            title="Baits"
            names={past.names.bait}
            options={outfit.presentations}
            means={past.means.bait}
            onPick={past.pick('bait')}
          />
          <NameMatches
            title="Species"
            names={past.names.species}
            options={outfit.species}
            means={past.means.species}
            onPick={past.pick('species')}
          />
          {made && (
            <p data-past-made>
              {made.trips.length} trips, {made.stops} stops, {made.fish} fish.
              {made.without > 0 ? ` ${made.without} lines have no hours and are left out.` : ''}
              {made.unmatched > 0 ? ` ${made.unmatched} lines are left out for a name that is not matched.` : ''}
            </p>
          )}
          <RefusedList refused={past.refused} />
        </>
      )}
    </ImportFrame>
  );
}
