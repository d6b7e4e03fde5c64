import type { BoatEdit, OutfitView } from '@bluffwind/contract/outfit';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';
import { amount } from '../data/units';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Button, Fault } from '../ui/parts';
import { AboardDialog } from './AboardDialog';
import { BoatDialog } from './BoatDialog';
import { InstrumentsDialog } from './InstrumentsDialog';

const TOUCHES = [['outfit'], ['beginnings'], ['desk'], ['risks']];
type Boat = OutfitView['boats'][number];

const blank = (): BoatEdit => ({
  id: v7(),
  name: '',
  craft: 'boat',
  castM: null,
  accessNote: '',
  hull: '',
  seats: 3,
  speedMps: 8,
  roughMps: null,
  draughtM: 0.5,
  windLimitMps: null,
  gustLimitMps: null,
  waveLimitM: null,
  tankL: 60,
  burnLph: 15,
});

/** A brisk walk with rods, and a cast from the bank (common practice). */
const onFoot = (): BoatEdit => ({
  ...blank(),
  name: 'On foot',
  craft: 'foot',
  speedMps: 1.1,
  castM: 60,
  roughMps: null,
  draughtM: 0,
  tankL: 0,
  burnLph: 0,
});

/** Boats with what they carry and what they are held to. */
export function Boats({ mayEdit }: { mayEdit: boolean }) {
  const { data: outfit } = useQuery(outfitQuery);
  const [edited, setEdited] = useState<{ readonly boat: BoatEdit; readonly isNew: boolean } | null>(null);
  const [wired, setWired] = useState<Boat | null>(null);
  const [loaded, setLoaded] = useState<Boat | null>(null);
  const [ask, question] = useAsk();
  const retire = useSave<Boat>({
    send: (b) => post(`/boats/${b.id}/retire`),
    touches: TOUCHES,
    told: (_, b) => `${b.name} is out of use; its trips stay in the log.`,
  });
  return (
    <div className="max-w-[760px]">
      {question}
      {mayEdit && (
        <p className="mb-3 flex flex-wrap gap-2">
          <Button strong onClick={() => setEdited({ boat: blank(), isNew: true })}>
            Add a boat
          </Button>
          <Button onClick={() => setEdited({ boat: onFoot(), isNew: true })}>Add a guide on foot</Button>
        </p>
      )}
      {retire.error !== null && <Fault error={retire.error} />}
      {outfit?.boats.length === 0 && (
        <p className="text-ink-2">
          No boat yet. A trip needs one: what it carries, how fast it runs, and when it turns back. Without a boat, add how you go on foot.
        </p>
      )}
      <ul>
        {outfit?.boats.map((b) => (
          <li key={b.id} data-boat={b.name} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
            <span className="min-w-[min(100%,14rem)] flex-1 break-words">
              <b>{b.name}</b> <span className="text-ink-2">{b.hull}</span>
              <span className="block text-[0.87rem] text-ink-2">
                {b.seats} guests ·{' '}
                {b.craft === 'foot'
                  ? `walks ${amount(b.speedMps, 'current', 1)}, casts ${amount(b.castM ?? 60, 'near', 0)}`
                  : `${amount(b.speedMps, 'current', 0)} · draws ${amount(b.draughtM, 'height', 1)}`}{' '}
                · {limitsWords(b)}
                {b.accessNote === '' ? '' : ` · ${b.accessNote}`}
              </span>
            </span>
            {mayEdit && (
              <span className="flex flex-wrap gap-2">
                {b.craft === 'boat' && (
                  <Button onClick={() => setWired(b)} aria-label={`Instruments of ${b.name}`}>
                    Instruments
                  </Button>
                )}
                <Button onClick={() => setLoaded(b)} aria-label={`Aboard ${b.name}`}>
                  Aboard
                </Button>
                <Button onClick={() => setEdited({ boat: b, isNew: false })} aria-label={`Change ${b.name}`}>
                  Change
                </Button>
                <Button
                  aria-label={`Take ${b.name} out of use`}
                  disabled={retire.busy}
                  onClick={() =>
                    ask({
                      title: `Take ${b.name} out of use?`,
                      text: 'It is offered for trips no more. What was logged from it stays.',
                      yes: 'Take it out',
                      act: () => retire.save(b),
                    })
                  }
                >
                  Out of use
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      {wired && <InstrumentsDialog boat={wired} onClose={() => setWired(null)} />}
      <AboardDialog key={loaded?.id ?? 'none'} boat={loaded} onClose={() => setLoaded(null)} />
      <BoatDialog edited={edited} touches={TOUCHES} onClose={() => setEdited(null)} />
    </div>
  );
}

function limitsWords(b: Boat): string {
  const known = [
    b.windLimitMps === null ? null : `wind ${amount(b.windLimitMps, 'wind', 0)}`,
    b.gustLimitMps === null ? null : `gusts ${amount(b.gustLimitMps, 'wind', 0)}`,
    b.waveLimitM === null ? null : `waves ${amount(b.waveLimitM, 'height', 1)}`,
  ].filter((w) => w !== null);
  return known.length === 0 ? 'no limits written down' : `up to ${known.join(', ')}`;
}
