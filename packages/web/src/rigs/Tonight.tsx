import type { NightItem, NightList } from '@bluffwind/core/tackle/nightList';
import { words } from '../data/units';
import { Term } from '../ui/Term';
import type { Tick } from './useTicks';

const GROUPS = [
  ['tie', 'To tie'],
  ['bait', 'Bait and feed'],
  ['load', 'To load'],
] as const;

interface TonightProps {
  readonly night: NightList;
  readonly tickOf: (key: string) => Tick;
  readonly onTick: (key: string, done: boolean) => void;
}

/** The list of the night before, shared by the crew; each thing with its reason. */
export function Tonight({ night, tickOf, onTick }: TonightProps) {
  const done = night.items.filter((i) => tickOf(i.key).done).length;
  const waiting = night.items.filter((i) => tickOf(i.key).waiting).length;
  return (
    <section aria-label="Tonight" data-tonight className="text-[0.95rem]">
      <h2 className="flex items-baseline gap-2 font-bold">
        Tonight
        <span className="num ml-auto font-normal" data-ticked>
          {done} of {night.items.length}
        </span>
      </h2>
      {waiting > 0 && <p className="text-[0.87rem] text-ink-2">{waiting} on this phone, sent when there is a network.</p>}
      {GROUPS.map(([group, name]) => {
        const items = night.items.filter((i) => i.group === group).sort((a, b) => (a.byMs ?? 0) - (b.byMs ?? 0));
        if (items.length === 0) return null;
        return (
          <section key={group} aria-label={name} className="mt-3">
            <h3 className="text-[0.87rem] text-ink-2">
              {name} {group === 'tie' && <Term name="spares" />}
            </h3>
            <ul>
              {items.map((i) => (
                <Thing key={i.key} item={i} tick={tickOf(i.key)} onTick={(d) => onTick(i.key, d)} />
              ))}
            </ul>
          </section>
        );
      })}
      {night.cost > 0 && (
        <p className="mt-3 border-t border-line pt-2 text-[0.87rem] text-ink-2">
          Bait and feed of the day cost about <b className="num text-ink">{Math.round(night.cost)}</b>.
        </p>
      )}
    </section>
  );
}

function Thing({ item, tick, onTick }: { item: NightItem; tick: Tick; onTick: (done: boolean) => void }) {
  return (
    <li className="border-t border-line first:border-t-0">
      <label className="flex min-h-11 cursor-pointer items-start gap-2.5 py-2 md:min-h-8">
        <input
          type="checkbox"
          checked={tick.done}
          onChange={(e) => onTick(e.target.checked)}
          className="mt-0.5 h-5 w-5 shrink-0 accent-[var(--kelp)]"
        />
        <span className="min-w-0">
          <span className={tick.done ? 'text-ink-2 line-through' : ''}>{words(item.what)}</span>
          <span className="block text-[0.85rem] text-ink-2">
            {words(item.why)}
            {tick.done && tick.by !== '' && ` Ticked by ${tick.by}.`}
          </span>
          {tick.refused !== '' && (
            <span role="alert" className="block text-[0.85rem] text-rust">
              Not taken: {words(tick.refused)}
            </span>
          )}
        </span>
      </label>
    </li>
  );
}
