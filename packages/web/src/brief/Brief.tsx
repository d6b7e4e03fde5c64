import type { BriefView } from '@bluffwind/contract/brief';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { get, post } from '../data/api';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery } from '../data/queries';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { clock, dateName, fish } from '../ui/format';
import { RiskLines } from '../risk/RiskLines';
import { Button, Fault, Header, RangeBar } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { saveBytes } from '../ui/saveFile';
import { Segments } from '../ui/Segments';
import { briefQuery } from './queries';
import { Words } from './Words';

export default function Brief() {
  const { date = '' } = useParams();
  const [asked, setAs] = useAddress('as', 'now');
  const as = asked === 'published' ? 'published' : 'now';
  const brief = useQuery(briefQuery(date, as));
  const { data: me } = useQuery(meQuery);
  const [chosen, setChosen] = useState(0);
  const filing = useSave<null, { name: string; base64: string }>({
    send: () => get(`/brief/${date}/pdf?as=${as}`),
    touches: [],
    told: ({ name }) => `${name} is among your downloads.`,
    onStored: ({ name, base64 }) => saveBytes(name, base64, 'application/pdf'),
  });
  const sending = useSave<'read' | 'publish'>({
    send: (what) => post(`/brief/${date}/${what}`),
    touches: [['brief', date]],
    told: (_, what) => (what === 'read' ? 'Marked as read by you.' : 'Published to the crew.'),
  });
  if (!brief.data)
    return (
      <StandIn
        title={`Brief for ${dateName(date)}`}
        what="Comparing the day with its plan"
        error={failedOf(brief)}
        retry={askAgain(brief)}
      />
    );
  const b = brief.data;
  const boat = b.boats[chosen] ?? b.boats[0];
  return (
    <>
      <Header
        title={`Brief for ${dateName(date)}`}
        note={`written ${clock(b.writtenAt, b.zone)} from ${b.trips} ${b.trips === 1 ? 'trip' : 'trips'} on ${dateName(b.debriefDate)}, ${b.rodHours.toFixed(0)} rod-hours, ${b.fish} fish`}
      >
        {b.publishedAt && <Button onClick={() => sending.save('read')}>I have read it</Button>}
        <Button onClick={() => window.print()}>Print</Button>
        <Button onClick={() => filing.save(null)} disabled={filing.busy}>
          {filing.busy ? 'Writing it' : 'PDF'}
        </Button>
        {me?.role !== 'mate' && (
          <Button strong onClick={() => sending.save('publish')}>
            {b.publishedAt ? 'Publish again' : 'Publish to crew'}
          </Button>
        )}
      </Header>
      {sending.error !== null && <Fault error={sending.error} />}
      {filing.error !== null && <Fault error={filing.error} />}
      {b.publishedAt && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-3 py-1.5 md:px-[18px]">
          <span className="no-print">
            <Segments
              label="Which brief"
              value={as}
              options={[
                { value: 'now', name: 'As things stand' },
                { value: 'published', name: `As it went out ${clock(b.publishedAt, b.zone)}` },
              ]}
              onPick={setAs}
            />
          </span>
          <Since brief={b} />
        </div>
      )}
      <div className="flex min-h-0 flex-1 flex-col overflow-auto md:grid md:grid-cols-[312px_1fr_290px] print:block">
        <aside className="no-print contents border-line md:block md:border-r">
          <ul aria-label="Boats" className="max-md:order-1 max-md:flex max-md:shrink-0 max-md:overflow-x-auto">
            {b.boats.map((x, i) => (
              <li
                key={x.trip.id}
                className={`border-b border-line border-l-4 max-md:min-w-[200px] ${x === boat ? 'border-l-kelp bg-paper' : 'border-l-transparent'}`}
              >
                <button
                  type="button"
                  aria-pressed={x === boat}
                  className="block w-full cursor-pointer px-4 py-2.5 text-left"
                  onClick={() => setChosen(i)}
                >
                  <b>{x.trip.boat.name}</b>
                  <span className="block text-[0.9rem] text-ink-2">
                    <span className="num">{clock(x.trip.startsAt, b.zone)}</span> {x.trip.guests[0]?.name.split(' ').at(-1) ?? 'no'} party,{' '}
                    {x.trip.guests.length}. {b.publishedAt ? readWords(x.people) : 'Not published.'}
                  </span>
                </button>
              </li>
            ))}
            {b.boats.length === 0 && <li className="px-4 py-3 text-ink-2">No trips on {dateName(date)}.</li>}
          </ul>
          {b.leaveAlone.length > 0 && (
            <div className="border-b border-line px-5 py-3 max-md:order-2">
              <h2 className="font-bold text-rust">Leave alone tomorrow</h2>
              {b.leaveAlone.map((l) => (
                <p key={l} className="text-[0.9rem]">
                  {l}
                </p>
              ))}
            </div>
          )}
          <Against brief={b} />
          <Said said={b.said} day={dateName(b.debriefDate)} />
        </aside>
        <article className="bg-paper px-4 py-4 max-md:order-3 md:px-7 md:py-6">
          <Words date={date} tripId={null} text={b.words} name="To everybody" may={me?.role !== 'mate' && as === 'now'} />
          {boat ? <BoatPage brief={b} boat={boat} may={me?.role !== 'mate' && as === 'now'} /> : null}
        </article>
        <aside className="border-line px-4 py-5 max-md:order-4 max-md:border-t md:border-l md:px-5" aria-label="What changed and why">
          <h2 className="mb-2 font-bold">What {dateName(b.debriefDate)} changed, and why</h2>
          {b.changes.length === 0 && (
            <p className="border-t border-line py-2 text-ink-2">
              {b.trips === 0 ? 'Nothing was fished, so nothing has moved.' : 'Nothing moved by more than a twentieth.'}
            </p>
          )}
          {b.changes.slice(0, 12).map((c) => (
            <div key={c.spotId} className="border-t border-line py-2.5" data-change={c.spotName}>
              <p>
                <b>{c.spotName}</b> <span className="text-[0.87rem] text-ink-2">{c.water}</span>
              </p>
              <p className="text-[0.9rem] text-ink-2">{c.sentence}</p>
            </div>
          ))}
        </aside>
      </div>
    </>
  );
}

/** What each spot was expected to give (sand) and what it gave (dot). */
function Against({ brief }: { brief: BriefView }) {
  const max = Math.max(4, ...brief.againstPlan.map((a) => Math.max(a.hi80, a.fish)));
  return (
    <section className="px-4 py-3 max-md:order-5 max-md:border-t max-md:border-line md:px-5" aria-label="The day against what was expected">
      <h2 className="mb-1 font-bold">{dateName(brief.debriefDate)} against what was expected</h2>
      {brief.againstPlan.map((a) => (
        <div key={a.spotId} className="flex items-center justify-between gap-2 py-1 text-[0.87rem]" data-against={a.spotName}>
          <span className="w-[118px]">{a.spotName}</span>
          <RangeBar
            lo={a.lo80}
            hi={a.hi80}
            max={max}
            dot={a.fish}
            width={120}
            label={`${a.fish} fish, expected ${fish(a.expected)}, 80 % range ${a.lo80} to ${a.hi80}`}
          />
          <span className="num w-6 text-right" data-fish>
            {a.fish}
          </span>
        </div>
      ))}
      <p className="mt-2 text-[0.9rem] text-ink-2">{brief.summary}</p>
    </section>
  );
}

/** What the crews wrote down of the day. */
function Said({ said, day }: { said: BriefView['said'] | undefined; day: string }) {
  // A brief that was kept on the phone before there were debriefs has none.
  if (!said || said.length === 0) return null;
  return (
    <section className="px-4 py-3 max-md:order-6 max-md:border-t max-md:border-line md:px-5" aria-label={`What the crews said of ${day}`}>
      <h2 className="mb-1 font-bold">What the crews said</h2>
      {said.map((s) => (
        <div key={s.tripId} className="border-t border-line py-2 text-[0.9rem]" data-said={s.boat}>
          <p>
            <Link to={`/trips/${s.tripId}/after`} className="font-bold">
              {s.boat}
            </Link>
            {s.chips.length > 0 && <span className="text-ink-2"> {s.chips.join(', ')}</span>}
            {s.signedBy === null && <span className="text-rust"> not signed off</span>}
          </p>
          {s.said !== '' && <p>{s.said}</p>}
          {s.lost.length > 0 && <p className="text-ink-2">Lost: {s.lost.map((l) => `${l.number} ${l.what}`).join(', ')}.</p>}
          {s.baitLeft !== '' && <p className="text-ink-2">Bait left: {s.baitLeft}.</p>}
        </div>
      ))}
    </section>
  );
}

/** Who of a boat has read the brief since it last went out. */
function readWords(people: BriefView['boats'][number]['people'] | undefined): string {
  const [read, not] = [people?.filter((p) => p.readAt) ?? [], people?.filter((p) => !p.readAt) ?? []];
  const first = (of: typeof read) => of.map((p) => p.name.split(' ')[0]).join(', ');
  if (read.length === 0) return 'Not read.';
  return not.length === 0 ? 'Read by all aboard.' : `Read by ${first(read)}, not by ${first(not)}.`;
}

/** What has changed since the brief went out. */
function Since({ brief }: { brief: BriefView }) {
  if (brief.asPublished) return <p className="text-[0.9rem] text-ink-2">Written by {brief.publishedBy}. Nothing here changes any more.</p>;
  // A brief that was kept on the phone before this was told has none.
  if ((brief.since ?? []).length === 0) return <p className="text-[0.9rem] text-ink-2">Nothing has changed since it went out.</p>;
  return (
    <ul className="text-[0.9rem] text-rust" aria-label="Changed since it went out">
      {brief.since.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}

function BoatPage({ brief, boat, may }: { brief: BriefView; boat: BriefView['boats'][number]; may: boolean }) {
  const { trip, plan } = boat;
  return (
    <>
      <h2 className="text-[1.4rem] font-bold">
        {trip.boat.name}, {clock(trip.startsAt, brief.zone)} to {clock(trip.endsAt, brief.zone)}
      </h2>
      <p className="text-ink-2">{boat.water}</p>
      <p className="text-ink-2">
        {[trip.captain, ...trip.mates].map((p) => p.name).join(', ')}.{' '}
        {trip.guests.map((g) => `${g.name}${g.child ? ' (child)' : ''}`).join(', ')}. {trip.wish}
      </p>
      <Words date={brief.date} tripId={trip.id} text={boat.words} name={`To ${trip.boat.name}`} may={may} />
      {plan ? (
        <>
          <h3 className="mt-4 mb-1 font-bold">
            Stops, about {fish(plan.expected)} fish ({plan.lo80} to {plan.hi80})
            {boat.worthNow !== null && Math.abs(boat.worthNow - plan.expected) > 0.05 && (
              <span className="font-normal text-ink-2">
                {' '}
                · worth {fish(boat.worthNow)} with the day’s catches and the newest forecast counted
              </span>
            )}
            {boat.worthNow === null && <span className="font-normal text-rust"> · no longer fits the water; lay it anew</span>}
          </h3>
          <ol>
            {plan.legs.map((l, i) => (
              <li
                key={l.spotId}
                className="grid grid-cols-[30px_1fr_auto] items-start gap-x-2 gap-y-0.5 md:grid-cols-[36px_148px_1fr_auto] border-t border-line py-2"
              >
                <span className="flex h-6 w-6 items-center justify-center rounded-full border-2 border-kelp text-[0.87rem] font-bold">
                  {i + 1}
                </span>
                <span className="num">
                  {clock(l.startAt, brief.zone)} to {clock(l.departAt, brief.zone)}
                </span>
                <span className="max-md:col-span-2 max-md:col-start-2">
                  <b>{brief.names[l.spotId]}</b>
                  <span className="block text-[0.9rem] text-ink-2">{brief.names[l.presentationId]}</span>
                  <RiskLines lines={boat.legRisks[i] ?? []} className="text-[0.87rem]" />
                </span>
                <span className="num max-md:col-start-3 max-md:row-start-1">{fish(l.expected)}</span>
              </li>
            ))}
          </ol>
        </>
      ) : (
        <p className="mt-4 border-l-4 border-rust bg-rust-pale px-3 py-2">No plan yet. Open the trip and lay the day.</p>
      )}
      {boat.tonight.length > 0 && (
        <>
          <h3 className="mt-4 font-bold" data-brief-tonight>
            To tie and get ready{' '}
            <span className="num font-normal text-ink-2">
              {boat.tonight.filter((i) => i.done).length} of {boat.tonight.length} done ·{' '}
              <Link to={`/trips/${trip.id}/rigs`} className="no-print underline underline-offset-2">
                Rigs
              </Link>
            </span>
          </h3>
          <ul className="text-[0.93rem] md:columns-2">
            {boat.tonight
              .filter((i) => i.group !== 'load')
              .map((i) => (
                <li key={i.key} className={`break-inside-avoid ${i.done ? 'text-ink-2 line-through' : ''}`}>
                  {i.what}
                </li>
              ))}
          </ul>
        </>
      )}
      {boat.cautions.length > 0 && (
        <>
          <h3 className="mt-4 font-bold text-rust">Cautions</h3>
          <RiskLines lines={boat.cautions} />
        </>
      )}
      <h3 className="mt-4 font-bold">Rules in the crew’s copy</h3>
      <p className="text-[0.93rem] text-ink-2">
        {boat.rules.join('. ')}. Local rules, the licensed captain’s judgement and the makers’ instructions come first.
      </p>
    </>
  );
}
