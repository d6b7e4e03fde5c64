import type { DeckPack, DeckStop } from '@bluffwind/contract/deck';
import { DISTURBANCE_WORDS, DISTURBANCES } from '@bluffwind/core/turn/disturbances';
import { v7 } from 'uuid';
import { Link } from 'react-router';
import { serverNow } from '../data/clock';
import { baitsHere } from './baitsHere';
import { CatchSheet } from './CatchSheet';
import { PickSheet } from './PickSheet';
import { SIGNS, type SignName } from './signNames';
import type { DeckTrip } from './useDeckTrip';

/** What is asked for over the page, or nothing. */
export type Sheet =
  | { kind: 'fish'; speciesId: string }
  | { kind: 'other' }
  | { kind: 'switch' }
  | { kind: 'sign' }
  | { kind: 'marks' }
  | { kind: 'out' }
  | null;

interface FishSheetsProps {
  readonly trip: DeckTrip;
  readonly stop: DeckStop;
  readonly sheet: Sheet;
  readonly onSheet: (sheet: Sheet) => void;
}

/** Sheets over a stop: the fish and its length, another fish, another bait, a sign. */
export function FishSheets({ trip, stop: current, sheet, onSheet: setSheet }: FishSheetsProps) {
  const { pack, landed, turnOf, presentationName, record, log } = trip;
  // Nothing fishes while lines are out: the sheets that need a bait are not opened then.
  const active = trip.active ?? (current.sets.at(-1) as DeckStop['sets'][number]);
  const saw = (what: SignName, relation: 'tight' | 'above' | null) => {
    setSheet(null);
    record({ kind: 'sighting', sightingId: v7(), spotId: current.spotId, what, note: '', depthM: null, relation, place: null, side: null });
  };
  return (
    <>
      {sheet?.kind === 'fish' && (
        <CatchSheet
          pack={pack}
          species={pack.species.find((s) => s.id === sheet.speciesId) as DeckPack['species'][number]}
          keptBy={(clientId) => landed.filter((k) => k.speciesId === sheet.speciesId && k.kept && k.clientId === clientId).length}
          keptByBoat={landed.filter((k) => k.speciesId === sheet.speciesId && k.kept).length}
          turnOf={turnOf?.id ?? null}
          onDone={(fish) => {
            setSheet(null);
            log('landed', sheet.speciesId, fish);
          }}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'other' && (
        <PickSheet
          title="Which fish?"
          items={[...pack.species].sort((a, b) => Number(b.usual) - Number(a.usual))}
          onPick={(speciesId) => setSheet({ kind: 'fish', speciesId })}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'switch' && (
        <PickSheet
          title={`Instead of ${presentationName(active.presentationId)}`}
          items={baitsHere(pack, current.spotId, serverNow()).filter((p) => p.id !== active.presentationId)}
          also={
            <Link to={`/trips/${pack.trip.id}/rigs`} className="inline-flex min-h-[56px] items-center underline underline-offset-4">
              How each is tied and fished
            </Link>
          }
          onPick={(presentationId) => {
            setSheet(null);
            record({
              kind: 'switch-set',
              stopId: current.id,
              endSetId: active.id,
              set: { id: v7(), presentationId, rods: active.rods, ...(active.trial ? { trial: active.trial } : {}) },
            });
          }}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'marks' && (
        <PickSheet
          title="How do the marks lie?"
          items={[
            { id: 'tight', name: 'Tight to the bottom' },
            { id: 'above', name: 'Hanging above it' },
            { id: '', name: 'Cannot say' },
          ]}
          onPick={(id) => saw('marks', id === '' ? null : (id as 'tight'))}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'out' && (
        <PickSheet
          title="Lines out: why?"
          items={DISTURBANCES.map((id) => ({ id, name: DISTURBANCE_WORDS[id].replace(/^./, (c) => c.toUpperCase()) }))}
          onPick={(what) => {
            setSheet(null);
            record({ kind: 'lines-out', stopId: current.id, disturbanceId: v7(), what: what as (typeof DISTURBANCES)[number] });
          }}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet?.kind === 'sign' && (
        <PickSheet
          title="What was seen?"
          items={SIGNS.map(([id, name]) => ({ id, name }))}
          onPick={(what) => {
            // How marks lie tells what they are: tight to the bottom likely the target, hanging above likely not.
            if (what === 'marks') setSheet({ kind: 'marks' });
            else saw(what as SignName, null);
          }}
          onClose={() => setSheet(null)}
        />
      )}
    </>
  );
}
