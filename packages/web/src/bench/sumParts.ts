// Inputs that several sums ask for.
import type { SumField } from './sum';

export const field = (
  name: string,
  label: string,
  [least, most, step, usual]: readonly [number, number, number, number],
  more: Partial<SumField> = {},
): SumField => ({ name, label, least, most, step, usual, ...more });
export const depth = (usual: number, most = 60) => field('depthM', 'Depth', [0.5, most, 0.1, usual], { measure: 'depth' });
export const current = (usual: number) => field('currentMps', 'Current', [0, 2, 0.05, usual], { measure: 'current' });
