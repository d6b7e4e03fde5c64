import type { JobData, JobName } from './names';
import { inOutfit } from '../db/database';
import { storeStopConditions } from '../deck/stopConditions';
import type { Deps } from '../http/context';
import { BACK_OFF, DEMO_BACK_OFF, pollStations } from '../water/poll';
import { calibrateSpots, refreshStops } from '../water/recompute';
import { stationClient } from '../water/stationClient';
import { sweep } from './sweep';

type Handlers = { readonly [N in JobName]: (data: JobData[N]) => Promise<unknown> };

/** What each job does. Done twice, each leaves the same. */
export function handlersOf({ source, clock, config }: Pick<Deps, 'source' | 'clock' | 'config'>): Handlers {
  return {
    'see-stops': ({ outfitId }) => inOutfit(source, outfitId, (entities) => storeStopConditions(entities, null, clock.now())),
    'refresh-stops': ({ outfitId, waterId, fromMs, toMs }) =>
      inOutfit(source, outfitId, (entities) => refreshStops(entities, waterId, fromMs, toMs, clock.now())),
    'calibrate-spots': ({ outfitId, waterId, spotIds }) =>
      inOutfit(source, outfitId, (entities) => calibrateSpots(entities, waterId, clock.now(), spotIds)),
    'poll-stations': async () => {
      if (config.stationUrl)
        await pollStations(source, stationClient(config.stationUrl), clock.now(), config.demo ? DEMO_BACK_OFF : BACK_OFF);
    },
    sweep: () => sweep(source, clock.now()),
  };
}
