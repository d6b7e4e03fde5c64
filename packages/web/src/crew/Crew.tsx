import { localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { serverNow } from '../data/clock';
import { meQuery } from '../data/queries';
import { Header } from '../ui/parts';
import { SideTabs } from '../ui/SideTabs';
import { Boats } from './Boats';
import { Clients } from './Clients';
import { KeptFor } from './KeptFor';
import { LaidAsideList } from './LaidAsideList';
import { People } from './People';
import { Rules } from './Rules';
import { SignedIn } from './SignedIn';
import { SpeciesList } from './SpeciesList';
import { Waters } from './Waters';

/** The outfit: its people, boats, clients, waters, species and rules, and what the owner decides. */
export default function Crew() {
  const { data: me } = useQuery(meQuery);
  const zone = me?.outfit.zone ?? 'UTC';
  const mayEdit = me !== undefined && me.role !== 'mate';
  return (
    <>
      <Header title="Crew" note={me ? `${me.outfit.name} · you are ${me.name}, ${me.role}` : ''} />
      <SideTabs
        label="Of the outfit"
        tabs={[
          { value: 'people', name: 'People', content: <People zone={zone} /> },
          { value: 'boats', name: 'Boats', content: <Boats mayEdit={mayEdit} /> },
          { value: 'waters', name: 'Waters', content: <Waters mayEdit={mayEdit} zone={zone} /> },
          ...(mayEdit ? [{ value: 'clients', name: 'Clients', content: <Clients zone={zone} /> }] : []),
          { value: 'species', name: 'Species', content: <SpeciesList mayEdit={mayEdit} /> },
          { value: 'rules', name: 'Rules', content: <Rules mayEdit={mayEdit} today={localDate(serverNow(), zone)} /> },
          {
            value: 'more',
            name: me?.role === 'owner' ? 'Keeping' : 'You',
            content: (
              <div className="grid max-w-[980px] gap-x-12 gap-y-8 md:grid-cols-2">
                <SignedIn zone={zone} />
                {me?.role === 'owner' && (
                  <>
                    <KeptFor />
                    <LaidAsideList zone={zone} />
                  </>
                )}
              </div>
            ),
          },
        ]}
      />
    </>
  );
}
