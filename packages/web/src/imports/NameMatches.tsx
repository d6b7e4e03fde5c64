import { Choice } from '../ui/Choice';

interface NameMatchesProps {
  readonly title: string;
  /** Names of the file with how often each stands there. */
  readonly names: ReadonlyMap<string, number>;
  readonly options: readonly { readonly id: string; readonly name: string }[];
  /** What each name means; empty for what is left out. */
  readonly means: (name: string) => string;
  readonly onPick: (name: string, id: string) => void;
}

/** What the names of a file mean here; those that are not clear come first. */
export function NameMatches({ title, names, options, means, onPick }: NameMatchesProps) {
  const list = [...names].sort(([a], [b]) => Number(means(a) !== '') - Number(means(b) !== '') || a.localeCompare(b));
  if (list.length === 0) return null;
  const open = list.filter(([n]) => means(n) === '').length;
  return (
    <details open={open > 0} className="border-t border-line py-1">
      <summary className="cursor-pointer">
        <b>{title}</b>: {list.length}
        {open > 0 ? <span className="text-rust">, {open} not matched and left out</span> : ', all matched'}
      </summary>
      <ul className="max-h-48 overflow-auto">
        {list.map(([name, times]) => (
          <li key={name} className="flex items-center justify-between gap-3 py-0.5">
            <span className="min-w-0 truncate">
              {name || 'no name'} <span className="num text-ink-2">{times}</span>
            </span>
            <Choice
              label={`What ${name || 'no name'} is`}
              labelled="hidden"
              value={means(name)}
              options={[{ value: '', name: 'left out' }, ...options.map((o) => ({ value: o.id, name: o.name }))]}
              onPick={(id) => onPick(name, id)}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}
