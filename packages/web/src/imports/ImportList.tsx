import type { ImportView } from '@bluffwind/contract/imports';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { importsQuery } from './queries';
import { clock, dayName } from '../ui/format';
import { Button, Fault } from '../ui/parts';

const NOUN = { readings: 'readings', places: 'places', soundings: 'soundings' } as const;

/** Files that were imported into a water, newest first; each can be undone whole. */
export function ImportList({ waterId, zone, kinds }: { waterId: string; zone: string; kinds: readonly ImportView['kind'][] }) {
  const queries = useQueryClient();
  const imports = useQuery(importsQuery(waterId));
  const [error, setError] = useState<unknown>(null);
  const list = imports.data?.filter((i) => kinds.includes(i.kind)) ?? [];
  if (list.length === 0) return null;
  async function undo(i: ImportView) {
    setError(null);
    try {
      await post(`/imports/${i.id}/undo`);
      await queries.invalidateQueries();
      toast(`${i.fileName} is undone: ${i.stored} ${NOUN[i.kind]} are out again.`);
    } catch (problem) {
      setError(problem);
    }
  }
  return (
    <section className="mt-4 border-t border-line pt-2">
      <h3 className="font-semibold">Imported before</h3>
      {error !== null && <Fault error={error} />}
      <ul>
        {list.slice(0, 12).map((i) => (
          <li key={i.id} className="flex items-baseline justify-between gap-3 border-t border-line py-1.5 text-[0.9rem]">
            <span className={i.undoneAt ? 'text-ink-2 line-through' : ''}>
              {i.fileName}, {dayName(i.madeAt, zone)} {clock(i.madeAt, zone)}, by {i.by}: <span className="num">{i.stored}</span>{' '}
              {NOUN[i.kind]}
              {i.known > 0 ? `, ${i.known} were there already` : ''}
              {i.refused > 0 ? `, ${i.refused} lines refused` : ''}
            </span>
            {i.undoneAt ? (
              <span className="text-ink-2">undone</span>
            ) : (
              <Button className="py-0.5" onClick={() => undo(i)}>
                Undo
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
