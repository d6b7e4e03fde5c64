import { TOPIC_NAMES, type Topic } from '@bluffwind/contract/topics';

/** What a screen has heard of changes: the count that it shows. */
export interface Heard {
  /** Takes an event in. @returns Topics to read again: all where a change was missed, none where all of it is shown already. */
  take(event: { readonly type: string; readonly data: string }): readonly Topic[];
  /** The stream was lost, or never came: what a screen has read before it is there again may be old. */
  lost(): void;
}

/**
 * Follows the count of an outfit's changes. `listening` has the count as it is, `changed` the count after a change with its topics, or
 * nothing where the server itself may have missed some.
 */
export function heardChanges(): Heard {
  let shown: number | null = null;
  let missed = false;
  return {
    lost: () => {
      missed = true;
    },
    take({ type, data }) {
      const [count = '', topics = ''] = data.split(' ');
      const version = count === '' ? null : Number(count);
      const before = shown;
      if (version !== null && before !== null && version <= before) return [];
      shown = version ?? before;
      if (before === null) return type === 'listening' && !missed ? [] : TOPIC_NAMES;
      return version === before + 1 && topics !== '' ? TOPIC_NAMES.filter((t) => topics.split(',').includes(t)) : TOPIC_NAMES;
    },
  };
}
