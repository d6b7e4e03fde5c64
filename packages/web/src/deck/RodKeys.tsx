import { armWords } from '../data/armWords';
import type { DeckTrip } from './useDeckTrip';

/** What the rods fish, and since when; the one that is chosen is the one that a fish takes. */
export function RodKeys({ trip, now }: { trip: DeckTrip; now: number }) {
  return (
    <div className="mt-1 grid grid-cols-2 gap-2">
      {trip.running.map((s) => (
        <button
          key={s.id}
          type="button"
          aria-pressed={s.id === trip.active?.id}
          onClick={() => trip.setActive(s.id)}
          className={`min-h-[58px] cursor-pointer rounded border px-3 py-1.5 text-left ${s.id === trip.active?.id ? 'border-ink bg-ink text-chalk' : 'border-ink'}`}
        >
          <span className="block text-[0.93rem] leading-tight font-semibold">{trip.presentationName(s.presentationId).split(',')[0]}</span>
          <span className="text-[0.8rem]">
            {s.trial ? `${armWords(s.trial.arm)} on ` : ''}
            {s.rods} {s.rods === 1 ? 'rod' : 'rods'}, {Math.max(0, Math.floor((now - Date.parse(s.startedAt)) / 60_000))} min
          </span>
        </button>
      ))}
    </div>
  );
}
