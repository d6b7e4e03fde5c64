import type { RigCard, RigPart } from '@bluffwind/core/tackle/rigQuestion';
import type { TripRigs } from '@bluffwind/contract/rigs';
import { words } from '../data/units';
import { usePocket } from '../ui/usePocket';
import { DriftForm } from './DriftForm';
import { PartLine } from './PartLine';
import { RigPicture } from './RigPicture';
import { TrialForm } from './TrialForm';

interface RigCardViewProps {
  readonly trial: TripRigs['trials'][number] | undefined;
  readonly card: RigCard;
  readonly place: string;
  /** Whose drift the card reckons with; absent on foot and where nothing can be changed. */
  readonly drift?: { readonly boat: { readonly id: string; readonly name: string }; readonly hull: TripRigs['boat'] } | undefined;
  readonly onSet: ((part: RigPart, value: number | null) => void) | null;
}

/** A rig: the drawing in its water first, then what to tie, how to fish it, and what to mind. */
export function RigCardView({ card, place, trial, drift, onSet }: RigCardViewProps) {
  return (
    <article data-rig={card.name}>
      <h2 className="px-[18px] pt-3 font-bold">{card.name}</h2>
      <p className="px-[18px] pb-1 text-[0.9rem] text-ink-2">
        {place} · {card.familyName}, to scale
      </p>
      <RigPicture card={card} place={place} room={usePocket() ? 'narrow' : 'wide'} />
      <div className="px-[18px] py-2">
        {card.warnings.map((w) => (
          <p key={w} role="alert" className="my-1 border-l-4 border-rust bg-rust-pale px-3 py-1.5">
            {words(w)}
          </p>
        ))}
        <p className="py-1.5">
          <b>The take.</b> {words(card.take.what)} <span className="num text-[0.8rem] text-ink-3">{card.take.rules.join(' ')}</span>
        </p>
        <ul>
          {card.parts.map((p) => (
            <PartLine key={p.name} part={p} onSet={onSet && ((v) => onSet(p, v))} />
          ))}
        </ul>
        {drift && card.parts.some((p) => p.name === 'sea anchor') && <DriftForm boat={drift.boat} hull={drift.hull} />}
        <TrialForm key={card.presentationId} card={card} trial={trial} />
        <p className="border-t border-line py-2">
          <b>When it goes quiet.</b> {words(card.quiet)}
        </p>
        <p className="border-t border-line py-2">
          <b>Mind.</b> {words(card.caution)}
        </p>
        <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
          Usual practice, never permission: local rules, the licensed captain’s judgement and the maker’s instructions come first.
        </p>
      </div>
    </article>
  );
}
