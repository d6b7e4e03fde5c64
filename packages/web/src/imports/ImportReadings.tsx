import type { ReadingKind } from '@bluffwind/core/formats/readingFile';
import { Choice } from '../ui/Choice';
import { ImportFrame } from './ImportFrame';
import { ReadingColumns } from './ReadingColumns';
import { MOST_READINGS, ReadingsFound } from './ReadingsFound';
import { FileFault } from './RefusedList';
import { readingsBody, useReadingsFile } from './useReadingsFile';
import { useStoreFile } from './useStoreFile';

interface Props {
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
const UNITS = [
  { value: 'metric', name: 'metric' },
  { value: 'us', name: 'feet, °F, knots' },
] as const;

/** Readings from a file: read on this device, shown before they are stored, stored whole or not at all. */
export function ImportReadings({ waterId, waterName, zone, onClose }: Props) {
  const { key, file, head, mapping, setMapping, unit, setUnit, read, fault, choose } = useReadingsFile(zone);
  const storing = useStoreFile(waterId, 'readings', onClose);
  const n = read?.readings.length ?? 0;
  return (
    <ImportFrame
      title="Import readings"
      note={`Into ${waterName}. Nothing is stored until you say so, and it can be undone whole.`}
      error={storing.error}
      store={{
        words: `Store ${n > 0 ? `${n} readings` : ''}`,
        ready: n > 0 && n <= MOST_READINGS && !storing.busy,
        onStore: () =>
          read && file && storing.save({ body: readingsBody(key, file, read), told: `${n} readings of ${file.name} are stored.` }),
      }}
      before={{ waterId, zone, kind: 'readings' }}
      onClose={onClose}
    >
      <label className="flex flex-col gap-1">
        File: CSV, NMEA log, METAR text, the two public agency layouts, or an hourly forecast as JSON
        <input
          type="file"
          accept=".csv,.txt,.tsv,.rdb,.log,.nmea,.json"
          onChange={(e) => {
            storing.clear();
            if (e.target.files?.[0]) void choose(e.target.files[0]);
          }}
        />
      </label>
      {file && !fault && <p className="text-ink-2">It is {KIND_WORDS[file.kind]}.</p>}
      {fault && <FileFault {...fault} />}
      {file?.kind === 'tide' && <Choice label="Units of the file" labelled="beside" value={unit} options={UNITS} onPick={setUnit} />}
      {head && mapping && <ReadingColumns header={head.header} rows={head.rows} mapping={mapping} zone={zone} onChange={setMapping} />}
      {read && file && <ReadingsFound read={read} kind={file.kind} zone={zone} />}
    </ImportFrame>
  );
}
