import type { EntityManager } from 'typeorm';
import type { JobData, JobName } from './names';
import { outfitChanged } from '../changed';
import { makeMarked } from '../brief/kept';
import { inOutfit } from '../db/database';
import { changedIn } from '../db/topics';
import { sendMail } from '../mail/jobs';
import { lookForOverdue } from '../mail/overdueNotices';
import { storeStopConditions } from '../deck/stopConditions';
import type { Deps } from '../http/context';
import { sendPush } from '../push/send';
import { BACK_OFF, DEMO_BACK_OFF, pollStations } from '../water/poll';
import { calibrateSpots, refreshStops } from '../water/recompute';
import { stationClient } from '../water/stationClient';
import { sweep } from './sweep';

export type JobDeps = Pick<Deps, 'source' | 'clock' | 'config' | 'jobs'>;

type Handlers = { readonly [N in JobName]: (data: JobData[N]) => Promise<unknown> };

/** What each job does. Done twice, each leaves the same. */
export function handlersOf(deps: JobDeps): Handlers {
  const { source, clock, config } = deps;
  /** Work for an outfit after which its briefs may say something else. */
  const within = async (outfitId: string, work: (entities: EntityManager) => Promise<number>) => {
    const topics = await inOutfit(source, outfitId, async (entities) => ((await work(entities)) > 0 ? changedIn(entities) : []));
    if (topics.length > 0) await outfitChanged(deps, outfitId, { topics });
  };
  return {
    'see-stops': ({ outfitId }) => within(outfitId, (entities) => storeStopConditions(entities, null, clock.now())),
    'refresh-stops': ({ outfitId, waterId, fromMs, toMs }) =>
      within(outfitId, (entities) => refreshStops(entities, waterId, fromMs, toMs, clock.now())),
    'calibrate-spots': ({ outfitId, waterId, spotIds }) =>
      within(outfitId, (entities) => calibrateSpots(entities, waterId, clock.now(), spotIds)),
    'make-briefs': ({ outfitId }) => makeMarked(source, outfitId, clock.now()),
    'poll-stations': async () => {
      const client = config.stationUrl ? stationClient(config.stationUrl) : null;
      const { touched, outfits } = await pollStations(source, client, clock.now(), config.demo ? DEMO_BACK_OFF : BACK_OFF, {
        allowPrivate: config.privateStations,
      });
      // Late readings give the stops of their time other conditions, which the log shows.
      for (const outfitId of touched) {
        const more = outfits.includes(outfitId);
        await outfitChanged(deps, outfitId, { briefs: more, topics: more ? ['conditions', 'log'] : ['conditions'] });
      }
    },
    mail: (job) => sendMail(source, config.mail, job, clock.now()),
    push: (job) => sendPush(source, config, job, clock.now()),
    'look-overdue': () => lookForOverdue(source, deps.jobs, clock.now(), { mail: config.mail !== null }),
    sweep: () => sweep(source, clock.now()),
  };
}
