import { useQuery } from '@tanstack/react-query';
import { meQuery, outfitQuery } from '../data/queries';
import { Header } from '../ui/parts';
import { KeptFor } from './KeptFor';
import { LaidAsideList } from './LaidAsideList';
import { SignedIn } from './SignedIn';

const ROLES = { owner: 'owner', captain: 'captain', mate: 'mate' } as const;

/** Who the crew is, where a person is signed in, and what the owner decides. */
export default function Crew() {
  const { data: me } = useQuery(meQuery);
  const { data: outfit } = useQuery(outfitQuery);
  const zone = me?.outfit.zone ?? 'UTC';
  return (
    <>
      <Header title="Crew" note={me ? `${me.outfit.name} · you are ${me.name}, ${ROLES[me.role]}` : ''} />
      <section aria-label="Crew" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-[18px] py-4">
        <div className="grid max-w-[980px] gap-x-12 gap-y-8 md:grid-cols-2">
          <section>
            <h2 className="mb-1 font-bold">People</h2>
            <ul>
              {outfit?.crew.map((p) => (
                <li key={p.id} className="flex justify-between gap-3 border-t border-line py-1.5">
                  <span>{p.name}</span>
                  <span className="text-ink-2">{ROLES[p.role]}</span>
                </li>
              ))}
            </ul>
          </section>
          <SignedIn zone={zone} />
          {me?.role === 'owner' && (
            <>
              <KeptFor />
              <LaidAsideList zone={zone} />
            </>
          )}
        </div>
      </section>
    </>
  );
}
