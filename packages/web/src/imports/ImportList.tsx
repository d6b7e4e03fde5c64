import type { ImportView } from '@bluffwind/contract/imports';
import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { importsQuery } from './queries';
import { clock, dayName } from '../ui/format';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Button, Fault } from '../ui/parts';

const NOUN = { readings: 'readings', places: 'places', soundings: 'soundings', trips: 'trips' } as const;

/** Files that were imported into a water, newest first; each can be undone whole. */
export function ImportList({ waterId, zone, kinds }: { waterId: string; zone: string; kinds: readonly ImportView['kind'][] }) {
  const imports = useQuery(importsQuery(waterId));
  const undoing = useSave<ImportView>({
    send: (i) => post(`/imports/${i.id}/undo`),
    touches: [[]],
    told: (_, i) => `${i.fileName} is undone: ${i.stored} ${NOUN[i.kind]} are out again.`,
  });
  const [ask, question] = useAsk();
  const list = imports.data?.filter((i) => kinds.includes(i.kind)) ?? [];
  if (list.length === 0) return null;
  const undo = (i: ImportView) =>
    ask({
      title: `Take ${i.fileName} out again?`,
      text: `All ${i.stored} ${NOUN[i.kind]} of it go. The file can be imported again.`,
      yes: 'Take it out',
      act: () => undoing.save(i),
    });
  return (
    <section className="mt-4 border-t border-line pt-2">
      <h3 className="font-semibold">Imported before</h3>
      {question}
      {undoing.error !== null && <Fault error={undoing.error} />}
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
              <Button className="py-0.5" disabled={undoing.busy} onClick={() => undo(i)}>
                Undo
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
