import type { GearEdit, GearView } from '@bluffwind/contract/rigs';
import { GEAR_KINDS, type GearKind } from '@bluffwind/core/tackle/gearKinds';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { meQuery } from '../data/queries';
import { amount } from '../data/units';
import { useKeys } from '../data/useKeys';
import { useSave } from '../data/useSave';
import { Button, Fault, Header, Waiting } from '../ui/parts';
import { Earned } from './Earned';
import { GearSheet } from './GearSheet';
import { gearQuery } from './queries';

const blank = (): GearView => ({
  id: v7(),
  kind: 'weight',
  name: '',
  massG: null,
  strengthKg: null,
  acrossMm: null,
  stock: null,
  cost: null,
  note: '',
  outOfUse: false,
});

const TITLES: Readonly<Record<GearKind, string>> = {
  rod: 'Rods',
  reel: 'Reels',
  line: 'Lines',
  leader: 'Leaders',
  hook: 'Hooks',
  weight: 'Weights',
  head: 'Jig heads',
  lure: 'Lures',
  feeder: 'Feeders',
  board: 'Boards',
  float: 'Floats',
  'sea anchor': 'Sea anchors',
  sounder: 'Sounders',
  net: 'Nets',
  'release tool': 'Release tools',
};
/** Kinds whose sizes the rigs are chosen from. */
const CHOSEN_FROM: readonly GearKind[] = ['weight', 'head', 'sea anchor'];

/** What is in the boxes: sizes that rigs are chosen from, stock and cost. */
export default function Gear() {
  const { data: me } = useQuery(meQuery);
  const all = useQuery(gearQuery);
  const [edited, setEdited] = useState<GearView | null>(null);
  const mayEdit = me !== undefined && me.role !== 'mate';
  useKeys({ n: mayEdit ? () => setEdited(blank()) : null });
  const back = useSave<GearEdit>({ send: (g) => post('/gear', g), touches: [['gear'], ['rigs']], told: (_, g) => `${g.name} is back.` });
  const away = useSave<GearView>({
    send: (g) => post(`/gear/${g.id}/retire`),
    touches: [['gear'], ['rigs']],
    onStored: (_, { outOfUse: __, ...g }) => toast(`${g.name} is put away.`, { action: { label: 'Undo', onClick: () => back.save(g) } }),
  });
  if (failedOf(all)) return <Fault error={all.error} retry={() => void all.refetch()} />;
  if (!all.data) return <Waiting what="Opening the boxes" />;
  const used = all.data.filter((g) => !g.outOfUse);
  const worth = used.reduce((sum, g) => sum + (g.stock ?? 0) * (g.cost ?? 0), 0);
  return (
    <>
      <Header title="Gear" note={`${used.length} things${worth > 0 ? `, worth about ${Math.round(worth)}` : ''}`}>
        {mayEdit && (
          <Button hint="N" onClick={() => setEdited(blank())}>
            Add a thing
          </Button>
        )}
      </Header>
      <section aria-label="Gear" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-3 py-2 md:px-[18px]">
        <p className="max-w-prose text-[0.9rem] text-ink-2">
          Rigs are chosen from the weights, jig heads and sea anchors that are listed here and in stock. Of a kind that has none, the usual
          sizes of the trade are taken.
        </p>
        {back.error !== null && <Fault error={back.error} />}
        {away.error !== null && <Fault error={away.error} />}
        {GEAR_KINDS.map((kind) => {
          const things = used.filter((g) => g.kind === kind);
          if (things.length === 0 && !CHOSEN_FROM.includes(kind)) return null;
          return (
            <section key={kind} aria-label={TITLES[kind]} className="mt-3 max-w-[720px]">
              <h2 className="font-bold">{TITLES[kind]}</h2>
              {things.length === 0 && <p className="text-[0.9rem] text-ink-2">None listed: the usual sizes are taken.</p>}
              <ul>
                {things.map((g) => (
                  <li key={g.id} className="flex flex-wrap items-baseline gap-x-4 border-t border-line py-1.5" data-gear={g.name}>
                    <b className="min-w-0 flex-1">{g.name}</b>
                    <span className={`text-[0.9rem] ${g.stock === 0 ? 'text-rust' : 'text-ink-2'}`}>{wordsOf(g)}</span>
                    {mayEdit && (
                      <span className="flex gap-2">
                        <Button className="py-0.5 text-[0.87rem] font-normal" aria-label={`Edit ${g.name}`} onClick={() => setEdited(g)}>
                          Edit
                        </Button>
                        <Button
                          className="py-0.5 text-[0.87rem] font-normal"
                          aria-label={`Put away ${g.name}`}
                          onClick={() => away.save(g)}
                        >
                          Put away
                        </Button>
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
        <Earned />
      </section>
      {edited && <GearSheet gear={edited} onClose={() => setEdited(null)} />}
    </>
  );
}

function wordsOf(g: GearView): string {
  return [
    g.massG === null ? '' : amount(g.massG, 'lead', g.massG < 10 ? 1 : 0),
    g.strengthKg === null ? '' : amount(g.strengthKg, 'weight', 1),
    g.acrossMm === null ? '' : g.kind === 'sea anchor' ? `${amount(g.acrossMm / 1000, 'height', 1)} across` : `${g.acrossMm} mm`,
    g.stock === null ? '' : g.stock === 0 ? 'none left' : `${g.stock} in stock`,
    g.cost === null ? '' : `${g.cost} each`,
    g.note,
  ]
    .filter((x) => x !== '')
    .join(' · ');
}
