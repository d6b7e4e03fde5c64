import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { post } from '../data/api';
import { EXPERIENCE } from '../data/experience';
import { deskQuery, tripQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { Fault } from '../ui/parts';

type Guest = PlanDesk['guests'][number];

const SMALL = 'py-0.5 text-[0.9rem]';
const HANDS = [
  { value: '', name: 'hand unknown' },
  { value: 'right', name: 'right-handed' },
  { value: 'left', name: 'left-handed' },
];
const SWIMS = [
  { value: '', name: 'swims? not asked' },
  { value: 'yes', name: 'swims' },
  { value: 'no', name: 'does not swim' },
];

/** Who comes along, and what of each of them the plan has to know. */
export function GuestList({ desk, trip, mayEdit }: { desk: PlanDesk; trip: TripView; mayEdit: boolean }) {
  const guest = useSave<Pick<Guest, 'id' | 'experience' | 'hand' | 'wishes' | 'swims'>>({
    send: ({ id, experience, hand, wishes, swims }) => post(`/clients/${id}/notes`, { experience, hand, wishes, swims }),
    touches: [deskQuery(trip.id).queryKey, tripQuery(trip.id).queryKey],
  });
  return (
    <>
      {guest.error !== null && <Fault error={guest.error} />}
      <ul className="mt-2">
        {desk.guests.map((g) => {
          const view = trip.guests.find((x) => x.id === g.id);
          const terms = { labelled: 'hidden', disabled: !mayEdit, className: SMALL } as const;
          return (
            <li key={g.id} className="border-t border-line py-2">
              <p>
                <b>{g.name}</b>
                <span className="text-ink-2">{g.child ? ', child' : ''}</span>
              </p>
              <div className="my-0.5 flex flex-wrap gap-1.5">
                <Choice
                  {...terms}
                  label={`Experience of ${g.name}`}
                  value={String(g.experience)}
                  options={EXPERIENCE}
                  onPick={(v) => guest.save({ ...g, experience: Number(v) })}
                />
                <Choice
                  {...terms}
                  label={`Hand of ${g.name}`}
                  value={g.hand ?? ''}
                  options={HANDS}
                  onPick={(v) => guest.save({ ...g, hand: (v || null) as 'left' | null })}
                />
                <Choice
                  {...terms}
                  label={`Whether ${g.name} swims`}
                  value={g.swims === null ? '' : g.swims ? 'yes' : 'no'}
                  options={SWIMS}
                  onPick={(v) => guest.save({ ...g, swims: v === '' ? null : v === 'yes' })}
                />
              </div>
              {g.wishes && <p className="text-[0.9rem]">Wishes: {g.wishes}</p>}
              {view?.medicalNote && <p className="text-[0.9rem] text-rust">Seen by captain and owner only: {view.medicalNote}</p>}
            </li>
          );
        })}
        {desk.guests.length === 0 && <li className="border-t border-line py-2 text-ink-2">No guests are named yet.</li>}
      </ul>
    </>
  );
}
