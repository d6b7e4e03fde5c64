import type { OutfitView } from '@bluffwind/contract/outfit';
import type { TripView } from '@bluffwind/contract/trips';
import { addDays, DAY, localDate } from '@bluffwind/core/units/time';
import { useState } from 'react';
import { v7 } from 'uuid';
import { ApiProblem, post } from '../data/api';
import { serverNow } from '../data/clock';
import { calendarQuery } from '../trips/queries';
import { type TripDraft, tripOf } from '../trips/tripDraft';
import { useQueries } from '@tanstack/react-query';
import type { FilesWork } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import type { Booking } from '../workers/bookings';
import { bookingDraft } from './bookingDraft';
import type { Refused } from '@bluffwind/core/formats/refused';

/** Bookings are looked for so far ahead. */
const AHEAD_DAYS = 400;
/** Days of one question to the calendar. */
const SPAN_DAYS = 69;

/** A booking with the trip that would be made of it. */
export interface BookingRow {
  readonly booking: Booking;
  readonly draft: TripDraft;
  readonly wanted: boolean;
  /** The trip that was made of it before. */
  readonly there: TripView | null;
  /** What happened to it when it was to be stored. */
  readonly fate: { readonly kind: 'stored' } | { readonly kind: 'refused'; readonly why: string } | null;
}

/** Bookings of a file or an address, matched with the outfit's boats, captains and waters by their words. */
export function useBookings(outfit: OutfitView, zone: string, myId: string) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [found, setFound] = useState<readonly Booking[] | null>(null);
  const [refused, setRefused] = useState<readonly Refused[]>([]);
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const [changes, setChanges] = useState<ReadonlyMap<string, Partial<Pick<BookingRow, 'draft' | 'wanted' | 'fate'>>>>(new Map());
  const today = localDate(serverNow(), zone);
  const last = found?.at(-1) ? localDate(found.at(-1)?.fromMs ?? 0, zone) : today;
  const spans: string[] = [];
  for (let from = today; found && from <= last; from = addDays(from, SPAN_DAYS + 1)) spans.push(from);
  const calendar = useQueries({ queries: spans.map((from) => calendarQuery(from, addDays(from, SPAN_DAYS))) });
  const there = calendar.flatMap((q) => q.data ?? []);

  async function read(text: string): Promise<void> {
    setFault(null);
    const fromMs = serverNow();
    const answer = await worker.get().bookings(text, { zone, fromMs, toMs: fromMs + AHEAD_DAYS * DAY });
    if ('fault' in answer) {
      setFound(null);
      return setFault(answer);
    }
    setFound(answer.bookings);
    setRefused(answer.refused);
    setChanges(new Map());
  }
  const rows: readonly BookingRow[] = (found ?? []).map((booking) => {
    const kept = there.find((t) => t.booking === booking.key) ?? null;
    const change = changes.get(booking.key);
    return {
      booking,
      draft: change?.draft ?? bookingDraft(booking, outfit, zone, myId),
      there: kept,
      wanted: change?.wanted ?? (!kept && !booking.off),
      fate: change?.fate ?? null,
    };
  });
  const change = (key: string, more: Partial<Pick<BookingRow, 'draft' | 'wanted' | 'fate'>>) =>
    setChanges((all) => new Map(all).set(key, { ...all.get(key), ...more }));

  /** Stores those that are wanted one after the other; one that is refused does not hold back the others. */
  async function store(): Promise<number> {
    let stored = 0;
    for (const row of rows.filter((r) => r.wanted && !r.there && r.fate?.kind !== 'stored')) {
      const { key } = row.booking;
      try {
        await post('/trips', { ...tripOf(row.draft, zone), id: v7(), waterId: row.draft.waterId, booking: key });
        stored++;
        change(key, { fate: { kind: 'stored' } });
      } catch (error) {
        const body = error instanceof ApiProblem ? error.body : null;
        // Its answer was lost the time before: the trip is there.
        if (body?.code === 'booking_there') {
          stored++;
          change(key, { fate: { kind: 'stored' } });
          continue;
        }
        change(key, { fate: { kind: 'refused', why: body ? body.detail || body.title : 'It did not get there; try again.' } });
      }
    }
    return stored;
  }
  return { read, rows, refused, fault, found: found !== null, change, store, ready: calendar.every((q) => !q.isPending) };
}
