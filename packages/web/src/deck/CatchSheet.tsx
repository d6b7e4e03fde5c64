import type { DeckPack } from '@bluffwind/contract/deck';
import type { LengthKind } from '@bluffwind/core/rules/ruleKinds';
import { useState } from 'react';
import { serverNow } from '../data/clock';
import { dateName } from '../ui/format';
import { BIG } from './deckParts';
import { DeckSheet } from './DeckSheet';
import { FishLength } from './FishLength';
import { lengthKeys } from './lengthKeys';
import { rulesFor } from './rulesFor';
import { WhoseFish } from './WhoseFish';
import { amount, myUnit, words } from '../data/units';

const KINDS: readonly LengthKind[] = ['total', 'fork', 'standard'];
const KIND_WORDS: Record<LengthKind, string> = {
  total: 'total length',
  fork: 'fork length',
  standard: 'standard length',
  disc: 'across the disc',
};

/** What is logged of a fish. */
export interface LoggedCatch {
  readonly lengthMm: number | null;
  readonly lengthKind: LengthKind;
  readonly kept: boolean;
  readonly clientId: string | null;
}

interface CatchSheetProps {
  readonly pack: DeckPack;
  readonly species: DeckPack['species'][number];
  /** Kept today of this species by each angler (null for nobody named), and by the boat. */
  readonly keptBy: (clientId: string | null) => number;
  readonly keptByBoat: number;
  /** Whose turn it is: the angler unless another is chosen. */
  readonly turnOf: string | null;
  /** The fish as it was logged, when it is put right. */
  readonly before?: LoggedCatch;
  readonly onDone: (fish: LoggedCatch) => void;
  readonly onClose: () => void;
}

/** Whose fish, its size, then kept or released, with what the crew's copy of the rules says of it. */
export function CatchSheet(props: CatchSheetProps) {
  return (
    <DeckSheet title={props.species.name} note={props.species.caution} close="Close" onClose={props.onClose}>
      <TheFish {...props} />
    </DeckSheet>
  );
}

/** What the sheet asks. */
export function TheFish({ pack, species, keptBy, keptByBoat, turnOf, before, onDone }: Omit<CatchSheetProps, 'onClose'>) {
  const [lengthMm, setLength] = useState<number | null>(before?.lengthMm ?? null);
  const [measured, setMeasured] = useState(before !== undefined);
  const [lengthKind, setKind] = useState<LengthKind>(before?.lengthKind ?? species.lengthKind);
  const [clientId, setClient] = useState<string | null>(before ? before.clientId : turnOf);
  const [askedOnce, setAsked] = useState(false);
  const choose = (mm: number | null) => {
    setLength(mm);
    setMeasured(true);
    setAsked(false);
  };
  const { rules, said, oldest, stale } = rulesFor(
    pack,
    species.id,
    { lengthMm, lengthKind, clientId, keptToday: keptBy(clientId), keptByBoat },
    serverNow(),
  );
  const mustGo = measured && said.decision === 'must release';
  const noRule = said.decision === 'no rule on file';
  const kinds = species.lengthKind === 'disc' ? (['disc', 'total'] as const) : KINDS;
  const look = mustGo || noRule || !measured ? (mustGo || noRule ? 'border-rust bg-rust-pale' : 'border-line') : 'border-kelp bg-kelp-pale';
  const keys = lengthKeys(species, rules, myUnit('fish') === 'in' ? 25.4 : 10);
  const keep = () => {
    // Without a rule on file it is asked once more.
    if (noRule && !askedOnce) setAsked(true);
    else onDone({ lengthMm, lengthKind, kept: true, clientId });
  };
  return (
    <>
      {pack.trip.guests.length > 1 && (
        <WhoseFish
          guests={pack.trip.guests}
          chosen={clientId}
          keptBy={keptBy}
          onChoose={(id) => {
            setClient(id);
            setAsked(false);
          }}
        />
      )}
      <div className="mt-2 mb-1 flex items-center justify-between gap-2">
        <span>
          {myUnit('fish')}, {KIND_WORDS[lengthKind]}
        </span>
        <button
          type="button"
          className="min-h-[56px] cursor-pointer px-2 text-[0.93rem] underline underline-offset-4"
          onClick={() => {
            const i = kinds.indexOf(lengthKind);
            setKind(kinds[(i + 1) % kinds.length] as LengthKind);
            setAsked(false);
          }}
        >
          measured otherwise
        </button>
      </div>
      <FishLength keys={keys} lengthMm={lengthMm} measured={measured} onChoose={choose} />
      <p role="status" className={`mt-3 border-l-4 px-3 py-2 ${look}`} data-decision={measured ? said.decision : 'rules'}>
        <b>{!measured ? 'Rules' : mustGo ? 'Must release' : noRule ? 'No rule on file' : 'May keep'}</b>
        {measured && lengthMm !== null ? <span className="num"> {amount(lengthMm, 'fish', 1).replace('.0', '')}</span> : ''}
        <span className="block text-[0.9em]">
          {words(!measured ? said.limits.join(', ') || 'no rule on file, check before keeping' : said.reasons.join('; '))}
        </span>
        {noRule && askedOnce && (
          <span className="block text-[0.9em] font-semibold">Has somebody checked the local rules? Tap once more to keep it.</span>
        )}
      </p>
      <div className="mt-3 grid grid-cols-2 gap-2">
        <button type="button" disabled={!measured || mustGo} onClick={keep} className={`${BIG} border-ink disabled:opacity-40`}>
          {noRule && askedOnce ? 'Keep it all the same' : 'Kept'}
        </button>
        <button
          type="button"
          disabled={!measured}
          onClick={() => onDone({ lengthMm, lengthKind, kept: false, clientId })}
          className={`${BIG} border-kelp bg-kelp text-on-kelp disabled:opacity-40`}
        >
          Released
        </button>
      </div>
      <p className="mt-2 text-[0.83em] text-ink-2">
        The crew’s own copy of the rules{oldest ? `, checked ${dateName(oldest)}${stale ? ': older than 30 days, re-check' : ''}` : ''}.
        Local rules come first.
      </p>
    </>
  );
}
