import type { OutfitView } from '@bluffwind/contract/outfit';
import type { StationEdit, StationGiven, StationTried } from '@bluffwind/contract/stations';
import { isVariable, variable, variableWords } from '@bluffwind/core/weather/variables';
import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { amount } from '../data/units';
import { useSave } from '../data/useSave';
import { ReadingColumns } from '../imports/ReadingColumns';
import { useAsk } from '../ui/Ask';
import { FIELD } from '../ui/form/fields';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { stationsQuery } from './queries';
import { WATER_KEYS } from './waterKeys';

interface StationsDialogProps {
  readonly water: OutfitView['waters'][number];
  readonly zone: string;
  readonly onClose: () => void;
}

/** Stations of a water that the crew has given by address: what they say, added and taken out. */
export function StationsDialog({ water, zone, onClose }: StationsDialogProps) {
  const all = useQuery(stationsQuery);
  const [adding, setAdding] = useState(false);
  const [ask, question] = useAsk();
  const retire = useSave<StationGiven>({
    send: (s) => post(`/stations/${s.id}/retire`),
    touches: [['stations'], ...WATER_KEYS],
    told: (_, s) => `${s.name} is not asked any more; what it said stays.`,
  });
  const own = (all.data ?? []).filter((s) => s.waterId === water.id);
  return (
    <Sheet
      open
      wide
      title={`Stations of ${water.name}`}
      note="An address that answers with readings or an hourly forecast: JSON, CSV, METAR text, or the two public agency layouts. It is asked every ten minutes."
      onClose={onClose}
    >
      {question}
      {failedOf(all) ? (
        <Fault error={all.error} retry={() => void all.refetch()} />
      ) : !all.data ? (
        <Waiting what="Reading the stations" />
      ) : null}
      {retire.error !== null && <Fault error={retire.error} />}
      {all.data && own.length === 0 && !adding && <p className="text-ink-2">No station by address yet.</p>}
      <ul>
        {own.map((s) => (
          <li key={s.id} className="flex flex-wrap items-center gap-3 border-t border-line py-2" data-own-station={s.name}>
            <span className="min-w-0 flex-1">
              <b>{s.name}</b> <span className="text-[0.87rem] break-all text-ink-2">{s.url}</span>
              <span className={`block text-[0.87rem] ${s.lastError ? 'text-rust' : 'text-ink-2'}`}>
                {s.lastError
                  ? `Last try: ${s.lastError}.`
                  : s.lastGoodAt
                    ? `Newest reading ${dayName(s.lastGoodAt, zone)} ${clock(s.lastGoodAt, zone)}.`
                    : 'Not asked yet; within a minute it is.'}
              </span>
            </span>
            <Button
              aria-label={`Take ${s.name} out`}
              onClick={() =>
                ask({
                  title: `Take ${s.name} out?`,
                  text: 'It is not asked any more. What it has said stays.',
                  yes: 'Take it out',
                  act: () => retire.save(s),
                })
              }
            >
              Take it out
            </Button>
          </li>
        ))}
      </ul>
      {adding ? (
        <AddStation water={water} zone={zone} onDone={() => setAdding(false)} />
      ) : (
        <Button strong className="mt-3" onClick={() => setAdding(true)}>
          Add a station by address
        </Button>
      )}
    </Sheet>
  );
}

function AddStation({ water, zone, onDone }: { water: OutfitView['waters'][number]; zone: string; onDone: () => void }) {
  const [id, nameId] = [useId(), useId()];
  const [key] = useState(() => v7());
  const [url, setUrl] = useState('');
  const [name, setName] = useState('');
  const [tried, setTried] = useState<StationTried | null>(null);
  const trying = useSave<{ url: string; reading: StationTried['reading'] | null }, StationTried>({
    send: (body) => post<StationTried>('/stations/try', body),
    touches: [],
    onStored: setTried,
  });
  const storing = useSave<StationEdit>({
    send: (s) => post('/stations', s),
    touches: [['stations'], ...WATER_KEYS],
    told: (_, s) => `${s.name} is asked from now on.`,
    onStored: onDone,
  });
  const reading = tried?.reading ?? null;
  const mapping = reading?.mapping ?? null;
  const fault = trying.fault('url') ?? storing.fault('url');
  return (
    <section aria-label="A station by address" className="mt-3 flex flex-col gap-3 border-t-2 border-ink pt-3">
      <div>
        <label htmlFor={id}>Address</label>
        <span className="flex gap-2">
          <input
            id={id}
            value={url}
            placeholder="https://"
            aria-invalid={fault !== undefined}
            onChange={(e) => {
              setUrl(e.target.value);
              setTried(null);
              trying.clear();
            }}
            className={`${FIELD} flex-1`}
          />
          <Button disabled={url.trim().length < 8 || trying.busy} onClick={() => trying.save({ url, reading: null })}>
            {trying.busy ? 'Asking ...' : 'Try it'}
          </Button>
        </span>
        {fault && (
          <p role="alert" className="text-[0.87rem] text-rust">
            {fault}
          </p>
        )}
        {trying.error !== null && !fault && <Fault error={trying.error} />}
      </div>
      {tried && mapping && (
        <ReadingColumns
          header={tried.header}
          rows={tried.rows}
          mapping={mapping}
          zone={zone}
          onChange={(m) => {
            const plain = { ...m, timeColumns: [...m.timeColumns], values: m.values.map((v) => ({ ...v })) };
            const next = { ...tried.reading, mapping: plain };
            setTried({ ...tried, reading: next });
            trying.save({ url, reading: next });
          }}
        />
      )}
      {tried && (
        <div data-tried>
          <p>
            {tried.readings === 0
              ? 'Nothing of it is read yet: say which column is the time and what the others are.'
              : `${tried.readings} readings${tried.ahead > 0 ? `, ${tried.ahead} of them ahead as a forecast` : ''}. The newest:`}
          </p>
          <ul className="text-[0.9rem]">
            {tried.latest.map((l) => (
              <li key={l.variable}>
                {variableWords(l.variable)}{' '}
                <b className="num">
                  {isVariable(l.variable) ? amount(l.value, variable(l.variable).measure, variable(l.variable).digits) : l.value}
                </b>
                , {dayName(l.at, zone)} {clock(l.at, zone)}
              </li>
            ))}
          </ul>
          {tried.refused.length > 0 && (
            <p className="text-[0.87rem] text-rust">
              Line {tried.refused[0]?.line}: {tried.refused[0]?.reason}. {tried.refused[0]?.remedy}
            </p>
          )}
        </div>
      )}
      {tried && tried.readings > 0 && (
        <>
          <div>
            <label htmlFor={nameId}>Name</label>
            <input id={nameId} value={name} maxLength={80} onChange={(e) => setName(e.target.value)} className={`${FIELD} w-full`} />
          </div>
          {storing.error !== null && !fault && <Fault error={storing.error} />}
        </>
      )}
      <p className="flex justify-end gap-2">
        <Button onClick={onDone}>Leave it</Button>
        <Button
          strong
          disabled={!tried || tried.readings === 0 || name.trim() === '' || storing.busy}
          onClick={() => reading && storing.save({ id: key, waterId: water.id, name, url, reading, lat: water.lat, lon: water.lon })}
        >
          Store
        </Button>
      </p>
    </section>
  );
}
