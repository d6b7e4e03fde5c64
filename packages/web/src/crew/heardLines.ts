// What comes over a cable, cut into lines and handed on a minute at a time; what could not be sent waits, and nothing is sent twice at once.

/** As a sentence and its end can be at most; a longer line is noise on the wire. */
const LONGEST = 1000;
/** Eight hours of a busy wire: what is older goes when the network stays away longer. */
const MOST_WAITING = 200_000;
/** So many lines go at once. */
const MOST_SENT = 5000;

export interface HeardLines {
  /** Takes characters as they come. */
  take(text: string): void;
  /** Sends what waits. Refused or without a network it waits on. @returns What the sender answered, or null where nothing was there to be sent. */
  send<T>(sender: (lines: readonly string[]) => Promise<T>): Promise<T | null>;
  /** Lines that wait, and lines heard in all. */
  readonly waiting: number;
  readonly heard: number;
  /** Lines that were let go since nobody took them. */
  readonly lost: number;
}

export function heardLines(): HeardLines {
  let rest = '';
  let heard = 0;
  let lost = 0;
  let sending = false;
  const lines: string[] = [];
  return {
    take(text) {
      const list = (rest + text).split(/\r\n|\n|\r/);
      rest = list.pop() ?? '';
      if (rest.length > LONGEST) rest = '';
      for (const line of list.filter((l) => l.trim() !== '' && l.length <= LONGEST)) {
        lines.push(line);
        heard++;
      }
      const over = lines.length - MOST_WAITING;
      // What is on its way stays: it is taken off when it has come.
      if (over > 0 && !sending) {
        lines.splice(0, over);
        lost += over;
      }
    },
    async send(sender) {
      if (sending || lines.length === 0) return null;
      sending = true;
      try {
        const now = lines.slice(0, MOST_SENT);
        const answer = await sender(now);
        lines.splice(0, now.length);
        return answer;
      } finally {
        sending = false;
      }
    },
    get waiting() {
      return lines.length;
    },
    get heard() {
      return heard;
    },
    get lost() {
      return lost;
    },
  };
}
