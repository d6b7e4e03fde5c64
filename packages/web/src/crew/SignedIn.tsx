import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { deviceWords } from './deviceWords';
import { sessionsQuery } from './queries';

/** Where the person is signed in, with a way to end each of them. */
export function SignedIn({ zone }: { zone: string }) {
  const sessions = useQuery(sessionsQuery);
  const end = useSave<string | null, { ended: number }>({
    send: (id) => post('/sessions/end', { id }),
    touches: [['sessions']],
    told: ({ ended }) => (ended === 1 ? 'Signed out there.' : `Signed out in ${ended} places.`),
  });
  const others = sessions.data?.filter((s) => !s.here) ?? [];
  return (
    <section>
      <h2 className="mb-1 font-bold">Where you are signed in</h2>
      {sessions.isPending && <Waiting what="Asking the server" />}
      {sessions.error && <Fault error={sessions.error} retry={() => void sessions.refetch()} />}
      {end.error !== null && <Fault error={end.error} />}
      <ul>
        {sessions.data?.map((s) => (
          <li
            key={s.id}
            className="flex items-center justify-between gap-3 border-t border-line py-1.5"
            data-session={s.here ? 'here' : 'elsewhere'}
          >
            <span>
              {deviceWords(s.device)} {s.here && <b className="text-kelp">this one</b>}
              <span className="block text-[0.87rem] text-ink-2">
                last used {dayName(s.lastSeenAt, zone)} {clock(s.lastSeenAt, zone)}
                {s.from ? `, signed in from ${s.from}` : ''}
              </span>
            </span>
            {!s.here && (
              <Button onClick={() => end.save(s.id)} disabled={end.busy} aria-label={`Sign out: ${deviceWords(s.device)}`}>
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <Button className="mt-2" onClick={() => end.save(null)} disabled={end.busy}>
          Sign out everywhere else
        </Button>
      )}
    </section>
  );
}
