import { Sheet } from '../ui/Sheet';
import { FEATURES } from './features';

/** The keys of every screen. */
export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const places = FEATURES.flatMap(({ place }) => (place ? [place.key] : [])).join(' ');
  const keys = [
    [`g then ${places}`, 'go to a screen'],
    ['/', 'search'],
    ['Ctrl K', 'any command'],
    [', .', 'a quarter of an hour back, on'],
    ['< >', 'an hour back, on'],
    ...FEATURES.flatMap((f) => f.keys ?? []),
    ['?', 'this list'],
  ] as const;
  return (
    <Sheet open={open} title="Keys" note="Keys at the desk" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {keys.map(([k, what]) => (
          <div key={k} className="contents">
            <dt className="num">{k}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
