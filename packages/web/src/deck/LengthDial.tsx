import { Slider } from 'radix-ui';
import { myUnit } from '../data/units';

interface LengthDialProps {
  /** Lengths that have a key: the dial runs from the first to the last of them. */
  readonly keys: readonly number[];
  /** Null while it is not measured. */
  readonly value: number | null;
  readonly onTurn: (value: number) => void;
}

/** Any length of the species' range in one stroke of the thumb; the figure is on the knob, clear of the thumb when it is let go. */
export function LengthDial({ keys, value, onTurn }: LengthDialProps) {
  const [least, most] = [keys[0] ?? 0, keys.at(-1) ?? 1];
  const at = Math.min(most, Math.max(least, value ?? (least + most) / 2));
  return (
    <Slider.Root
      min={least}
      max={most}
      step={1}
      value={[Math.round(at)]}
      onValueChange={([v]) => v !== undefined && onTurn(v)}
      // A tap on the knob moves nothing by itself; before anything was measured it means the length under the thumb.
      onClick={(e) => {
        if (value !== null) return;
        const { left, width } = e.currentTarget.getBoundingClientRect();
        onTurn(Math.round(least + Math.min(1, Math.max(0, (e.clientX - left) / width)) * (most - least)));
      }}
      className="relative mt-2 flex h-[56px] touch-none items-center select-none"
      data-dial
    >
      <Slider.Track className="relative h-2 flex-1 rounded bg-line">
        <Slider.Range className={`absolute h-2 rounded ${value === null ? 'bg-line' : 'bg-ink'}`} />
      </Slider.Track>
      <Slider.Thumb
        aria-label={`Length, ${myUnit('fish')}`}
        className={`num flex h-[56px] w-[56px] cursor-pointer items-center justify-center rounded-full border-2 font-semibold ${value === null ? 'border-dashed border-ink bg-paper' : 'border-ink bg-ink text-chalk'}`}
      >
        {value ?? '?'}
      </Slider.Thumb>
    </Slider.Root>
  );
}
