import type { OutfitName } from '@bluffwind/contract/crew';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { boardQuery, meQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { ZONES } from '../data/zones';
import { useAsk } from '../ui/Ask';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, TextField } from '../ui/form/fields';
import { clock, dayName } from '../ui/format';
import { Button } from '../ui/parts';

/** What the outfit is called, and where its days begin and end. */
export function NameAndZone() {
  const { data: me } = useQuery(meQuery);
  const { data: board } = useQuery(boardQuery);
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [ask, question] = useAsk();
  const saving = useSave<OutfitName>({
    send: (o) => post('/outfit/name', o),
    touches: [],
    told: (_, o) => `${o.name}, by the clock of ${o.zone.replaceAll('_', ' ')}.`,
    onStored: () => {
      setOpen(false);
      void queries.invalidateQueries();
    },
  });
  if (!me) return null;
  const { name, zone } = me.outfit;
  const trip = [...(board?.tomorrow ?? []), ...(board?.today ?? [])][0];
  const store = (typed: OutfitName) => {
    if (typed.zone === zone) return saving.save(typed);
    const reads = (at: number | string) =>
      `${dayName(at, zone)} ${clock(at, zone)} reads ${dayName(at, typed.zone)} ${clock(at, typed.zone)}`;
    ask({
      title: `By the clock of ${typed.zone.replaceAll('_', ' ')} from now on?`,
      text: `Nothing that was logged or planned moves in time; it is shown by the other clock. What ${reads(trip?.startsAt ?? serverNow())}. Days of trips, seasons of rules and briefs go by the new days. Change the hours of trips ahead in the calendar if they were meant by the other clock.`,
      yes: 'Take that clock',
      act: () => saving.save(typed),
    });
  };
  return (
    <section>
      {question}
      <h2 className="mb-1 font-bold">The outfit</h2>
      {open ? (
        <Entry<OutfitName>
          values={{ name, zone }}
          saving={saving}
          onSave={store}
          onLeave={() => {
            saving.clear();
            setOpen(false);
          }}
        >
          <TextField name="name" label="Name of the outfit" required maxLength={80} />
          <ChoiceField
            name="zone"
            label="Time zone of your waters"
            options={ZONES.some((z) => z.value === zone) ? ZONES : [{ value: zone, name: zone }, ...ZONES]}
          />
        </Entry>
      ) : (
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="min-w-0 break-words">
            {name}, by the clock of {zone.replaceAll('_', ' ')}
          </span>
          <Button aria-label="Change it: name and time zone" onClick={() => setOpen(true)}>
            Change it
          </Button>
        </p>
      )}
    </section>
  );
}
