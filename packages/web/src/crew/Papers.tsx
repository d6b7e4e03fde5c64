import { PAPER_KINDS } from '@bluffwind/contract/paperKinds';
import type { AwayEdit, PaperEdit, PapersView } from '@bluffwind/contract/papers';
import { addDays, localDate } from '@bluffwind/core/units/time';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { meQuery, papersQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { dateName } from '../ui/format';
import { DayField } from '../ui/form/choices';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, TextField } from '../ui/form/fields';
import { Button, Fault, Waiting } from '../ui/parts';

const KINDS = PAPER_KINDS.map((k) => ({ value: k, name: k === 'other' ? 'another paper' : k }));
const TOUCHES = [['papers'], ['board']] as const;
/** A year ahead: what most papers are renewed for. */
const USUAL_DAYS = 365;

type TypedPaper = Pick<PaperEdit, 'kind' | 'name' | 'endsOn'>;
type TypedAway = Pick<AwayEdit, 'fromOn' | 'toOn' | 'why'>;

/** What one person carries that ends some day, and the days on which he is away. */
export function Papers({ personId }: { personId: string }) {
  const { data: me } = useQuery(meQuery);
  const list = useQuery(papersQuery);
  const [adding, setAdding] = useState<'paper' | 'away' | null>(null);
  const id = useRef(v7());
  const stored = () => {
    id.current = v7();
    setAdding(null);
  };
  const paper = useSave<TypedPaper>({
    send: (typed) => post('/papers', { id: id.current, personId, ...typed }),
    touches: TOUCHES,
    told: 'Stored. It is told two months before it ends.',
    onStored: stored,
  });
  const away = useSave<TypedAway>({
    send: (typed) => post('/away', { id: id.current, personId, ...typed }),
    touches: TOUCHES,
    told: 'Stored. No trip can be made with them on those days.',
    onStored: stored,
  });
  const remove = useSave<string>({ send: (path) => post(`${path}/remove`), touches: TOUCHES, told: 'Taken out.' });
  const leave = () => {
    paper.clear();
    away.clear();
    setAdding(null);
  };
  const today = localDate(serverNow(), me?.outfit.zone ?? 'UTC');
  const papers = list.data?.papers.filter((p) => p.personId === personId) ?? [];
  const days = list.data?.away.filter((a) => a.personId === personId) ?? [];
  return (
    <section aria-label="Papers and days away" className="flex flex-col gap-4">
      {list.isPending && <Waiting what="Asking the server" />}
      {list.error && <Fault error={list.error} retry={() => void list.refetch()} />}
      {remove.error !== null && <Fault error={remove.error} />}
      <div>
        <h2 className="mb-1 font-bold">Papers that end</h2>
        <ul>
          {papers.map((p) => (
            <Line
              key={p.id}
              onRemove={() => remove.save(`/papers/${p.id}`)}
              busy={remove.busy}
              what={`${paperOf(p)} that ends ${p.endsOn}`}
            >
              {paperOf(p)}{' '}
              <span className={p.endsOn < today ? 'font-bold text-rust' : ''}>
                {p.endsOn < today ? 'ended on' : 'until'} {dateName(p.endsOn)} {p.endsOn.slice(0, 4)}
              </span>
            </Line>
          ))}
        </ul>
        {adding === 'paper' ? (
          <Entry<TypedPaper>
            values={{ kind: 'licence', name: '', endsOn: addDays(today, USUAL_DAYS) }}
            saving={paper}
            onSave={paper.save}
            onLeave={leave}
          >
            <ChoiceField name="kind" label="Kind" options={KINDS} />
            <TextField name="name" label="What it is called, if it has a name" maxLength={80} />
            <DayField name="endsOn" label="Last day" />
          </Entry>
        ) : (
          <Button className="mt-1" onClick={() => setAdding('paper')}>
            Add a paper
          </Button>
        )}
      </div>
      <div>
        <h2 className="mb-1 font-bold">Days away</h2>
        <ul>
          {days.map((a) => (
            <Line key={a.id} onRemove={() => remove.save(`/away/${a.id}`)} busy={remove.busy} what={`days away from ${a.fromOn}`}>
              {dateName(a.fromOn)}
              {a.toOn === a.fromOn ? '' : ` to ${dateName(a.toOn)}`}
              {a.why ? `: ${a.why}` : ''}
            </Line>
          ))}
        </ul>
        {adding === 'away' ? (
          <Entry<TypedAway> values={{ fromOn: today, toOn: today, why: '' }} saving={away} onSave={away.save} onLeave={leave}>
            <div className="grid grid-cols-2 gap-3">
              <DayField name="fromOn" label="First day" />
              <DayField name="toOn" label="Last day" />
            </div>
            <TextField name="why" label="Why" hint="Seen by yourself and the owner." maxLength={80} />
          </Entry>
        ) : (
          <Button className="mt-1" onClick={() => setAdding('away')}>
            Add days away
          </Button>
        )}
      </div>
    </section>
  );
}

const paperOf = (p: PapersView['papers'][number]): string => p.name || KINDS.find((k) => k.value === p.kind)?.name || p.kind;

function Line({ what, busy, onRemove, children }: { what: string; busy: boolean; onRemove: () => void; children: React.ReactNode }) {
  return (
    <li className="flex items-center justify-between gap-3 border-t border-line py-1.5">
      <span>{children}</span>
      <Button onClick={onRemove} disabled={busy} aria-label={`Take out the ${what}`}>
        Take out
      </Button>
    </li>
  );
}
