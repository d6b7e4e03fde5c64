import { ToggleGroup } from 'radix-ui';

interface SegmentsProps<V extends string> {
  readonly label: string;
  readonly value: V;
  readonly options: readonly { readonly value: V; readonly name: string }[];
  readonly onPick: (value: V) => void;
}

/** A choice of a few things that stand beside each other, one of them taken. */
export function Segments<V extends string>({ label, value, options, onPick }: SegmentsProps<V>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      // What is taken stays taken when it is pressed once more.
      onValueChange={(v) => v && onPick(v as V)}
      className="flex flex-wrap gap-1"
    >
      {options.map((o) => (
        <ToggleGroup.Item
          key={o.value}
          value={o.value}
          className="min-h-10 cursor-pointer rounded border border-ink-3 px-3 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-chalk md:min-h-8"
        >
          {o.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
