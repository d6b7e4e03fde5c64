import type { SpotView } from '@bluffwind/contract/grounds';
import { nearDuplicates } from '@bluffwind/core/ground/nearDuplicates';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { serverNow } from '../data/clock';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery, outfitQuery } from '../data/queries';
import { useAddress } from '../data/useAddress';
import { useKeys } from '../data/useKeys';
import { Ribbon } from '../ribbon/Ribbon';
import type { LaneSpec } from '../ribbon/laneProps';
import { Pick } from '../ui/Choice';
import { clock, dayName } from '../ui/format';
import { NoWater } from '../ui/NoWater';
import { Fault, Header } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { Workplace } from '../ui/Workplace';
import { GroundsChart } from './GroundsChart';
import { GroundsDialogs, type Opened } from './GroundsDialogs';
import { GroundsLists } from './GroundsLists';
import { GroundsMenus } from './GroundsMenus';
import { spotLanes } from './spotLanes';
import { useAtCursor } from './useAtCursor';
import { useBoatRuns } from './useBoatRuns';
import { useChartActs } from './useChartActs';
import { useChosenSpot } from './useChosenSpot';
import { useDrafts } from './useDrafts';
import { useFound, useGrounds, useGroundWorker, useSurveyContours } from './useGrounds';
import { usePicture } from './usePicture';

const NO_SPOTS: readonly SpotView[] = [];

export default function Grounds() {
  const [params, setParams] = useSearchParams();
  const { data: me } = useQuery(meQuery);
  const outfitAsked = useQuery(outfitQuery);
  const outfit = outfitAsked.data;
  const water = outfit?.waters.find((w) => w.id === params.get('water')) ?? outfit?.waters[0];
  const waterId = water?.id ?? '';
  const zone = me?.outfit.zone ?? 'UTC';
  const mayEdit = me !== undefined && me.role !== 'mate';
  const g = useGrounds(water?.id, zone);
  const worker = useGroundWorker();
  const contours = useSurveyContours(worker, g.surveys);
  const [tab, setTab] = useAddress('tab', 'spots');
  const [pile, setPile] = useState<number | null>(null);
  const [fishDepthM, setFishDepthM] = useState(3);
  const [foundKey, setFoundKey] = useState<string | null>(null);
  const asked = params.get('open');
  const [open, setOpen] = useState<Opened | null>(asked === 'spots' || asked === 'soundings' ? asked : null);
  const [shownPicture, setShownPicture] = useAddress('picture', null);
  const picture = usePicture(waterId, shownPicture);
  const [boatId, setBoatId] = useState<string | null>(null);
  const spots = g.spots.data ?? NO_SPOTS;
  const [selected, select] = useChosenSpot();
  const chosen = spots.find((s) => s.id === selected) ?? null;
  const boats = outfit?.boats.filter((b) => b.craft === 'boat') ?? [];
  const boat = boats.find((b) => b.id === boatId) ?? (water?.kind === 'fresh' ? boats.at(-1) : boats[0]);
  const acts = useChartActs(waterId, select);
  const drafts = useDrafts(params.get('draw'), acts.drawShore);

  const { at, bed } = g;
  const { atMs, conditions, middle, meanWave, sun } = useAtCursor(g, spots);
  const runs = useBoatRuns(worker, g, { water, boat, spots, tideM: middle?.tideHeightM ?? 0, waveM: meanWave });
  const found = useFound(worker, bed, g.surveys, g.chart.data?.dismissed, spots, tab === 'found');
  const duplicates = useMemo(
    () => (chosen ? spots.filter((s) => s.id !== chosen.id && nearDuplicates([chosen], [s])[0] !== null) : []),
    [chosen, spots],
  );

  const { drawing, moving } = drafts;
  useKeys({
    Escape: drawing || moving ? drafts.leave : null,
    n: mayEdit ? () => drafts.draw({ what: 'spot', shape: 'point' }) : null,
    e: mayEdit && chosen ? () => drafts.edit(chosen) : null,
  });

  if (outfit && !water) return <NoWater screen="Grounds" />;
  if (!water || !g.chart.data || !bed || !g.spots.data || !at || !g.state.data || !middle) {
    const parts = [outfitAsked, g.chart, g.spots, g.state] as const;
    return <StandIn title="Grounds" what="Opening the chart" error={failedOf(...parts)} retry={askAgain(...parts)} />;
  }
  const chart = g.chart.data;
  const time = clock(atMs, zone);
  const lanes: LaneSpec[] = chosen
    ? [['light', 10], ...spotLanes(chosen, at, atMs)]
    : [['light', 10], ...(water.tidal ? [['tide', 56] as const] : []), ['wind', 46], ['waterTempC', 44]];
  return (
    <>
      <Header title={water.name} note={`${spots.length} spots · ${dayName(atMs, zone)} ${time}`}>
        <Pick label="Water" value={water.id} options={outfit?.waters ?? []} onPick={(id) => setParams({ water: id })} />
        <Pick label="Boat for runs" value={boat?.id ?? ''} options={boats} onPick={setBoatId} />
        <GroundsMenus mayEdit={mayEdit} onDraw={drafts.draw} onOpen={setOpen} />
      </Header>
      {acts.question}
      {acts.error !== null && <Fault error={acts.error} />}
      <Workplace
        label="Spots"
        pulled={1}
        width={340}
        panel={
          <GroundsLists
            {...{
              chart,
              spots,
              chosen,
              duplicates,
              conditions,
              middle,
              at,
              runs,
              boat,
              found,
              foundKey,
              fishDepthM,
              pile,
              zone,
              mayEdit,
              acts,
              drafts,
            }}
            tidal={water.tidal}
            onSelect={select}
            onFound={setFoundKey}
            onPile={setPile}
            onFishDepth={setFishDepthM}
          />
        }
      >
        <GroundsChart
          {...{ water, bed, chart, contours, picture, spots, chosen, selected, middle, sun, time, fishDepthM, pile, foundKey, drafts }}
          soundings={g.soundings.data ?? null}
          found={tab === 'found' ? (found ?? []) : []}
          onSelect={select}
          onPile={(n) => {
            setPile(n);
            setTab('drawn');
          }}
          onFound={setFoundKey}
        />
      </Workplace>
      <Ribbon from={g.from} to={g.to} now={serverNow()} zone={zone} state={g.state.data} lanes={lanes} />
      <GroundsDialogs
        {...{ water, spots, bed, zone, mayEdit, drafts, open, shownPicture }}
        levelAt={g.water?.levelAt ?? null}
        onClose={() => setOpen(null)}
        onPicture={setShownPicture}
        onSelect={select}
      />
    </>
  );
}
