import type { CountedCast } from '@bluffwind/core/tackle/countDown';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery, outfitQuery } from '../data/queries';
import { amount, words } from '../data/units';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { Choice } from '../ui/Choice';
import { FIELD } from '../ui/form/fields';
import { Button, Fault, Waiting } from '../ui/parts';
import { placeTyped, placeWords } from '../ui/placeTyped';
import { CastTable } from './CastTable';
import { castsRead, castsWritten, plotOf, soundingsOf } from './countedCasts';
import { PlotView } from './PlotView';
import type { SumField } from './sum';
import { SumFields } from './SumFields';
import { SumFrame } from './SumFrame';
import { SumWithoutWater } from './SumWithoutWater';
import { useNumbers } from './useNumbers';

const FIELDS: readonly SumField[] = [
  { name: 'bombMps', label: 'The bomb sinks', measure: 'current', least: 0.3, most: 4, step: 0.05, usual: 2.2 },
];
const USUAL = '20~40~2.1;45~40~3.4;70~45~4.2;95~40~3.0';

/** Casts with a bare bomb, counted to the bottom: soundings that go to the chart as a survey. */
export default function CountDown() {
  const asked = useQuery(outfitQuery);
  const outfit = asked.data;
  const { data: me } = useQuery(meQuery);
  const [waterId, setWater] = useAddress('water', '');
  const water = outfit?.waters.find((w) => w.id === waterId) ?? outfit?.waters[0];
  const [typed, setPlace] = useAddress('at', '');
  const [params, setParams] = useSearchParams();
  const [values, set] = useNumbers(FIELDS);
  const key = useSendKey();
  const storing = useSave<{ lat: number[]; lon: number[]; soundedM: number[]; atMs: number[] }>({
    send: (s) =>
      post(`/waters/${water?.id}/imports/soundings`, { id: key.of(s), fileName: 'Counted casts', refused: 0, transducerM: 0, ...s }),
    touches: [['chart'], ['imports'], ['spots']],
    onStored: key.stored,
    told: (_, s) => `${s.lat.length} soundings are on the chart of ${water?.name}.`,
  });
  if (failedOf(asked)) return <Fault error={asked.error} retry={askAgain(asked)} />;
  if (!outfit) return <Waiting what="Opening the waters" />;
  if (!water)
    return (
      <SumWithoutWater
        name="Casts counted down"
        what="A bomb on an open spool, counted to the bottom, sounds the water."
        gives="and its chart takes the soundings"
      />
    );
  const casts = castsRead(params.get('casts') ?? USUAL);
  const place = placeTyped(typed) ?? { lat: water.dockLat, lon: water.dockLon };
  const keep = (next: readonly CountedCast[]) => {
    const to = new URLSearchParams(window.location.search);
    to.set('casts', castsWritten(next));
    setParams(to, { replace: true });
  };
  const found = soundingsOf(values.bombMps ?? 2.2, place, casts);
  const wrong =
    typeof found === 'string'
      ? found
      : typed !== '' && placeTyped(typed) === null
        ? 'Where you stand: write 47.61, -35.20 or 47 36.6 N 35 12.0 W.'
        : null;
  const list = typeof found === 'string' ? [] : found;
  const depthsM = list.map((s) => s.depthM);
  const change = (i: number, more: Partial<CountedCast>) => keep(casts.map((c, k) => (k === i ? { ...c, ...more } : c)));
  const mayStore = me !== undefined && me.role !== 'mate' && wrong === null && list.length >= 3;
  return (
    <SumFrame
      name="Casts counted down"
      what="A bomb on an open spool falls straight; counted to the bottom, each cast is a sounding."
      rules={['P14']}
      picture={
        <>
          {wrong ? (
            <p role="alert" className="m-[18px] border-l-4 border-rust bg-rust-pale px-4 py-3">
              {words(wrong)}
            </p>
          ) : (
            <PlotView plot={plotOf(casts, depthsM)} label={`${casts.length} casts with their depths`} onDrag={() => undefined} />
          )}
          <p className="px-[18px] py-2" data-says>
            {list.length > 0
              ? `${amount(Math.min(...depthsM), 'depth', 1)} to ${amount(Math.max(...depthsM), 'depth', 1)} now. The height of the tide is taken off when they go to the chart.`
              : 'Count a few casts.'}
          </p>
        </>
      }
    >
      <Choice label="Water" value={water.id} options={outfit.waters.map((w) => ({ value: w.id, name: w.name }))} onPick={setWater} />
      <label className="mt-2 flex flex-col">
        You stand at
        <input value={typed} placeholder={placeWords(place)} onChange={(e) => setPlace(e.target.value)} className={FIELD} />
      </label>
      <SumFields fields={FIELDS} values={values} onChange={set} />
      <CastTable casts={casts} depthsM={depthsM} onChange={change} />
      <p className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => keep([...casts, { ...(casts.at(-1) ?? { bearingDeg: 0, distanceM: 40 }), seconds: 3 }])}>
          Another cast
        </Button>
        {casts.length > 1 && <Button onClick={() => keep(casts.slice(0, -1))}>Take the last off</Button>}
        {mayStore && (
          <Button
            strong
            disabled={storing.busy}
            onClick={() =>
              storing.save({
                lat: list.map((s) => s.lat),
                lon: list.map((s) => s.lon),
                soundedM: depthsM.map((d) => Math.round(d * 100) / 100),
                atMs: list.map(() => Math.round(serverNow())),
              })
            }
          >
            Put them on the chart
          </Button>
        )}
      </p>
      {list.length < 3 && <p className="text-[0.87rem] text-ink-2">The chart takes three casts or more.</p>}
      {storing.error !== null && <Fault error={storing.error} />}
    </SumFrame>
  );
}
