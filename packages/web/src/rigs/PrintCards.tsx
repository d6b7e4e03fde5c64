import type { NightList } from '@bluffwind/core/tackle/nightList';
import type { StopRigs } from '@bluffwind/core/tackle/rigDay';
import { words } from '../data/units';
import { clock } from '../ui/format';
import { RigPicture } from './RigPicture';
import { ROLES } from './roles';

/** Cards for the tackle box, four to a page, and the list; on the screen they are not there. */
export function PrintCards({ title, stops, night, zone }: { title: string; stops: readonly StopRigs[]; night: NightList; zone: string }) {
  const cards = stops.flatMap((s, i) => s.cards.map((c) => ({ ...c, stop: s, place: `${i + 1} ${s.spotName}, ${clock(c.fromMs, zone)}` })));
  return (
    <div className="hidden print:block" data-print-cards>
      <h1 className="font-bold">{title}</h1>
      <div className="grid grid-cols-2">
        {cards.map(({ card, role, place }) => (
          <section
            key={`${place} ${card.presentationId}`}
            className="h-[128mm] overflow-hidden border border-ink p-[3mm] text-[10pt] [break-inside:avoid]"
          >
            <h2 className="font-bold">{card.name}</h2>
            <p>
              {place} · {ROLES[role]}
            </p>
            <div className="mx-auto w-[62mm]">
              <RigPicture card={card} place={place} room="narrow" />
            </div>
            <ul>
              {card.parts.slice(0, 7).map((p) => (
                <li key={`${p.name} ${p.what}`}>
                  {p.name}: <b>{words(p.what)}</b>
                </li>
              ))}
            </ul>
            <p>{words(card.take.what)}</p>
          </section>
        ))}
      </div>
      <section className="[break-before:page]">
        <h2 className="font-bold">Tonight</h2>
        <ul>
          {night.items.map((i) => (
            <li key={i.key}>☐ {words(i.what)}</li>
          ))}
        </ul>
      </section>
    </div>
  );
}
