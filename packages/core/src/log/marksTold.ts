// How often marks on the sounder were the fish that the lines were out for, by how they lay to the bottom.

export interface MarksSeen {
  readonly relation: 'tight' | 'above' | null;
  readonly seen: number;
  /** Of those, after how many a fish was landed within the hour at that stop. */
  readonly fish: number;
}

const NAMES = { tight: 'tight to the bottom', above: 'hanging above it' } as const;
/** Fewer than these say nothing of how often. */
const LEAST = 5;

/** In a sentence; empty where no marks were logged with how they lay. */
export function marksWords(counts: readonly MarksSeen[]): string {
  const of = (relation: 'tight' | 'above') => ({ ...(counts.find((c) => c.relation === relation) ?? { seen: 0, fish: 0 }), relation });
  const [tight, above] = [of('tight'), of('above')];
  if (tight.seen + above.seen === 0) return '';
  const told = [tight, above]
    .filter((c) => c.seen > 0)
    .map((c) => `${NAMES[c.relation]} ${c.seen} times, a fish within the hour after ${c.fish}`);
  const enough = tight.seen >= LEAST && above.seen >= LEAST;
  const share = (c: MarksSeen) => c.fish / c.seen;
  const verdict = !enough
    ? 'Too few yet to tell them apart; usually those that lie tight are the target.'
    : share(tight) > share(above)
      ? 'Those that lie tight are more often the target, as is usual.'
      : 'Here those that hang above gave no less, against what is usual.';
  return `Marks ${told.join('; ')}. ${verdict}`;
}
