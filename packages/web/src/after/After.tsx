import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { askAgain, failedOf } from '../data/failedOf';
import { meQuery, tripQuery } from '../data/queries';
import { clock, dayName } from '../ui/format';
import { Header } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { Debrief } from './Debrief';
import { GuestsPage } from './GuestsPage';

/** When the lines are in: what the crew says of the day, and the page that the guests keep. */
export default function After() {
  const { id = '' } = useParams();
  const trip = useQuery(tripQuery(id));
  const { data: me } = useQuery(meQuery);
  if (!trip.data || !me)
    return <StandIn title="The day in hindsight" what="Opening the day" error={failedOf(trip)} retry={askAgain(trip)} />;
  const t = trip.data;
  const zone = me.outfit.zone;
  const begun = t.status === 'under way' || t.status === 'done';
  return (
    <>
      <Header
        title={`${t.boat.name}: the day in hindsight`}
        note={`${dayName(t.startsAt, zone)} ${clock(t.startsAt, zone)} to ${clock(t.endsAt, zone)}, ${t.captain.name}`}
      />
      {!begun && (
        <p className="p-4 text-ink-2">
          This trip has not begun. <Link to={`/deck/${id}`}>Its deck</Link> is where it begins.
        </p>
      )}
      {begun && (
        <div className="min-h-0 flex-1 overflow-auto md:grid md:grid-cols-[1fr_1fr]">
          <Debrief tripId={id} captain={me.role !== 'mate'} zone={zone} />
          <section aria-label="The guests’ page" className="border-line px-4 py-4 max-md:border-t md:border-l md:px-6">
            <h2 className="text-[1.13rem] font-bold">The guests’ page</h2>
            {me.role === 'mate' ? (
              <p className="text-ink-2">A captain writes and sends it. Your photos of the day are in it if the captain picks them.</p>
            ) : t.status === 'done' ? (
              <GuestsPage tripId={id} zone={zone} />
            ) : (
              <p className="text-ink-2">It can be written once the trip is ended on deck.</p>
            )}
          </section>
        </div>
      )}
    </>
  );
}
