// What of an outfit has changed, in a few topics: an answer that is kept holds until one of its own topics changes.
import { TOPIC_NAMES, type Topic } from '@bluffwind/contract/topics';
import type { EntityManager } from 'typeorm';

export type { Topic };

/** Topics with the tables that each stands for. Tables of sign-in, of what was kept and of who did what belong to none. */
export const TOPICS = {
  crew: ['outfit', 'person', 'paper', 'away', 'boat', 'client', 'family', 'presentation', 'species', 'rule'],
  waters: ['water', 'chart_layer', 'ground_feature', 'survey', 'water_picture', 'sample', 'import', 'station', 'instrument', 'dismissal'],
  conditions: ['reading', 'forecast', 'forecast_member'],
  spots: ['spot', 'feeding'],
  log: ['stop', 'set', 'disturbance', 'catch', 'catch_told', 'sighting', 'trial', 'track_part', 'log_merge', 'log_merged', 'trip_rest'],
  trips: ['trip', 'trip_mate', 'trip_species', 'party', 'plan', 'leg', 'departure', 'refill'],
  gear: ['gear', 'bait_trial', 'rig_choice', 'rig_tick'],
  after: ['brief', 'brief_read', 'brief_word', 'debrief', 'report', 'report_look', 'photo'],
} as const satisfies Record<Topic, readonly string[]>;

export const ALL_TOPICS: readonly Topic[] = TOPIC_NAMES;

/** Topics of what a transaction has written so far; a trigger of each table notes them. */
export async function changedIn(entities: EntityManager): Promise<Topic[]> {
  const [{ noted }] = await entities.query(`select coalesce(current_setting('bluffwind.changed', true), '') as noted`);
  return ALL_TOPICS.filter((t) => String(noted).split(' ').includes(t));
}

/** Notes that everything of the outfit has changed in a transaction. */
export async function noteAll(entities: EntityManager): Promise<void> {
  await entities.query(`select set_config('bluffwind.changed', $1, true)`, [` ${ALL_TOPICS.join('  ')} `]);
}
