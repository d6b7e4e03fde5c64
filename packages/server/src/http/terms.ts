import type { Topic } from '../db/topics';

/** What a route says of itself beyond its schemas. */
export interface RouteTerms {
  /** Longest body, bytes; 256 kB when absent. */
  readonly maxBytes?: number;
  /** True for what computes for longer than a blink: it is answered by another thread. */
  readonly slow?: boolean;
  /** How long the answer of a GET holds while nothing that it is made from changes, ms; not kept when absent. */
  readonly keptMs?: number;
  /** What it is made from; anything of the outfit when absent. */
  readonly from?: readonly Topic[];
  /** True for a POST that comes so often that its changes are told together. */
  readonly often?: boolean;
  /** True where the handler opens its transactions itself, since there is long work between them. */
  readonly ownTransactions?: boolean;
  /** Whose answer is kept: each person's own, or one for the whole outfit, where everybody is told the same. */
  readonly keptFor?: 'person' | 'outfit';
}
