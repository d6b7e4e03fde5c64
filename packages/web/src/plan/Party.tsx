import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import type { RodRole } from '@bluffwind/core/plan/partyFit';
import { GuestList } from './GuestList';
import { MatesAboard } from './MatesAboard';
import { PartyTerms } from './PartyTerms';

interface PartyProps {
  readonly desk: PlanDesk;
  readonly trip: TripView;
  readonly mayEdit: boolean;
  readonly fit: { readonly sentence: string; readonly roles: readonly RodRole[] } | null;
}

/** Who is aboard, what the plan has to respect of them, and how it fits. */
export function Party({ desk, trip, mayEdit, fit }: PartyProps) {
  return (
    <div>
      <h2 className="font-bold">The party</h2>
      {trip.wish && <p className="mt-1">“{trip.wish}”</p>}
      {fit?.sentence && (
        <p className="mt-1 border-l-4 border-kelp bg-kelp-pale px-3 py-1.5" data-fit>
          {fit.sentence}
        </p>
      )}
      <GuestList desk={desk} trip={trip} mayEdit={mayEdit} />
      {fit && fit.roles.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Rods</h3>
          <ul>
            {fit.roles.map((r) => (
              <li key={r.rod} className="border-t border-line py-1 text-[0.93rem]">
                Rod {r.rod}: {r.guest}, {r.role}
                {r.leftHanded ? ', left-hand crank' : ''}
              </li>
            ))}
          </ul>
        </>
      )}
      <MatesAboard trip={trip} mayEdit={mayEdit} />
      <PartyTerms desk={desk} trip={trip} mayEdit={mayEdit} />
    </div>
  );
}
