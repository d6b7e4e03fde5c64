import type { PlanInputs, PlanPresentation } from './planInputs';

/** Why a presentation is not fished on a trip, in a guide's words; null when it can be. @param aboard - What is in the boat; all when absent. */
export function whyLeftOut(
  inputs: Pick<PlanInputs, 'skill' | 'rods'>,
  p: Pick<PlanPresentation, 'id' | 'skill' | 'rods' | 'heldBy'>,
  aboard?: readonly string[],
): string | null {
  if (aboard && !aboard.includes(p.id)) return 'not aboard';
  if (p.skill > inputs.skill) return `asks for skill ${p.skill}, the party has ${inputs.skill}`;
  if (p.rods > inputs.rods) return `takes ${p.rods} rods, the trip has ${inputs.rods}`;
  return p.heldBy.length > 0 ? `${p.heldBy.join(' and ')} has the last of the day\u2019s bait` : null;
}
