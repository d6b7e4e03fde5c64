import type { DeckPack } from '@bluffwind/contract/deck';
import { HOUR } from '@bluffwind/core/units/time';
import { Ribbon } from '../ribbon/Ribbon';
import type { LaneSpec } from '../ribbon/laneProps';

/** The trip's hours as a band, from what the phone has kept: tide, wind and its gusts, light. */
export default function DeckRibbon({ pack, now }: { pack: DeckPack; now: number }) {
  const [from, to] = [Date.parse(pack.trip.startsAt) - HOUR, Date.parse(pack.trip.endsAt) + HOUR];
  const limit = pack.boat.windLimitMps;
  // In the pocket one after the other is shown.
  const lanes: LaneSpec[] = [['light', 10], ...(pack.water.tide ? [['tide', 60] as const] : []), ['wind', 48], ['waterTempC', 44]];
  return (
    <div className="mt-2" data-deck-ribbon>
      <Ribbon
        from={from}
        to={to}
        now={now}
        zone={pack.zone}
        state={{ record: pack.water }}
        lanes={lanes}
        startAt={Math.min(to, Math.max(from, now))}
        {...(limit === null ? {} : { limit: { mps: limit, name: pack.trip.boat.name } })}
      />
    </div>
  );
}
