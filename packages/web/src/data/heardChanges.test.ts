import { TOPIC_NAMES } from '@bluffwind/contract/topics';
import { describe, expect, it } from 'vitest';
import { heardChanges } from './heardChanges';

const listening = (data: string) => ({ type: 'listening', data });
const changed = (data: string) => ({ type: 'changed', data });

describe('changes that a screen hears', () => {
  it('are read by their topics, and none before the first count', () => {
    const heard = heardChanges();
    expect(heard.take(listening('7'))).toEqual([]);
    expect(heard.take(changed('8 log,trips'))).toEqual(['log', 'trips']);
    expect(heard.take(changed('9 gear'))).toEqual(['gear']);
  });
  it('are all read where one was missed between, where the server missed some, and where a topic has no name yet', () => {
    const heard = heardChanges();
    heard.take(listening('7'));
    expect(heard.take(changed('9 gear'))).toEqual(TOPIC_NAMES);
    expect(heard.take(changed(''))).toEqual(TOPIC_NAMES);
    expect(heard.take(changed('10'))).toEqual(TOPIC_NAMES);
    // The stream was lost for a while and is open again.
    expect(heard.take(listening('14'))).toEqual(TOPIC_NAMES);
  });
  it('are all read when the first count comes after a line that was not there', () => {
    const heard = heardChanges();
    heard.lost();
    expect(heard.take(listening('7'))).toEqual(TOPIC_NAMES);
    expect(heard.take(listening('7'))).toEqual([]);
  });
  it('are not read twice, and not when the stream is opened again with nothing new', () => {
    const heard = heardChanges();
    heard.take(listening('7'));
    heard.take(changed('8 log'));
    expect(heard.take(changed('8 log'))).toEqual([]);
    expect(heard.take(listening('8'))).toEqual([]);
  });
});
