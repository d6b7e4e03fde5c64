import type { PlanDesk } from '@bluffwind/contract/plan';
import { fishedSets } from '@bluffwind/core/plan/fishedSets';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';

/** A desk as the core's inputs. */
export function deskInputs(desk: PlanDesk): PlanInputs {
  return {
    ...desk,
    sets: fishedSets(
      desk.evidence,
      desk.spots.map((s) => s.id),
      desk.presentations.map((p) => p.id),
    ),
  };
}
