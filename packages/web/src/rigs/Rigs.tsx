import type { RigPart } from '@bluffwind/core/tackle/rigQuestion';
import type { StopCard, StopRigs } from '@bluffwind/core/tackle/rigDay';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { post } from '../data/api';
import { askAgain, failedOf } from '../data/failedOf';
import { deskQuery, meQuery, tripQuery } from '../data/queries';
import { amount } from '../data/units';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Header } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { Segments } from '../ui/Segments';
import { usePocket } from '../ui/usePocket';
import { PrintCards } from './PrintCards';
import { rigsQuery } from './queries';
import { RigCardView } from './RigCardView';
import { ROLES } from './roles';
import { Tonight } from './Tonight';
import { useDayRigs } from './useDayRigs';
import { useTicks } from './useTicks';

/** What to tie, what to load and how to fish it, for every stop of a trip's plan. */
export default function Rigs() {
  const { id = '' } = useParams();
  return <RigsOf key={id} id={id} />;
}

interface Listed extends StopCard {
  readonly key: string;
  readonly stop: StopRigs;
  readonly place: string;
}

function RigsOf({ id }: { id: string }) {
  const queries = useQueryClient();
  const pocket = usePocket();
  const { data: me } = useQuery(meQuery);
  const trip = useQuery(tripQuery(id));
  const desk = useQuery(deskQuery(id));
  const extra = useQuery(rigsQuery(id));
  const { rigs, failed: unmade, again } = useDayRigs(desk.data, extra.data);
  const readAgain = useCallback(() => void queries.invalidateQueries({ queryKey: ['rigs', id] }), [queries, id]);
  const { tickOf, setTick } = useTicks(id, extra.data?.ticks, extra.dataUpdatedAt, readAgain);
  const [chosen, setChosen] = useAddress('rig', '');
  const [show, setShow] = useAddress('show', 'rig');
  const setting = useSave<{ spotId: string; presentationId: string; part: string; value: number | null }>({
    send: (body) => post(`/trips/${id}/rig-choices`, body),
    touches: [['rigs', id]],
    told: (_, { part, value }) => (value === null ? `The ${part} is as reckoned again.` : `The ${part} is kept as you set it.`),
  });
  const zone = desk.data?.zone ?? 'UTC';
  const listed = useMemo(
    (): Listed[] =>
      (rigs?.stops ?? []).flatMap((stop, i) =>
        stop.cards.map((c) => ({
          ...c,
          stop,
          key: `${i + 1}-${c.card.presentationId}`,
          place: `stop ${i + 1}, ${stop.spotName}, ${clock(c.fromMs, zone)}`,
        })),
      ),
    [rigs, zone],
  );

  if (!trip.data || !desk.data || !extra.data)
    return <StandIn title="Rigs" what="Opening the rigs" error={failedOf(trip, desk, extra)} retry={askAgain(trip, desk, extra)} />;
  const t = trip.data;
  const title = `Rigs for ${dayName(t.startsAt, zone)}, ${t.boat.name}`;
  if (!desk.data.saved)
    return (
      <>
        <Header title={title} />
        <div className="max-w-prose p-[18px]">
          <p>No plan is kept for this trip yet, so there is nothing to tie for it.</p>
          <p className="mt-2">
            <Link to={`/trips/${id}`} className="font-semibold underline underline-offset-2">
              Lay the day and save it
            </Link>{' '}
            <span className="text-ink-2">and every rig of it is here, with the sizes for its own water.</span>
          </p>
        </div>
      </>
    );
  if (unmade || !rigs) return <StandIn title={title} what="Making the rigs" error={unmade} retry={again} />;
  const at = listed.find((l) => l.key === chosen) ?? listed[0];
  const mayEdit = me !== undefined && me.role !== 'mate' && t.status !== 'done';
  const set = (l: Listed) => (part: RigPart, value: number | null) =>
    setting.save({ spotId: l.stop.spotId, presentationId: l.card.presentationId, part: part.name, value });
  const tonight = <Tonight night={rigs.night} tickOf={tickOf} onTick={(key, done) => void setTick(key, done)} />;
  const list = <RigList stops={rigs.stops} listed={listed} chosen={at?.key ?? ''} zone={zone} onChoose={setChosen} />;
  const card = at ? (
    <RigCardView
      card={at.card}
      place={at.place}
      trial={extra.data.trials.find((x) => x.presentationId === at.card.presentationId)}
      drift={mayEdit ? { boat: t.boat, hull: extra.data.boat } : undefined}
      onSet={mayEdit ? set(at) : null}
    />
  ) : (
    <p className="p-[18px]">None of this plan’s rigs could be made. Lay the day again.</p>
  );
  return (
    <>
      <Header
        title={title}
        note={`${rigs.stops.length} ${rigs.stops.length === 1 ? 'stop' : 'stops'}, ${new Set(listed.map((l) => l.card.presentationId)).size} rigs${extra.data.box.usual.weights ? ', usual box of weights' : ''}`}
      >
        <Button onClick={() => window.print()}>Print cards</Button>
      </Header>
      {setting.error !== null && <Fault error={setting.error} />}
      {pocket ? (
        <div className="no-print min-h-0 flex-1 overflow-auto">
          <div className="px-3 pt-2">
            <Segments
              label="What to look at"
              value={show === 'tonight' || show === 'list' ? show : 'rig'}
              options={[
                { value: 'list', name: 'Rigs' },
                { value: 'rig', name: 'This rig' },
                { value: 'tonight', name: 'Tonight' },
              ]}
              onPick={setShow}
            />
          </div>
          {show === 'tonight' ? (
            <div className="px-3 py-2">{tonight}</div>
          ) : show === 'list' ? (
            <RigList
              stops={rigs.stops}
              listed={listed}
              chosen={at?.key ?? ''}
              zone={zone}
              onChoose={(key) => {
                setChosen(key);
                setShow('rig');
              }}
            />
          ) : (
            card
          )}
        </div>
      ) : (
        <div className="no-print grid min-h-0 flex-1 grid-cols-[300px_1fr_300px]">
          <nav aria-label="Rigs" className="min-h-0 overflow-auto border-r border-line">
            {list}
          </nav>
          <section aria-label="Rig" tabIndex={0} className="min-h-0 overflow-auto">
            {card}
          </section>
          <section aria-label="List of tonight" tabIndex={0} className="min-h-0 overflow-auto border-l border-line px-[18px] py-3">
            {tonight}
          </section>
        </div>
      )}
      <PrintCards title={title} stops={rigs.stops} night={rigs.night} zone={zone} />
    </>
  );
}

interface RigListProps {
  readonly stops: readonly StopRigs[];
  readonly listed: readonly Listed[];
  readonly chosen: string;
  readonly zone: string;
  readonly onChoose: (key: string) => void;
}

/** The stops in their order, each with its rigs. */
function RigList({ stops, listed, chosen, zone, onChoose }: RigListProps) {
  return (
    <ol>
      {stops.map((s, i) => (
        <li key={`${s.spotId} ${s.startMs}`} className="border-b border-line py-2" data-rig-stop={s.spotName}>
          <p className="flex items-baseline gap-2 px-4">
            <b className="min-w-0 flex-1">
              {i + 1} {s.spotName}
            </b>
            <span className="num text-[0.87rem]">{clock(s.startMs, zone)}</span>
          </p>
          <p className="px-4 text-[0.87rem] text-ink-2">
            {amount(s.depthM, 'depth', 1)} deep
            {s.currentMps === null ? ', current not known' : s.currentMps >= 0.02 ? `, current ${amount(s.currentMps, 'current', 1)}` : ''}
          </p>
          <ul className="mt-1">
            {listed
              .filter((l) => l.stop === s)
              .map((l) => (
                <li key={l.key}>
                  <button
                    type="button"
                    aria-pressed={l.key === chosen}
                    onClick={() => onChoose(l.key)}
                    className={`block min-h-11 w-full cursor-pointer border-l-4 px-3 py-1 text-left md:min-h-8 ${l.key === chosen ? 'border-kelp bg-paper font-semibold' : 'border-transparent'}`}
                  >
                    {l.card.name}
                    <span className="block text-[0.85rem] font-normal text-ink-2">
                      {l.role === 'first' || l.role === 'next'
                        ? `${l.role === 'first' ? 'from' : 'then, from'} ${clock(l.fromMs, zone)}`
                        : ROLES[l.role]}
                    </span>
                  </button>
                </li>
              ))}
          </ul>
          {s.failed.map((f) => (
            <p key={f} role="alert" className="px-4 text-[0.87rem] text-rust">
              {f}
            </p>
          ))}
        </li>
      ))}
    </ol>
  );
}
