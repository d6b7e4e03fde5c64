import type { PlanDesk } from '@bluffwind/contract/plan';
import { whyLeftOut } from '@bluffwind/core/plan/whyLeftOut';
import { useState } from 'react';
import { Button } from '../ui/parts';

/** Which presentations are in the boat: others are not called. */
export function Aboard({ desk, mayEdit, onKeep }: { desk: PlanDesk; mayEdit: boolean; onKeep: (aboard: string[] | null) => void }) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(desk.aboard ?? desk.presentations.map((p) => p.id)));
  const all = chosen.size === desk.presentations.length;
  const left = (p: PlanDesk['presentations'][number]) => whyLeftOut(desk, p);
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">
        In the boat: {desk.aboard === null ? 'every bait' : `${desk.aboard.length} of ${desk.presentations.length} baits`}
      </summary>
      <ul className="mt-1">
        {desk.presentations.map((p) => (
          <li key={p.id}>
            <label className="flex items-center gap-2 py-0.5 text-[0.9rem]">
              <input type="checkbox" checked={chosen.has(p.id)} disabled={!mayEdit} onChange={() => toggle(p.id)} /> {p.name}
              {left(p) && <span className="text-ink-2"> ({left(p)})</span>}
            </label>
          </li>
        ))}
      </ul>
      {mayEdit && (
        <p className="mt-1 flex gap-2">
          <Button className="py-0.5 text-[0.87rem]" disabled={chosen.size === 0} onClick={() => onKeep(all ? null : [...chosen])}>
            Plan with these
          </Button>
          <Button className="py-0.5 text-[0.87rem]" onClick={() => setChosen(new Set(all ? [] : desk.presentations.map((p) => p.id)))}>
            {all ? 'None' : 'All'}
          </Button>
        </p>
      )}
    </details>
  );
}
