import { amount } from '../data/units';
import { Choice } from '../ui/Choice';
import type { PlaceAs, ReadPlace } from './usePlacesFile';

const SHOWN = 300;

/** Places of a file, each with what it becomes. */
export function PlacesTable({ all, onPick }: { all: readonly ReadPlace[]; onPick: (index: number, as: PlaceAs) => void }) {
  return (
    <div className="max-h-[38vh] overflow-auto" tabIndex={0} role="group" aria-label="Places of the file">
      <table className="w-full text-[0.9rem]">
        <thead>
          <tr className="text-left text-ink-2">
            <th className="font-normal">Name</th>
            <th className="font-normal">Shape</th>
            <th className="font-normal">Near</th>
            <th className="font-normal">Becomes</th>
          </tr>
        </thead>
        <tbody>
          {all.slice(0, SHOWN).map(({ place: p, same, index, as }) => (
            <tr key={`${p.line} ${p.name} ${String(index)}`} className="border-t border-line">
              <td className="py-1">{p.name || 'no name'}</td>
              <td>
                {p.shape}
                {p.points.length > 1 ? `, ${p.points.length} points` : ''}
              </td>
              <td>{same ? `${same.of.name}, ${amount(same.metres, 'near', 0)}` : ''}</td>
              <td>
                <Choice
                  label={`What ${p.name || 'it'} becomes`}
                  labelled="hidden"
                  value={as}
                  options={[
                    { value: 'spot', name: 'a new spot' },
                    ...(p.shape === 'point' ? [] : [{ value: 'track' as const, name: 'a track' }]),
                    ...(same ? [{ value: 'merge' as const, name: `part of ${same.of.name}` }] : []),
                    { value: 'skip', name: 'left out' },
                  ]}
                  onPick={(next: PlaceAs) => onPick(index, next)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {all.length > SHOWN && <p className="py-1 text-ink-2">{all.length - SHOWN} more are taken as proposed.</p>}
    </div>
  );
}
