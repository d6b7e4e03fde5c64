// Units that a column may be in.
import { type InputUnit, LENGTHS } from '../units/inputUnits';
import { isVariable, VARIABLES } from '../weather/variables';

/** Units that a variable, or a depth that was sounded, may come in; the first is SI. Empty for what is not known. */
export function unitsOf(name: string): readonly InputUnit[] {
  if (name === 'depthM') return LENGTHS;
  return isVariable(name) ? VARIABLES[name].units : [];
}

/** The unit of a variable by id. Throws RangeError when it has no such unit. */
export function inputUnit(variable: string, id: string): InputUnit {
  const unit = unitsOf(variable).find((u) => u.id === id);
  if (!unit)
    throw new RangeError(
      `unit of ${variable}: unknown ${id}; there are ${unitsOf(variable)
        .map((u) => u.id)
        .join(', ')}`,
    );
  return unit;
}
