import type { OutfitView } from '@bluffwind/contract/outfit';
import { type ChangeEvent, useEffect, useState } from 'react';
import { post } from '../data/api';
import { myUnits } from '../data/units';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { FIELD } from '../ui/form/fields';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import type { Answer, FilesWork, TideRead } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import { TideFound } from './TideFound';
import { WATER_KEYS } from './waterKeys';

interface TideDialogProps {
  readonly water: OutfitView['waters'][number] | null;
  readonly zone: string;
  readonly onClose: () => void;
}

const ORDERS = [
  { value: 'dmy', name: 'day first' },
  { value: 'mdy', name: 'month first' },
] as const;
const HEIGHTS = [
  { value: '1', name: 'metres' },
  { value: '0.3048', name: 'feet' },
];

/** The tide of a water: from a table of highs and lows, a series of heights, or published constants. */
export function TideDialog({ water, zone, onClose }: TideDialogProps) {
  const files = useWorker<FilesWork>(makeFilesWorker);
  const [text, setText] = useState('');
  const [order, setOrder] = useState<'dmy' | 'mdy'>(myUnits().dates === 'month first' ? 'mdy' : 'dmy');
  const [metres, setMetres] = useState(myUnits().depth === 'm' ? '1' : '0.3048');
  const [clock, setClock] = useState('own');
  const [answer, setAnswer] = useState<Answer<TideRead> | null>(null);
  const [reading, setReading] = useState(false);
  const saving = useSave<TideRead | null>({
    send: (read) =>
      post(`/waters/${water?.id}/tide`, {
        tide: read && {
          z0M: read.z0M ?? 0,
          constants: read.constants.slice(0, 80).map(({ name, amplitudeM, phaseDeg }) => ({ name, amplitudeM, phaseDeg })),
        },
      }),
    touches: WATER_KEYS,
    told: (_, read) => (read ? `The tides of ${water?.name} are foretold from now on.` : `${water?.name} has no tide now.`),
    onStored: () => close(),
  });
  const close = () => {
    files.end();
    setText('');
    setAnswer(null);
    saving.clear();
    onClose();
  };
  // Read again whenever what is typed or chosen changes, a moment after the last change.
  useEffect(() => {
    if (text.trim() === '') return setAnswer(null);
    let current = true;
    const timer = window.setTimeout(() => {
      setReading(true);
      void files
        .get()
        .tide(text, { zone: clock === 'own' ? zone : 'UTC', order, metres: Number(metres) }, water?.lat ?? 0)
        .then((a) => {
          if (!current) return;
          setAnswer(a);
          setReading(false);
        });
    }, 300);
    return () => {
      current = false;
      window.clearTimeout(timer);
    };
  }, [text, order, metres, clock, zone, files, water?.lat]);
  const take = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    if (file) setText(await file.text());
  };
  return (
    <Sheet
      open={water !== null}
      wide
      title={`The tide of ${water?.name ?? ''}`}
      note="From a table of high and low waters of some weeks, from measured heights, or from published constants. Sixty days of a table are good, a year is best."
      onClose={close}
    >
      <div className="grid gap-x-6 gap-y-3 md:grid-cols-2">
        <div className="flex flex-col gap-2">
          <label htmlFor="tide-file">A file (CSV)</label>
          <input id="tide-file" type="file" accept=".csv,.txt,.tsv" onChange={(e) => void take(e)} />
          <label htmlFor="tide-text">Or paste it here</label>
          <textarea
            id="tide-text"
            rows={8}
            value={text.length > 20_000 ? `${text.slice(0, 20_000)} ...` : text}
            readOnly={text.length > 20_000}
            onChange={(e) => setText(e.target.value)}
            placeholder={'2026-06-19, 04:12, 3.4, H\n2026-06-19, 10:25, 0.5, L'}
            className={`num text-[0.87rem] ${FIELD}`}
          />
          <div className="grid grid-cols-3 gap-2">
            <Choice label="Heights in" value={metres} options={HEIGHTS} onPick={setMetres} />
            <Choice label="Dates" value={order} options={ORDERS} onPick={setOrder} />
            <Choice
              label="Times of"
              value={clock}
              options={[
                { value: 'own', name: zone.replaceAll('_', ' ') },
                { value: 'utc', name: 'UTC' },
              ]}
              onPick={setClock}
            />
          </div>
          <p className="text-[0.87rem] text-ink-2">
            Heights count from the table's own zero. Make it the one of your chart, or depths on the chart will be off by the difference.
          </p>
        </div>
        <div aria-live="polite" className="min-w-0">
          {reading && <p className="text-ink-2">Fitting ...</p>}
          {!reading && answer && 'fault' in answer && (
            <p role="alert" className="border-l-4 border-rust bg-rust-pale px-3 py-2">
              {answer.fault} {answer.remedy}
            </p>
          )}
          {!reading && answer && !('fault' in answer) && <TideFound read={answer} zone={zone} />}
        </div>
      </div>
      {saving.error !== null && <Fault error={saving.error} />}
      <div className="mt-4 flex flex-wrap justify-end gap-2">
        {water?.tidal && (
          <Button className="mr-auto" disabled={saving.busy} onClick={() => saving.save(null)}>
            No tide here
          </Button>
        )}
        <Button onClick={close}>Leave it</Button>
        <Button
          strong
          disabled={saving.busy || reading || answer === null || 'fault' in answer}
          onClick={() => answer && !('fault' in answer) && saving.save(answer)}
        >
          Foretell from this
        </Button>
      </div>
    </Sheet>
  );
}
