import type { WaterEdit } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Button, Fault } from '../ui/parts';
import { ShoreDialog } from './ShoreDialog';
import { WaterDialog } from './WaterDialog';
import { WATER_KEYS } from './waterKeys';

// Fetched when a tide is to be set: it has the arithmetic of tides with it.
const TideDialog = lazy(() => import('./TideDialog').then((m) => ({ default: m.TideDialog })));

const StationsDialog = lazy(() => import('./StationsDialog').then((m) => ({ default: m.StationsDialog })));

type Water = OutfitView['waters'][number];

/** Waters with what is known of them. */
export function Waters({ mayEdit, zone }: { mayEdit: boolean; zone: string }) {
  const { data: outfit } = useQuery(outfitQuery);
  const [asked, setAsked] = useAddress('new', null);
  const [edited, setEdited] = useState<{ readonly water: WaterEdit; readonly isNew: boolean } | null>(null);
  const [shore, setShore] = useState<Water | null>(null);
  const [tide, setTide] = useState<Water | null>(null);
  const [stations, setStations] = useState<Water | null>(null);
  const [blank] = useState((): WaterEdit => ({ id: v7(), name: '', kind: 'salt', ruleZone: '', dockLat: Number.NaN, dockLon: Number.NaN }));
  const [ask, question] = useAsk();
  const retire = useSave<Water>({
    send: (w) => post(`/waters/${w.id}/retire`),
    touches: WATER_KEYS,
    told: (_, w) => `${w.name} is out of use; its log stays.`,
  });
  const shown = edited ?? (asked === 'water' ? { water: blank, isNew: true } : null);
  return (
    <div className="max-w-[820px]">
      {question}
      {mayEdit && (
        <Button strong onClick={() => setEdited({ water: { ...blank, id: v7() }, isNew: true })} className="mb-3">
          Add a water
        </Button>
      )}
      {retire.error !== null && <Fault error={retire.error} />}
      {outfit?.waters.length === 0 && (
        <p className="max-w-prose text-ink-2">
          No water yet. A name and the place where you set out are enough to begin; a shore gives shelter by the hour, soundings give depths
          and edges, a tide gives heights and streams.
        </p>
      )}
      <ul>
        {outfit?.waters.map((w) => (
          <li key={w.id} data-water={w.name} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2">
            <span className="min-w-0 flex-1 basis-52">
              <Link to={`/grounds?water=${w.id}`} className="font-bold underline-offset-2 hover:underline">
                {w.name}
              </Link>
              <span className="block text-[0.87rem] text-ink-2">
                {w.kind} water · {w.tidal ? 'tides are foretold' : w.kind === 'salt' ? 'no tide written down' : 'no tide'}
                {w.ruleZone ? ` · rules of ${w.ruleZone}` : ''}
              </span>
            </span>
            {mayEdit && (
              <span className="flex flex-wrap gap-2">
                <Button onClick={() => setEdited({ water: editOf(w), isNew: false })} aria-label={`Change ${w.name}`}>
                  Change
                </Button>
                <Button onClick={() => setShore(w)} aria-label={`Shore of ${w.name}`}>
                  Shore
                </Button>
                <Button onClick={() => setStations(w)} aria-label={`Stations of ${w.name}`}>
                  Stations
                </Button>
                {w.kind === 'salt' && (
                  <Button onClick={() => setTide(w)} aria-label={`Tide of ${w.name}`}>
                    Tide
                  </Button>
                )}
                <Button
                  aria-label={`Take ${w.name} out of use`}
                  disabled={retire.busy}
                  onClick={() =>
                    ask({
                      title: `Take ${w.name} out of use?`,
                      text: 'It leaves every list. Trips and catches on it stay in the log.',
                      yes: 'Take it out',
                      act: () => retire.save(w),
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
      <WaterDialog
        edited={shown}
        onClose={() => {
          setEdited(null);
          if (asked !== null) setAsked(null);
        }}
        onMade={setShore}
      />
      <ShoreDialog water={shore} onClose={() => setShore(null)} />
      <Suspense fallback={null}>{stations && <StationsDialog water={stations} zone={zone} onClose={() => setStations(null)} />}</Suspense>
      <Suspense fallback={null}>{tide && <TideDialog water={tide} zone={zone} onClose={() => setTide(null)} />}</Suspense>
    </div>
  );
}

function editOf({ id, name, kind, ruleZone, dockLat, dockLon }: Water): WaterEdit {
  return { id, name, kind, ruleZone, dockLat, dockLon };
}
