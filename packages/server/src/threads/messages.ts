import type { Config } from '../config';
import type { Holder } from '../http/who';

/** What a thread is started with. */
export interface ThreadStart {
  /** Answers requests, or does the jobs and listens to stations and instruments. */
  readonly kind: 'requests' | 'jobs';
  readonly config: Config;
  /** The demo's time when the thread starts; null outside the demo. */
  readonly demoNowMs: number | null;
}

/** A request whose sender is known and whose body has arrived. */
export interface AskedOfThread {
  readonly method: string;
  readonly url: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: ArrayBuffer | null;
  readonly holder: Holder;
  readonly nowMs: number;
}

export interface ThreadAnswer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  /** The body as it goes over the network (RFC 1952), packed here so that the other thread need not; null without a body. */
  readonly gzip: ArrayBuffer | null;
}

/** The demo's clock was set. */
export interface ClockSet {
  readonly setClockMs: number;
}
