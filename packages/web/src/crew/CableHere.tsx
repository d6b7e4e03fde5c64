import { useQuery } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';
import { meQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { clock } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { BAUDS, cableState, endCable, hasCable, listenToCable, watchCable } from './cable';

const SPEEDS = BAUDS.map((b) => ({ value: String(b), name: `${b} baud` }));

/** An instrument wired to this computer: begins to listen to it, and says what was heard and stored. */
export function CableHere({ id, name }: { id: string; name: string }) {
  const { data: me } = useQuery(meQuery);
  const cable = useSyncExternalStore(watchCable, cableState);
  const [baud, setBaud] = useState(SPEEDS[0]?.value ?? '4800');
  const begin = useSave<null>({ send: () => listenToCable({ id, name }, Number(baud)), touches: [] });
  const end = useSave<null>({ send: endCable, touches: [['instruments'], ['state']], told: 'The cable is let go.' });
  if (!hasCable()) return <p className="text-[0.87rem] text-ink-2">This browser cannot read a cable; Chromium on a laptop can.</p>;
  const mine = cable?.instrumentId === id ? cable : null;
  return (
    <div className="flex flex-wrap items-center gap-2" data-cable={mine?.state ?? 'none'}>
      {begin.error !== null && <Fault error={begin.error} />}
      {mine ? (
        <>
          <span className="text-[0.87rem]" role="status">
            {mine.state === 'listening' ? 'Listening' : 'Not listening'}: {mine.heard} lines heard
            {mine.storedTo ? `, stored to ${clock(Date.parse(mine.storedTo), me?.outfit.zone ?? 'UTC')}` : ', none stored yet'}
            {mine.lost > 0 ? `; ${mine.lost} were let go, there was no network for too long` : ''}.
          </span>
          {mine.fault && <span className="text-[0.87rem] text-rust">{mine.fault}</span>}
          <Button disabled={end.busy} onClick={() => end.save(null)}>
            Let the cable go
          </Button>
        </>
      ) : (
        <>
          <Choice label="Speed of the cable" value={baud} options={SPEEDS} onPick={setBaud} />
          <Button disabled={begin.busy || cable !== null} onClick={() => begin.save(null)}>
            Listen on this computer
          </Button>
          {cable !== null && <span className="text-[0.87rem] text-ink-2">{cable.name} is listened to here already.</span>}
        </>
      )}
    </div>
  );
}
