import { localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { serverNow } from '../data/clock';
import { meQuery } from '../data/queries';
import { Header, Waiting } from '../ui/parts';
import { SideTabs } from '../ui/SideTabs';
import { lazy, type ReactNode, Suspense } from 'react';
import { KeptFor } from './KeptFor';
import { NameAndZone } from './NameAndZone';
import { NewSpots } from './NewSpots';
import { LaidAsideList } from './LaidAsideList';
import { People } from './People';
import { SignedIn } from './SignedIn';

// Each list is fetched when it is looked at.
const Boats = lazy(() => import('./Boats').then((m) => ({ default: m.Boats })));
const Clients = lazy(() => import('./Clients').then((m) => ({ default: m.Clients })));
const Papers = lazy(() => import('./Papers').then((m) => ({ default: m.Papers })));
const ProgramKeys = lazy(() => import('./ProgramKeys').then((m) => ({ default: m.ProgramKeys })));
const ReportLook = lazy(() => import('./ReportLook').then((m) => ({ default: m.ReportLook })));
const Rules = lazy(() => import('./Rules').then((m) => ({ default: m.Rules })));
const SpeciesList = lazy(() => import('./SpeciesList').then((m) => ({ default: m.SpeciesList })));
const Waters = lazy(() => import('./Waters').then((m) => ({ default: m.Waters })));

const whenThere = (list: ReactNode) => <Suspense fallback={<Waiting what="Opening" />}>{list}</Suspense>;

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
          { value: 'boats', name: 'Boats', content: whenThere(<Boats mayEdit={mayEdit} />) },
          { value: 'waters', name: 'Waters', content: whenThere(<Waters mayEdit={mayEdit} zone={zone} />) },
          ...(mayEdit ? [{ value: 'clients', name: 'Clients', content: whenThere(<Clients zone={zone} />) }] : []),
          { value: 'species', name: 'Species', content: whenThere(<SpeciesList mayEdit={mayEdit} />) },
          { value: 'rules', name: 'Rules', content: whenThere(<Rules mayEdit={mayEdit} today={localDate(serverNow(), zone)} />) },
          {
            value: 'more',
            name: me?.role === 'owner' ? 'Keeping' : 'You',
            content: (
              <div className="grid max-w-[980px] gap-x-12 gap-y-8 md:grid-cols-2">
                <SignedIn zone={zone} />
                {me && whenThere(<Papers personId={me.id} />)}
                {me?.role === 'owner' && (
                  <>
                    <NameAndZone />
                    <KeptFor />
                    <NewSpots />
                    <LaidAsideList zone={zone} />
                    {whenThere(<ReportLook />)}
                    {whenThere(<ProgramKeys zone={zone} />)}
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
