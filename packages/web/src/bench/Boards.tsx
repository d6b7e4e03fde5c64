import { type Board, type BoardUnder, boardSpread } from '@bluffwind/core/tackle/boardSpread';
import { toLocal, toPosition } from '@bluffwind/core/ground/seaBed';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { bedOfChart } from '../chart/bedOfChart';
import { askAgain, failedOf } from '../data/failedOf';
import { chartQuery, outfitQuery, spotsQuery } from '../data/queries';
import { amount, inMine, myUnit, words } from '../data/units';
import { useAddress } from '../data/useAddress';
import { Choice } from '../ui/Choice';
import { CurveChart } from '../ui/CurveChart';
import { Fault, Waiting } from '../ui/parts';
import { BoardList, MOST_BOARDS } from './BoardList';
import type { SumField } from './sum';
import { SumFields } from './SumFields';
import { SumFrame } from './SumFrame';
import { SumWithoutWater } from './SumWithoutWater';
import { useNumbers } from './useNumbers';

const FIELDS: readonly SumField[] = [
  { name: 'headingDeg', label: 'Course', of: '°', least: 0, most: 359, step: 1, usual: 90 },
  { name: 'lengthM', label: 'So far', measure: 'near', least: 50, most: 3000, step: 10, usual: 500 },
  { name: 'boatMps', label: 'Over the ground', measure: 'current', least: 0.1, most: 3, step: 0.05, usual: 0.67 },
  { name: 'currentMps', label: 'Current', measure: 'current', least: 0, most: 2, step: 0.05, usual: 0.3 },
  { name: 'currentToDeg', label: 'Current to', of: '°', least: 0, most: 359, step: 1, usual: 90 },
];
const USUAL = 'port~1.2~1.8~0~30;port~1.2~0.6~0~15;starboard~1.2~1.8~0~15;starboard~1.2~3~0~30';
const POINTS = 60;
/** Boards whose water is drawn: more lines are not told apart. */
const LINES = 3;

const read = (text: string): Board[] =>
  text
    .split(';')
    .slice(0, MOST_BOARDS)
    .map((row) => {
      const [side, leaderM = '1.2', outM = '0', weightG = '0', reachM = '15'] = row.split('~');
      return {
        side: side === 'starboard' ? 'starboard' : 'port',
        leaderM: Number(leaderM),
        outM: Number(outM),
        weightG: Number(weightG),
        reachM: Number(reachM),
      };
    });

/** Baits on boards over the real sea bed, along a course from a spot. */
export default function Boards() {
  const outfit = useQuery(outfitQuery);
  const [waterId, setWater] = useAddress('water', '');
  const water = outfit.data?.waters.find((w) => w.id === waterId) ?? outfit.data?.waters[0];
  const chart = useQuery({ ...chartQuery(water?.id ?? ''), enabled: water !== undefined });
  const spots = useQuery({ ...spotsQuery(water?.id ?? ''), enabled: water !== undefined });
  const [from, setFrom] = useAddress('from', '');
  const [values, set] = useNumbers(FIELDS);
  const [params, setParams] = useSearchParams();
  const bed = useMemo(() => (chart.data ? bedOfChart(chart.data) : null), [chart.data]);
  const boards = useMemo(() => read(params.get('boards') ?? USUAL), [params]);
  const frame = {
    name: 'Boards over the bed',
    what: 'Bait swims at leader and line let out; each board has its own depth under it.',
    rules: ['P19'],
  };
  const failed = failedOf(outfit, chart, spots);
  if (failed) return <Fault error={failed} retry={askAgain(outfit, chart, spots)} />;
  if (outfit.data && !water) return <SumWithoutWater name={frame.name} what={frame.what} />;
  if (!outfit.data || !water || !bed || !spots.data) return <Waiting what="Reading the bed" />;
  const start = spots.data.find((s) => s.id === from) ?? spots.data[0];
  const keep = (next: readonly Board[]) => {
    const to = new URLSearchParams(window.location.search);
    to.set('boards', next.map((b) => `${b.side}~${b.leaderM}~${b.outM}~${b.weightG}~${b.reachM ?? 15}`).join(';'));
    setParams(to, { replace: true });
  };
  const { headingDeg = 90, lengthM = 500, boatMps = 0.67, currentMps = 0.3, currentToDeg = 90 } = values;
  const origin = toLocal(bed, start?.lat ?? water.dockLat, start?.lon ?? water.dockLon);
  const track = Array.from({ length: POINTS }, (_, i): [number, number] => {
    const m = (lengthM * i) / (POINTS - 1);
    const p = toPosition(
      bed,
      origin.xM + m * Math.sin((headingDeg * Math.PI) / 180),
      origin.yM + m * Math.cos((headingDeg * Math.PI) / 180),
    );
    return [p.lon, p.lat];
  });
  let under: readonly BoardUnder[] | string;
  try {
    under = boardSpread({ boards, boatMps, currentMps, currentToDeg, headingDeg, track }, bed);
  } catch (e) {
    if (!(e instanceof RangeError)) throw e;
    under = e.message;
  }
  return (
    <SumFrame
      {...frame}
      picture={
        typeof under === 'string' ? (
          <p role="alert" className="m-[18px] border-l-4 border-rust bg-rust-pale px-4 py-3">
            {words(under)}
          </p>
        ) : (
          <div className="px-[18px] pb-3">
            <FromAbove boards={boards} under={under} />
            <CurveChart
              said={`Depth of the water under ${under.length > LINES ? 'the first three boards' : 'each board'} along the course, at chart datum. Each bait’s own depth stands beside its board.`}
              xTitle={`Along the course, ${myUnit('near')}`}
              yTitle={`Depth, ${myUnit('depth')}`}
              lines={under.slice(0, LINES).map((b, i) => ({
                name: `board ${i + 1}`,
                points: b.underM.flatMap((d, k) =>
                  d === null ? [] : [[Math.round(inMine((lengthM * k) / (POINTS - 1), 'near')), inMine(d, 'depth')] as const],
                ),
              }))}
              showX={(x) => x.toFixed(0)}
              showY={(y) => y.toFixed(1)}
            />
          </div>
        )
      }
    >
      <Choice label="Water" value={water.id} options={outfit.data.waters.map((w) => ({ value: w.id, name: w.name }))} onPick={setWater} />
      {spots.data.length > 0 && (
        <Choice
          label="From"
          value={start?.id ?? ''}
          options={spots.data.map((s) => ({ value: s.id, name: s.name }))}
          onPick={setFrom}
          className="mt-1"
        />
      )}
      <SumFields fields={FIELDS} values={values} onChange={set} />
      <BoardList boards={boards} under={typeof under === 'string' ? [] : under} onChange={keep} />
    </SumFrame>
  );
}

/** The spread from above: boat, lines and boards, with the depth of each bait. */
function FromAbove({ boards, under }: { boards: readonly Board[]; under: readonly BoardUnder[] }) {
  const widest = Math.max(10, ...under.map((u) => u.reachM));
  const scale = 150 / widest;
  return (
    <svg viewBox="0 0 640 250" className="block w-full" role="img" aria-label="The spread from above" data-spread>
      <rect width={640} height={250} fill="var(--water)" opacity={0.45} />
      <path d="M 560 125 l -46 -13 v 26 z" fill="var(--ink)" />
      <text x={566} y={130} fontSize={13} fill="var(--ink)">
        boat
      </text>
      {boards.map((b, i) => {
        const u = under[i];
        if (!u) return null;
        const y = 125 + (b.side === 'starboard' ? 1 : -1) * u.reachM * scale * 0.72;
        const x = 330 + (u.reachM / widest) * 110;
        const bad = u.warnings.length > 0;
        return (
          <g key={`${b.side} ${u.reachM} ${u.order}`}>
            <path d={`M 516 125 L ${x} ${y}`} stroke="var(--ink)" fill="none" />
            <path d={`M ${x} ${y - 5} h 16 l -4 10 h -12 z`} fill={bad ? 'var(--rust)' : 'var(--kelp)'} stroke="var(--ink)" />
            <path d={`M ${x} ${y} h -70`} stroke="var(--kelp)" strokeDasharray="4 4" />
            <text x={x - 76} y={y + 4} textAnchor="end" fontSize={13} fill="var(--ink)">
              {i + 1}: bait {amount(u.depthM, 'depth', 1)} over{' '}
              {u.leastUnderM === null ? 'no soundings' : amount(u.leastUnderM, 'depth', 1)}
              {bad ? ' !' : ''}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
