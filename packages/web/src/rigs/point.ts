/** A place in a drawing, px. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
