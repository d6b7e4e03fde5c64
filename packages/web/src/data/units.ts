// Figures in the units that this person reads in.
import { fromShown, inUnits, type Measure, measured, toShown, type Units, unitOf } from '@bluffwind/core/units/measure';
import { mySettings } from './settings';

export const myUnits = (): Units => mySettings().units;

/** "3.2 m" or "10 ft" of a value in SI. @param digits - What it is worth in metric units. */
export const amount = (value: number, measure: Measure, digits = 1): string => measured(value, measure, myUnits(), digits);

/** Name of my unit for a kind of figure. */
export const myUnit = (measure: Measure): string => unitOf(measure, myUnits());

/** A value of SI in my unit, for axes and fields. */
export const inMine = (value: number, measure: Measure): number => toShown(value, measure, myUnits());

/** A value in my unit back in SI. */
export const fromMine = (shown: number, measure: Measure): number => fromShown(shown, measure, myUnits());

/** A sentence with its figures in my units. */
export const words = (text: string): string => inUnits(text, myUnits());
