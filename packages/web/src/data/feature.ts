// What a screen says of itself. The router, the rail, the bar of the pocket, the palette and the list of keys are made of these alone.
import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import type { QueryClient } from '@tanstack/react-query';
import type { LucideIcon } from 'lucide-react';
import type { LazyExoticComponent } from 'react';

/** Where a person stands: what the way to a screen may depend on. */
export interface Here {
  readonly today: string;
  readonly tomorrow: string;
  readonly zone: string;
  /** Trips of tomorrow, then of today. */
  readonly trips: readonly TripView[];
  /** The trip under way, else the next one; none when none is coming. */
  readonly trip: TripView | undefined;
  readonly outfit: OutfitView | undefined;
}

/** A place among the screens that are always in reach. */
export interface Place {
  readonly name: string;
  /** Pressed after g. */
  readonly key: string;
  readonly icon: LucideIcon;
  /** Its address; null when there is nothing to show there. */
  to(here: Here): string | null;
  /** Its name and place in the bar of the pocket; without one it is under More. */
  readonly bar?: { readonly name: string; readonly position: number; to?(here: Here): string | null };
}

/** Something the palette offers. */
export interface Command {
  readonly key: string;
  /** What is shown and searched. */
  readonly text: string;
  readonly to: string;
}

export interface Feature {
  readonly path: string;
  readonly screen: LazyExoticComponent<() => React.JSX.Element>;
  readonly place?: Place;
  commands?(here: Here): Command[];
  /** More that the palette finds by name, asked for when it opens. */
  finds?(queries: QueryClient, here: Here): Promise<Command[]>;
  /** Keys of the screen, for the list of keys. */
  readonly keys?: readonly (readonly [keys: string, what: string])[];
  /** What a phone takes along for the trips of today and tomorrow, one thing after the other. */
  takeAlong?(queries: QueryClient, here: Here): readonly (() => Promise<unknown>)[];
  /** True for a screen that goes on without a session: what is entered there must not be lost. */
  readonly keepsOn?: boolean;
}
