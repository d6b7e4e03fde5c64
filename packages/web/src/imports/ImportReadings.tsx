import { DAY } from '@bluffwind/core/units/time';
import type { Foretold } from '@bluffwind/core/formats/forecastJson';
import type { ReadingMapping, ReadingsRead } from '@bluffwind/core/formats/readingsCsv';
import { useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { serverNow } from '../data/clock';
import { clock, dayName } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { variableWords } from '@bluffwind/core/weather/variables';
import { isTableKind, type ReadingKind } from '@bluffwind/core/formats/readingFile';
import type { FilesWork, TableHead } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';
import { ImportList } from './ImportList';
import { ReadingColumns } from './ReadingColumns';
import { FileFault, RefusedList } from './RefusedList';
import { Choice } from '../ui/Choice';
import { useStoreFile } from './useStoreFile';

interface Props {
  readonly open: boolean;
  readonly waterId: string;
  readonly waterName: string;
  readonly zone: string;
  readonly onClose: () => void;
}

const KIND_WORDS: Record<ReadingKind, string> = {
  csv: 'a table: choose what its columns are',
  json: 'a list of records as JSON: choose what its columns are',
  nmea: 'a log of NMEA 0183 sentences',
  metar: 'aviation weather reports (METAR)',
  river: 'tab-separated river data of a public agency',
  tide: 'comma-separated tide and weather data of a public agency',
  forecast: 'an hourly forecast',
};
const MOST = 200_000;

/** Readings from a file: read on this device, shown before they are stored, stored whole or not at all. */
export function ImportReadings({ open, waterId, waterName, zone, onClose }: Props) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [file, setFile] = useState<{ name: string; text: string; kind: ReadingKind } | null>(null);
  const [head, setHead] = useState<TableHead<ReadingMapping> | null>(null);
  const [mapping, setMapping] = useState<ReadingMapping | null>(null);
  const [unit, setUnit] = useState<'metric' | 'us'>('metric');
  const [read, setRead] = useState<ReadingsRead | null>(null);
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const storing = useStoreFile(waterId, 'readings', onClose);
  const key = useRef(v7());

  useEffect(() => {
    if (open) return;
    worker.end();
    setFile(null);
    setHead(null);
    setMapping(null);
    setRead(null);
    setFault(null);
    storing.clear();
  }, [open, worker, storing.clear]);

  async function choose(chosen: File) {
    key.current = v7();
    setRead(null);
    setHead(null);
    setMapping(null);
    setFault(null);
    storing.clear();
    const text = await chosen.text();
    const found = await worker.get().readingKind(text);
    if ('fault' in found) return setFault(found);
    setFile({ name: chosen.name, text, kind: found.kind });
    if (!isTableKind(found.kind)) return;
    const table = await worker.get().readingTable(text, zone, found.kind);
    if ('fault' in table) return setFault(table);
    setHead(table);
    setMapping(table.guess);
  }

  useEffect(() => {
    if (!file || (isTableKind(file.kind) && (!mapping || mapping.values.length === 0 || mapping.timeColumns.length === 0))) return;
    let gone = false;
    void (async () => {
      const answer = await worker.get().readings(file.text, file.kind, { mapping, zone, nowMs: serverNow(), unit });
      if (gone) return;
      if ('fault' in answer) setFault(answer);
      else {
        setFault(null);
        setRead(answer);
      }
    })();
    return () => {
      gone = true;
    };
  }, [file, mapping, zone, unit, worker]);

  function store() {
    if (!read || !file) return;
    storing.save({
      body: {
        id: key.current,
        fileName: file.name,
        refused: read.refused.length,
        source: file.kind,
        atMs: read.readings.map((r) => Math.round(r.atMs)),
        variable: read.readings.map((r) => r.variable),
        value: read.readings.map((r) => r.value),
        ...(file.kind === 'forecast' ? { member: read.readings.map((r) => (r as Foretold).member) } : {}),
      },
      told: `${read.readings.length} readings of ${file.name} are stored.`,
    });
  }

  const variables = [...new Set(read?.readings.map((r) => r.variable))];
  const span = read?.readings.reduce<[number, number]>(
    ([a, b], r) => [Math.min(a, r.atMs), Math.max(b, r.atMs)],
    [Number.POSITIVE_INFINITY, 0],
  );
  const ahead = read?.readings.filter((r) => r.atMs > serverNow()).length ?? 0;
  return (
    <Sheet
      open={open}
      wide
      title="Import readings"
      note={`Into ${waterName}. Nothing is stored until you say so, and it can be undone whole.`}
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <label className="flex flex-col gap-1">
          File: CSV, NMEA log, METAR text, the two public agency layouts, or an hourly forecast as JSON
          <input
            type="file"
            accept=".csv,.txt,.tsv,.rdb,.log,.nmea,.json"
            onChange={(e) => e.target.files?.[0] && void choose(e.target.files[0])}
          />
        </label>
        {file && !fault && <p className="text-ink-2">It is {KIND_WORDS[file.kind]}.</p>}
        {fault && <FileFault {...fault} />}
        {file?.kind === 'tide' && (
          <Choice
            label="Units of the file"
            labelled="beside"
            value={unit}
            options={[
              { value: 'metric', name: 'metric' },
              { value: 'us', name: 'feet, °F, knots' },
            ]}
            onPick={setUnit}
          />
        )}
        {head && mapping && <ReadingColumns header={head.header} rows={head.rows} mapping={mapping} zone={zone} onChange={setMapping} />}
        {read && span && read.readings.length > 0 && (
          <p data-preview>
            <span className="num">{read.readings.length}</span> readings of {variables.map((v) => variableWords(v)).join(', ')}, from{' '}
            {dayName(span[0], zone)} {clock(span[0], zone)} to {dayName(span[1], zone)} {clock(span[1], zone)}
            {ahead > 0 && file?.kind !== 'forecast' ? `; ${ahead} of them lie ahead and are taken as a forecast` : ''}
            {(span[1] - span[0]) / DAY > 400 ? ' (over a year: check the date order)' : ''}.
          </p>
        )}
        {read && read.readings.length === 0 && (
          <FileFault fault="The file gives no readings." remedy="Choose a time column and at least one value." />
        )}
        {read && read.readings.length > MOST && (
          <FileFault fault={`It holds more than ${MOST} readings.`} remedy="Split it by month and import the parts." />
        )}
        {read && <RefusedList refused={read.refused} />}
        {storing.error !== null && <Fault error={storing.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button strong disabled={!read || read.readings.length === 0 || read.readings.length > MOST || storing.busy} onClick={store}>
            Store {read && read.readings.length > 0 ? `${read.readings.length} readings` : ''}
          </Button>
        </div>
        <ImportList waterId={waterId} zone={zone} kinds={['readings']} />
      </div>
    </Sheet>
  );
}
