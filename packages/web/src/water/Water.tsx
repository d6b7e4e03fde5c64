import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useSearchParams } from 'react-router';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery, outfitQuery, spotsQuery } from '../data/queries';
import { useKeys } from '../data/useKeys';
import { Ribbon } from '../ribbon/Ribbon';
import { Pick } from '../ui/Choice';
import { clock, dayName } from '../ui/format';
import { NoWater } from '../ui/NoWater';
import { Button, Header } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { Workplace } from '../ui/Workplace';
import { ReadingDialog } from './ReadingDialog';
import { useWaterNow } from './useWaterNow';
import { waterLanes } from './waterLanes';
import { WaterTabs } from './WaterTabs';

const ImportReadings = lazy(() => import('../imports/ImportReadings').then((m) => ({ default: m.ImportReadings })));

export default function Water() {
  const { data: me } = useQuery(meQuery);
  const asked = useQuery(outfitQuery);
  const outfit = asked.data;
  const [params, setParams] = useSearchParams();
  const water = outfit?.waters.find((w) => w.id === params.get('water')) ?? outfit?.waters[0];
  const zone = me?.outfit.zone ?? 'UTC';
  const { now, from, to, state, live, at } = useWaterNow(water?.id, zone);
  const spots = useQuery({ ...spotsQuery(water?.id ?? ''), enabled: water !== undefined });
  const [doing, setDoing] = useState<'adding' | 'importing' | null>(null);
  useKeys({ n: () => setDoing('adding'), i: () => setDoing('importing') });
  if (outfit && !water) return <NoWater screen="Water" />;
  if (!water || !state.data || !live || !at)
    return <StandIn title="Water" what="Reading the water" error={failedOf(asked, state)} retry={askAgain(asked, state)} />;
  const s = state.data;
  const boats = outfit?.boats ?? [];
  const boat = water.kind === 'fresh' ? boats.at(-1) : boats[0];
  const close = () => setDoing(null);
  return (
    <>
      <Header
        title={`${water.name}, ${dayName(now, zone)} ${clock(now, zone)}`}
        note={`${s.stations.length} ${s.stations.length === 1 ? 'station' : 'stations'}, ${s.crewReadings.length} crew readings here${s.forecastRunAt ? `, forecast of ${clock(s.forecastRunAt, zone)}` : ', no forecast'}`}
      >
        <Pick label="Water" value={water.id} options={outfit?.waters ?? []} onPick={(id) => setParams({ water: id })} />
        <Button hint="I" onClick={() => setDoing('importing')}>
          Import
        </Button>
        <Button hint="N" onClick={() => setDoing('adding')}>
          Add a reading
        </Button>
      </Header>
      {state.error && (
        <p role="alert" className="border-b border-rust bg-rust-pale px-[18px] py-1">
          No answer from the server; this is what was last read. {state.error.message}
        </p>
      )}
      <Workplace
        label="What the water does"
        width={350}
        pulled={1}
        panel={
          <WaterTabs waterId={water.id} {...{ boats, live, at, now, zone }} state={s} mayEdit={me !== undefined && me.role !== 'mate'} />
        }
      >
        <div className="h-full overflow-x-hidden overflow-y-auto">
          <Ribbon
            all
            {...{ from, to, now, zone }}
            state={s}
            limit={boat && boat.windLimitMps !== null ? { mps: boat.windLimitMps, name: `${boat.name} stays in above` } : undefined}
            lanes={waterLanes(live, water.tidal)}
          />
        </div>
      </Workplace>
      <ReadingDialog open={doing === 'adding'} waterId={water.id} waterName={water.name} spots={spots.data ?? []} onClose={close} />
      <Suspense fallback={null}>
        {doing === 'importing' && <ImportReadings waterId={water.id} waterName={water.name} zone={zone} onClose={close} />}
      </Suspense>
    </>
  );
}
