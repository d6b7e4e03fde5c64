import type { OutfitView } from '@bluffwind/contract/outfit';
import { localDate } from '@bluffwind/core/units/time';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { TRIP_KEYS } from '../trips/queries';
import { Choice } from '../ui/Choice';
import { FIELD } from '../ui/form/fields';
import { clock, dateName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { FileFault, RefusedList } from './RefusedList';
import { type BookingRow, useBookings } from './useBookings';

interface ImportBookingsProps {
  readonly outfit: OutfitView;
  readonly zone: string;
  readonly myId: string;
  readonly onClose: () => void;
}

const named = (list: readonly { readonly id: string; readonly name: string }[]) => list.map((x) => ({ value: x.id, name: x.name }));

/** Trips out of a calendar of bookings: its file, or its address. Each is looked at before it is stored, and comes in once. */
export function ImportBookings({ outfit, zone, myId, onClose }: ImportBookingsProps) {
  const bookings = useBookings(outfit, zone, myId);
  const [address, setAddress] = useState('');
  const [busy, setBusy] = useState(false);
  const queries = useQueryClient();
  const fetching = useSave<string, { text: string }>({
    // Calendars give their addresses as webcal, which is the same over https.
    send: (typed) => post('/bookings/fetch', { url: typed.trim().replace(/^webcals?:/i, 'https:') }),
    touches: [],
    onStored: ({ text }) => void bookings.read(text),
  });
  const wanted = bookings.rows.filter((r) => r.wanted && !r.there && r.fate?.kind !== 'stored');
  const store = async () => {
    setBusy(true);
    const stored = await bookings.store();
    setBusy(false);
    if (stored === 0) return;
    toast(stored === 1 ? 'One trip is made.' : `${stored} trips are made.`);
    await Promise.all(TRIP_KEYS.map((queryKey) => queries.invalidateQueries({ queryKey })));
  };
  return (
    <Sheet
      open
      wide
      title="Bookings out of another calendar"
      note="Choose its file, or type its address. Look at each one before it becomes a trip; one that came in before does not come in again."
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <div className="grid gap-3 md:grid-cols-2">
          <label className="flex flex-col gap-1">
            File (.ics)
            <input
              type="file"
              accept=".ics,text/calendar"
              onChange={(e) => {
                const file = e.target.files?.[0];
                if (file) void file.text().then(bookings.read);
              }}
            />
          </label>
          <form
            className="flex items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              fetching.save(address);
            }}
          >
            <label className="flex min-w-0 flex-1 flex-col gap-1">
              Or its address
              <input
                inputMode="url"
                autoComplete="off"
                value={address}
                placeholder="https://"
                onChange={(e) => setAddress(e.target.value)}
                className={FIELD}
              />
            </label>
            <Button type="submit" disabled={address.trim() === '' || fetching.busy}>
              Fetch
            </Button>
          </form>
        </div>
        {fetching.busy && <Waiting what="Asking there" />}
        {fetching.error !== null && <Fault error={fetching.error} />}
        {bookings.fault && <FileFault {...bookings.fault} />}
        {bookings.found && bookings.rows.length === 0 && <p>No booking lies ahead in that calendar.</p>}
        {bookings.rows.length > 0 && (
          <ul aria-label="Bookings">
            {bookings.rows.map((row) => (
              <Row key={row.booking.key} row={row} outfit={outfit} zone={zone} change={bookings.change} />
            ))}
          </ul>
        )}
        <RefusedList refused={bookings.refused} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{bookings.rows.some((r) => r.fate?.kind === 'stored') ? 'Close' : 'Leave it'}</Button>
          <Button strong disabled={busy || !bookings.ready || wanted.length === 0} onClick={() => void store()}>
            {wanted.length === 1 ? 'Make one trip' : `Make ${wanted.length} trips`}
          </Button>
        </div>
      </div>
    </Sheet>
  );
}

function Row({
  row: { booking: b, draft, wanted, there, fate },
  outfit,
  zone,
  change,
}: {
  row: BookingRow;
  outfit: OutfitView;
  zone: string;
  change: ReturnType<typeof useBookings>['change'];
}) {
  const set = (more: Partial<typeof draft>) => change(b.key, { draft: { ...draft, ...more }, fate: null });
  const settled = there !== null || fate?.kind === 'stored';
  const moved = there && there.status === 'planned' && Math.abs(Date.parse(there.startsAt) - b.fromMs) > 60_000 && !b.allDay;
  const kind = outfit.waters.find((w) => w.id === draft.waterId)?.kind;
  return (
    <li className="border-t border-line py-2" data-booking={b.title}>
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-1 h-4 w-4"
          checked={wanted && !settled}
          disabled={settled}
          onChange={(e) => change(b.key, { wanted: e.target.checked })}
        />
        <span className="min-w-0">
          <b className={b.off ? 'line-through' : ''}>{b.title || 'no title'}</b>{' '}
          <span>
            {dateName(localDate(b.fromMs, zone))}, {clock(b.fromMs, zone)} to {clock(b.toMs, zone)}
          </span>
          {b.allDay && <span className="text-ink-2"> (it names the day only; these are usual hours)</span>}
          {b.place && <span className="block text-[0.87rem] text-ink-2">{b.place}</span>}
        </span>
      </label>
      {there && fate === null && (
        <p className="ml-6 text-[0.87rem] text-ink-2">
          {b.off && there.status === 'planned'
            ? 'Called off in that calendar; here the trip still stands. Call it off in the week if it is so.'
            : moved
              ? `In the calendar already, at ${clock(there.startsAt, zone)} on ${dateName(localDate(Date.parse(there.startsAt), zone))}: it was moved there. Move the trip in the week.`
              : 'In the calendar already.'}
        </p>
      )}
      {!there && b.off && <p className="ml-6 text-[0.87rem] text-ink-2">Called off in that calendar.</p>}
      {wanted && !settled && (
        <div className="mt-1 ml-6 grid grid-cols-2 gap-2 md:grid-cols-4">
          <Choice
            label="Water"
            value={draft.waterId}
            options={named(outfit.waters)}
            onPick={(waterId) => set({ waterId, speciesIds: [] })}
          />
          <Choice label="Boat" value={draft.boatId} options={named(outfit.boats)} onPick={(boatId) => set({ boatId })} />
          <Choice
            label="Captain"
            value={draft.captainId}
            options={named(outfit.crew.filter((p) => p.role !== 'mate'))}
            onPick={(captainId) => set({ captainId })}
          />
          <Choice
            label="After"
            value={draft.speciesIds[0] ?? ''}
            options={[
              ...(draft.speciesIds.length === 0 ? [{ value: '', name: 'choose' }] : []),
              ...named(outfit.species.filter((s) => s.habitat === kind)),
            ]}
            onPick={(id) => set({ speciesIds: [id] })}
          />
        </div>
      )}
      {fate?.kind === 'stored' && <p className="ml-6 text-[0.87rem] text-kelp">Its trip is made.</p>}
      {fate?.kind === 'refused' && (
        <p role="alert" className="ml-6 text-rust">
          {fate.why}
        </p>
      )}
    </li>
  );
}
