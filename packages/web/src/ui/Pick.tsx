interface Props {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly id: string; readonly name: string }[];
  readonly onPick: (id: string) => void;
}

/** A choice among named things in a screen's header. */
export function Pick({ label, value, options, onPick }: Props) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(e) => onPick(e.target.value)}
      className="truncate rounded border border-ink bg-chalk px-2 py-1.5 max-md:min-h-10 max-md:w-[116px]"
    >
      {options.map((o) => (
        <option key={o.id} value={o.id}>
          {o.name}
        </option>
      ))}
    </select>
  );
}
