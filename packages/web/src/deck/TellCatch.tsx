import type { FishMore } from '@bluffwind/contract/deck';
import { estimateWeight } from '@bluffwind/core/fish/estimateWeight';
import { useMemo, useRef, useState } from 'react';
import { amount, fromMine, inMine, myUnit } from '../data/units';
import { clock } from '../ui/format';
import { DeckSheet } from './DeckSheet';
import type { Catch } from './useDeckTrip';

const CHIP = 'min-h-[56px] cursor-pointer rounded border px-3 py-1';
const FIELD = 'min-h-[56px] w-full min-w-0 rounded border border-ink-3 bg-paper px-3';
const HOOKS = [
  ['lip', 'In the lip'],
  ['scissors', 'Corner of the mouth'],
  ['deep', 'Deep'],
  ['outside', 'Outside'],
] as const;
const TAKES = [
  ['on the drop', 'On the drop'],
  ['at the bottom', 'At the bottom'],
  ['on the retrieve', 'On the retrieve'],
  ['at the boat', 'At the boat'],
] as const;
const TEXTS = [
  ['forage', 'What it had eaten', 60],
  ['leader', 'Leader', 60],
  ['colour', 'Colour of the bait', 60],
  ['tag', 'Tag number', 40],
  ['note', 'Note', 300],
] as const;
/** Fish from so deep come up with their swim bladder blown: usual practice. */
const DEEP_M = 10;

type More = Omit<FishMore, 'speciesId' | 'clientId' | 'lengthMm' | 'lengthKind' | 'kept'>;

interface TellCatchProps {
  readonly fish: Catch;
  readonly title: string;
  readonly species: string;
  readonly zone: string;
  /** Photos of it on this phone. */
  readonly photos: readonly { readonly photoId: string; readonly data: string; readonly state: string; readonly message: string }[];
  readonly onTell: (told: More) => void;
  readonly onRight?: (() => void) | undefined;
  readonly onPhoto: (file: File) => Promise<void>;
  readonly onClose: () => void;
}

/** What there is to say of a fish beyond its size: chips for what is one of few, a line for all else, and its photos. */
export function TellCatch(props: TellCatchProps) {
  const { fish, title, zone, onClose } = props;
  return (
    <DeckSheet title={title} note={`${clock(fish.at, zone)}. What is told here is kept at once.`} close="Done" onClose={onClose}>
      <Telling {...props} />
    </DeckSheet>
  );
}

function Telling({ fish, species, photos, onTell, onRight, onPhoto }: TellCatchProps) {
  const more = fish.more ?? {};
  const [photoFault, setPhotoFault] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const guess = useMemo(() => {
    try {
      return fish.lengthMm === null ? null : estimateWeight(species, fish.lengthMm, more.girthMm ?? null);
    } catch {
      return null;
    }
  }, [species, fish.lengthMm, more.girthMm]);
  const deep = more.depthM != null && more.depthM >= DEEP_M;
  const take = async (picked: File | undefined) => {
    if (!picked) return;
    setPhotoFault(null);
    setWorking(true);
    try {
      await onPhoto(picked);
    } catch (problem) {
      setPhotoFault(problem instanceof Error && problem.message !== '' ? problem.message : 'This file is no picture; choose another.');
    } finally {
      setWorking(false);
    }
  };
  return (
    <>
      {onRight && (
        <button type="button" className="min-h-[56px] cursor-pointer underline underline-offset-4" onClick={onRight}>
          Put its size, angler or fate right
        </button>
      )}
      <Chips name="Where the hook sat" choices={HOOKS} value={more.hook ?? null} onPick={(hook) => onTell({ hook })} />
      {more.hook === 'deep' && (
        <p role="status" className="mt-1 border-l-4 border-rust bg-rust-pale px-3 py-1 text-[0.93rem]">
          Cut the leader, do not dig.
        </p>
      )}
      <Chips name="When it took" choices={TAKES} value={more.take ?? null} onPick={(t) => onTell({ take: t })} />
      <div className="mt-3 grid grid-cols-2 gap-3">
        <Figure name="Depth it took at" measure="depth" value={more.depthM ?? null} onTell={(depthM) => onTell({ depthM })} />
        <Figure
          name="Weight"
          measure="weight"
          value={more.weightG == null ? null : more.weightG / 1000}
          onTell={(kg) => onTell({ weightG: kg === null ? null : Math.max(1, Math.round(kg * 1000)) })}
        />
        <Figure
          name="Girth"
          measure="fish"
          value={more.girthMm ?? null}
          onTell={(mm) => onTell({ girthMm: mm === null ? null : Math.min(4000, Math.max(10, Math.round(mm))) })}
        />
      </div>
      {guess && more.weightG == null && (
        <p className="mt-1 text-[0.93rem] text-ink-2" data-guess>
          About {amount(guess.g / 1000, 'weight', 1)} by its length{guess.by === 'girth' ? ' and girth' : ''}, between{' '}
          {inMine(guess.loG / 1000, 'weight').toFixed(1)} and {amount(guess.hiG / 1000, 'weight', 1)}. Not kept as its weight.
        </p>
      )}
      {deep && (
        <p role="status" className="mt-1 border-l-4 border-rust bg-rust-pale px-3 py-1 text-[0.93rem]">
          From so deep its bladder is likely blown: bring the next one up slowly, descender ready; stop for fish that go back.
        </p>
      )}
      <div className="mt-3 grid gap-2">
        {TEXTS.map(([field, label, longest]) => (
          <label key={field} className="block">
            <span className="text-[0.93rem]">{label}</span>
            <input
              className={FIELD}
              maxLength={longest}
              defaultValue={more[field] ?? ''}
              onBlur={(e) => {
                const text = e.target.value.trim();
                if (text !== (more[field] ?? '')) onTell({ [field]: text === '' ? null : text });
              }}
            />
          </label>
        ))}
      </div>
      <input
        ref={file}
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        tabIndex={-1}
        aria-label="Photo file"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <button
        type="button"
        disabled={working}
        className="mt-3 min-h-[58px] w-full cursor-pointer rounded border border-ink font-semibold disabled:opacity-40"
        onClick={() => file.current?.click()}
      >
        {working ? 'Making it small' : 'Take a photo'}
      </button>
      {photoFault && (
        <p role="alert" className="mt-1 border-l-4 border-rust bg-rust-pale px-3 py-1 text-[0.93rem]">
          {photoFault}
        </p>
      )}
      {photos.length > 0 && (
        <ul className="mt-2 grid grid-cols-3 gap-2" aria-label="Photos of it">
          {photos.map((p, i) => (
            <li key={p.photoId} className="text-[0.8rem] text-ink-2">
              <img src={`data:image/jpeg;base64,${p.data}`} alt={`Number ${i + 1}`} className="aspect-square w-full rounded object-cover" />
              {p.state === 'stored' ? 'with the crew' : p.state === 'refused' ? p.message : 'on this phone'}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** One of a few; tapped again it is taken back. */
function Chips<T extends string>({
  name,
  choices,
  value,
  onPick,
}: {
  name: string;
  choices: readonly (readonly [T, string])[];
  value: T | null;
  onPick: (value: T | null) => void;
}) {
  return (
    <div role="group" aria-label={name} className="mt-2">
      <span className="text-[0.93rem]">{name}</span>
      <div className="grid grid-cols-2 gap-2">
        {choices.map(([key, word]) => (
          <button
            key={key}
            type="button"
            aria-pressed={value === key}
            className={`${CHIP} ${value === key ? 'border-ink bg-ink text-chalk' : 'border-ink'}`}
            onClick={() => onPick(value === key ? null : key)}
          >
            {word}
          </button>
        ))}
      </div>
    </div>
  );
}

function Figure({
  name,
  measure,
  value,
  onTell,
}: {
  name: string;
  measure: 'depth' | 'weight' | 'fish';
  value: number | null;
  onTell: (si: number | null) => void;
}) {
  const shown = value === null ? '' : String(Number(inMine(value, measure).toFixed(2)));
  return (
    <label className="block">
      <span className="text-[0.93rem]">
        {name}, {myUnit(measure)}
      </span>
      <input
        className={`${FIELD} num`}
        inputMode="decimal"
        defaultValue={shown}
        onBlur={(e) => {
          const text = e.target.value.trim().replace(',', '.');
          if (text === shown) return;
          const figure = Number(text);
          if (text === '') onTell(null);
          else if (Number.isFinite(figure) && figure > 0) onTell(fromMine(figure, measure));
          else e.target.value = shown;
        }}
      />
    </label>
  );
}
