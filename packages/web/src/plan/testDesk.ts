// A desk for the tests of the plan's screens: the core's made-up trip as the server would send it.
import type { PlanDesk } from '@bluffwind/contract/plan';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { inputs } from '@bluffwind/core/plan/testTrip';

/** The trip's inputs with the rest of a desk round them. */
export function testDesk(more: Partial<PlanInputs> = {}): { desk: PlanDesk; trip: PlanInputs } {
  const trip = inputs(more);
  const desk = {
    ...trip,
    presentations: trip.presentations.map((p) => ({ ...p, tripsADay: null })),
    aboard: null,
    guests: [],
    species: [],
    members: null,
    forecastRunAt: null,
    saved: null,
    hiddenLegs: 0,
    marksLeftOut: 0,
    earlier: [],
  } as unknown as PlanDesk;
  return { desk, trip };
}
