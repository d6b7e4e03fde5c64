import type { DeckPack, DeckStop } from '@bluffwind/contract/deck';
import { DISTURBANCE_WORDS, DISTURBANCES } from '@bluffwind/core/turn/disturbances';
import type { ReactNode } from 'react';
import { v7 } from 'uuid';
import { Link } from 'react-router';
import { serverNow } from '../data/clock';
import { baitsHere } from './baitsHere';
import { TheFish } from './CatchSheet';
import { DeckSheet } from './DeckSheet';
import { PickList } from './PickSheet';
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

const SEEN = SIGNS.map(([id, name]) => ({ id, name }));
const LIE = [
  { id: 'tight', name: 'Tight to the bottom' },
  { id: 'above', name: 'Hanging above it' },
  { id: '', name: 'Cannot say' },
];

interface FishSheetsProps {
  readonly trip: DeckTrip;
  readonly stop: DeckStop;
  readonly sheet: Sheet;
  readonly onSheet: (sheet: Sheet) => void;
}

/** What the sheet over a stop shows. */
interface Shown {
  readonly title: string;
  readonly note?: string;
  readonly close?: string;
  readonly body: ReactNode;
}

/** The sheet over a stop: the fish and its length, another fish, another bait, a sign. One sheet, whatever follows what in it. */
export function FishSheets({ trip, stop, sheet, onSheet }: FishSheetsProps) {
  if (sheet === null) return null;
  const { body, ...head } = shownIn(trip, stop, sheet, onSheet);
  return (
    <DeckSheet {...head} inside={sheet.kind} onClose={() => onSheet(null)}>
      {body}
    </DeckSheet>
  );
}

function shownIn(trip: DeckTrip, current: DeckStop, sheet: NonNullable<Sheet>, setSheet: (sheet: Sheet) => void): Shown {
  const { pack, landed, turnOf, presentationName, record, log } = trip;
  // Nothing fishes while lines are out: the sheets that need a bait are not opened then.
  const active = trip.active ?? (current.sets.at(-1) as DeckStop['sets'][number]);
  const onClose = () => setSheet(null);
  const saw = (what: SignName, relation: 'tight' | 'above' | null) => {
    setSheet(null);
    record({ kind: 'sighting', sightingId: v7(), spotId: current.spotId, what, note: '', depthM: null, relation, place: null, side: null });
  };
  switch (sheet.kind) {
    case 'fish': {
      const { speciesId } = sheet;
      const species = pack.species.find((s) => s.id === speciesId) as DeckPack['species'][number];
      const kept = landed.filter((k) => k.speciesId === speciesId && k.kept);
      return {
        title: species.name,
        note: species.caution,
        close: 'Close',
        body: (
          <TheFish
            pack={pack}
            species={species}
            keptBy={(clientId) => kept.filter((k) => k.clientId === clientId).length}
            keptByBoat={kept.length}
            turnOf={turnOf?.id ?? null}
            onDone={(fish) => {
              setSheet(null);
              log('landed', speciesId, fish);
            }}
          />
        ),
      };
    }
    case 'other': {
      const items = [...pack.species].sort((a, b) => Number(b.usual) - Number(a.usual));
      const body = <PickList items={items} onPick={(speciesId) => setSheet({ kind: 'fish', speciesId })} onClose={onClose} />;
      return { title: 'Which fish?', body };
    }
    case 'switch':
      return {
        title: `Instead of ${presentationName(active.presentationId)}`,
        body: (
          <PickList
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
            onClose={onClose}
          />
        ),
      };
    case 'marks': {
      const body = <PickList items={LIE} onPick={(id) => saw('marks', id === '' ? null : (id as 'tight'))} onClose={onClose} />;
      return { title: 'How do the marks lie?', body };
    }
    case 'out': {
      const items = DISTURBANCES.map((id) => ({ id, name: DISTURBANCE_WORDS[id].replace(/^./, (c) => c.toUpperCase()) }));
      const pick = (what: string) => {
        setSheet(null);
        record({ kind: 'lines-out', stopId: current.id, disturbanceId: v7(), what: what as (typeof DISTURBANCES)[number] });
      };
      return { title: 'Lines out: why?', body: <PickList items={items} onPick={pick} onClose={onClose} /> };
    }
    case 'sign': {
      // How marks lie tells what they are: tight to the bottom likely the target, hanging above likely not.
      const pick = (what: string) => (what === 'marks' ? setSheet({ kind: 'marks' }) : saw(what as SignName, null));
      return { title: 'What was seen?', body: <PickList items={SEEN} onPick={pick} onClose={onClose} /> };
    }
  }
}
