import { HAND_LIMITS, isHandPart } from '@bluffwind/core/tackle/handLimits';
import type { RigPart } from '@bluffwind/core/tackle/rigQuestion';
import { type FormEvent, useId, useRef, useState } from 'react';
import { fromMine, inMine, myUnit, words } from '../data/units';
import { FIELD } from '../ui/form/fields';
import { Button } from '../ui/parts';

interface PartLineProps {
  readonly part: RigPart;
  /** Sets the figure by hand, null gives it back; none for who may not. */
  readonly onSet: ((value: number | null) => void) | null;
}

/** One part of a rig: what, why by which rule, both ways where they differ, and its figure to change. */
export function PartLine({ part, onSet }: PartLineProps) {
  const [open, setOpen] = useState(false);
  // The form goes when it is sent; whoever works by keys is back where he opened it.
  const change = useRef<HTMLSpanElement>(null);
  const may = onSet !== null && part.value !== null && isHandPart(part.name);
  return (
    <li className="border-t border-line py-2" data-part={part.name} id={`part-${part.name.replaceAll(' ', '-')}`}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="w-[92px] shrink-0 text-[0.85rem] text-ink-2">{part.name}</span>
        <b className="min-w-0 flex-1" data-what>
          {words(part.what)}
        </b>
        {may && (
          <span ref={change}>
            <Button className="py-0.5 text-[0.85rem] font-normal" aria-expanded={open} onClick={() => setOpen(!open)}>
              Change
            </Button>
          </span>
        )}
      </div>
      {part.otherwise !== null && (
        <p className="text-[0.9rem] text-rust">
          Set by hand; by the reckoning it would be {words(part.otherwise)}.{' '}
          {onSet && (
            <button type="button" className="cursor-pointer underline underline-offset-2" onClick={() => onSet(null)}>
              Give it back
            </button>
          )}
        </p>
      )}
      <p className="text-[0.9rem] text-ink-2">
        {words(part.why)} {part.rules.length > 0 && <span className="num text-[0.8rem] text-ink-3">{part.rules.join(' ')}</span>}
      </p>
      {part.schools.length > 0 && (
        <p className="text-[0.87rem] text-ink-2">
          {part.schools.map((s) => (
            <span key={s.name} className="block">
              {s.name}: {words(s.what)}.
            </span>
          ))}
        </p>
      )}
      {open && onSet && (
        <ByHand
          part={part}
          onSet={(v) => {
            change.current?.querySelector('button')?.focus();
            setOpen(false);
            onSet(v);
          }}
        />
      )}
    </li>
  );
}

function ByHand({ part, onSet }: { part: RigPart; onSet: (value: number) => void }) {
  const id = useId();
  const measure = part.measure === 's' || part.measure === null ? null : part.measure;
  const [typed, setTyped] = useState(() => String(Number((measure ? inMine(part.value ?? 0, measure) : (part.value ?? 0)).toPrecision(3))));
  const value = Number(typed.replace(',', '.'));
  const [least, most] = isHandPart(part.name) ? HAND_LIMITS[part.name] : [0, 0];
  const si = measure ? fromMine(value, measure) : value;
  const bad = typed.trim() === '' || !Number.isFinite(si) || si < least || si > most;
  const edge = (v: number) => String(Number((measure ? inMine(v, measure) : v).toPrecision(3)));
  const send = (e: FormEvent) => {
    e.preventDefault();
    if (!bad) onSet(si);
  };
  return (
    <form onSubmit={send} className="mt-1.5 flex flex-wrap items-center gap-2">
      <label htmlFor={id}>
        {part.name}, {measure ? myUnit(measure) : 's'}
      </label>
      <input
        id={id}
        inputMode="decimal"
        value={typed}
        aria-invalid={bad}
        onChange={(e) => setTyped(e.target.value)}
        className={`${FIELD} w-24`}
      />
      <Button type="submit" disabled={bad}>
        Keep it so
      </Button>
      {bad && (
        <span role="alert" className="text-[0.87rem] text-rust">
          From {edge(least)} to {edge(most)}.
        </span>
      )}
    </form>
  );
}
