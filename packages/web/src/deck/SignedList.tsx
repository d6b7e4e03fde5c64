import type { DeckPack } from '@bluffwind/contract/deck';
import { clock } from '../ui/format';

interface SignedProps {
  readonly signed: NonNullable<DeckPack['departure']>;
  readonly zone: string;
  /** The words of an item of the list. */
  readonly what: (key: string) => string;
  readonly onAgain: () => void;
}

/** The list before leaving as it was signed. */
export function SignedList({ signed, zone, what, onAgain }: SignedProps) {
  return (
    <section className="mt-4 border-l-4 border-kelp bg-kelp-pale px-3 py-2" data-signed aria-label="The list before leaving">
      <p className="font-semibold">
        Signed by {signed.signedBy} at {clock(signed.at, zone)}
      </p>
      <p className="text-[0.93rem]">
        Back by {clock(signed.dueAt, zone)}
        {signed.ashore === '' ? '' : `; ${signed.ashore} ashore knows`}.
        {signed.left.length > 0 ? ` Left open: ${signed.left.map(what).join('; ')}.` : ''}
      </p>
      <button type="button" className="min-h-[56px] cursor-pointer underline underline-offset-4" onClick={onAgain}>
        Go through it again
      </button>
    </section>
  );
}
