// What a sum of the bench is: its inputs, what it finds, and the picture of it in metres.
import type { Measure } from '@bluffwind/core/units/measure';

export interface SumField {
  readonly name: string;
  readonly label: string;
  /** Kind of the figure, which is SI inside (grams for `lead`); or a unit of its own. */
  readonly measure?: Measure;
  readonly of?: string;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly usual: number;
}

/** Something drawn, in metres from the top left of the picture. */
export interface PlotPath {
  readonly points: readonly (readonly [number, number])[];
  readonly look: 'line' | 'dashed' | 'choice' | 'caution' | 'area';
}
export interface PlotMark {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly look: 'weight' | 'lure' | 'feed' | 'fish' | 'boat' | 'none';
  /** Where its words stand. */
  readonly side?: 'left' | 'right' | 'above' | 'below';
}
/** A point that is dragged to change an input. */
export interface PlotHandle {
  readonly x: number;
  readonly y: number;
  readonly field: string;
  readonly along: 'x' | 'y';
  /** From metres of the picture to the field's value. */
  readonly value: (metres: number) => number;
}
export interface Plot {
  readonly kind: 'side' | 'top';
  readonly widthM: number;
  readonly heightM: number;
  /** Water's surface and bottom of a side view, m from the top. */
  readonly surfaceM?: number;
  readonly bottomM?: number;
  readonly paths: readonly PlotPath[];
  readonly marks: readonly PlotMark[];
  readonly handles: readonly PlotHandle[];
}
export interface Curve {
  readonly xTitle: string;
  readonly yTitle: string;
  readonly said: string;
  readonly lines: readonly { readonly name: string; readonly points: readonly (readonly [number, number])[] }[];
}

export interface SumResult {
  readonly plot: Plot | null;
  readonly curve?: Curve;
  readonly figures: readonly { readonly label: string; readonly text: string }[];
  /** What it means, in a sentence or two with figures by their kinds. */
  readonly says: string;
  readonly warning?: string;
}

export interface Sum {
  readonly key: string;
  readonly name: string;
  readonly what: string;
  /** Facts of the trade that it serves. */
  readonly rules: readonly string[];
  readonly fields: readonly SumField[];
  /** @throws RangeError with a sentence where there is no answer. */
  readonly solve: (v: Readonly<Record<string, number>>) => SumResult;
}
