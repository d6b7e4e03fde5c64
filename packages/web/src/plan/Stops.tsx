import type { PlanDesk } from '@bluffwind/contract/plan';
import { dayLines, stopLines } from '@bluffwind/core/plan/legRisk';
import { words } from '../data/units';
import { RiskLines } from '../risk/RiskLines';
import { clock, fish } from '../ui/format';
import { presentationName } from './presentationName';
import { spotName } from './spotName';
import type { Told } from './useFindings';
import type { Working } from './planState';
import { Term } from '../ui/Term';

interface StopsProps {
  readonly desk: PlanDesk;
  readonly shown: Working | null;
  readonly told: Told | null;
  readonly selected: string | null;
  readonly onSelect: (spotId: string) => void;
}

/** The plan's stops in order, each with its baits, what speaks against it and the way there, and what has to be checked. */
export function Stops({ desk, shown, told, selected, onSelect }: StopsProps) {
  if (!shown || shown.legs.length === 0) return <p className="py-3 text-ink-2">No stops yet. S lays the day.</p>;
  const bait = (id: string) => presentationName(desk, id);
  const risk = told?.risk ?? null;
  const day = risk ? dayLines(risk, desk.zone) : [];
  return (
    <>
      <h2 className="sr-only">Stops</h2>
      <p className="text-[0.87rem] text-ink-2">
        What each stop is worth <Term name="expected" /> and its range <Term name="range" />
      </p>
      <ol>
        {shown.legs.map((l, i) => {
          const own = risk?.legs[i];
          const track = told?.tracks[i];
          return (
            <li key={l.startMs} className="border-t border-line py-2 first:border-t-0" data-stop={spotName(desk, l.spotId)}>
              <button
                type="button"
                aria-pressed={l.spotId === selected}
                onClick={() => onSelect(l.spotId)}
                className="flex w-full cursor-pointer items-baseline justify-between gap-3 text-left"
              >
                <b>
                  {i + 1} {spotName(desk, l.spotId)}
                </b>
                <span className="num shrink-0 text-[0.87rem]">
                  {clock(l.startMs, desk.zone)}–{clock(l.departMs, desk.zone)}
                </span>
              </button>
              <p className="text-[0.9rem] text-ink-2">
                {(l.parts.length > 0 ? l.parts.map((p) => bait(p.presentationId)) : [bait(l.presentationId)]).join(', then ')}
              </p>
              <p className="text-[0.9rem]">
                about <b className="num">{fish(l.expected)}</b> fish, {l.lo80} to {l.hi80}
              </p>
              {track && (
                <p className="text-[0.87rem]" data-track="">
                  {words(track.text)}
                  {track.mind !== null && <span className="font-semibold text-rust"> {track.mind}</span>}
                </p>
              )}
              {own && <RiskLines className="mt-0.5 text-[0.87rem]" lines={stopLines(own, desk.zone)} />}
            </li>
          );
        })}
      </ol>
      {told?.bigLures && (
        <p className="border-t border-line pt-2 text-[0.87rem]" data-big-lures="">
          {words(told.bigLures.text)}
        </p>
      )}
      <RiskLines lines={day} className="border-t border-line pt-2 text-[0.87rem]" />
      {shown.runMin !== null && (
        <p className="border-t border-line pt-2 text-[0.87rem] text-ink-2">
          <span className="num">{shown.runMin.toFixed(0)}</span> min under way with the run home
          {desk.boat.runMin === null ? '' : `; the fuel is good for ${desk.boat.runMin.toFixed(0)} with a third in reserve`}
          {desk.fuel === '' ? '.' : `. ${desk.fuel}.`}
        </p>
      )}
      <p className="border-t border-line pt-2 text-[0.83rem] text-ink-2">
        Usual practice, never permission: local rules, the licensed captain’s judgement and the maker’s instructions come first.
      </p>
    </>
  );
}
