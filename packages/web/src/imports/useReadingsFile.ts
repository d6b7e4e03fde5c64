import type { Foretold } from '@bluffwind/core/formats/forecastJson';
import { isTableKind, type ReadingKind } from '@bluffwind/core/formats/readingFile';
import type { ReadingMapping, ReadingsRead } from '@bluffwind/core/formats/readingsCsv';
import { useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { serverNow } from '../data/clock';
import type { FilesWork, TableHead } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';

/** Readings out of a file, read anew when it is said otherwise what its columns are. */
export function useReadingsFile(zone: string) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [file, setFile] = useState<{ name: string; text: string; kind: ReadingKind } | null>(null);
  const [head, setHead] = useState<TableHead<ReadingMapping> | null>(null);
  const [mapping, setMapping] = useState<ReadingMapping | null>(null);
  const [unit, setUnit] = useState<'metric' | 'us'>('metric');
  const [read, setRead] = useState<ReadingsRead | null>(null);
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const key = useRef(v7());

  async function choose(chosen: File): Promise<void> {
    key.current = v7();
    setRead(null);
    setHead(null);
    setMapping(null);
    setFault(null);
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
  return { key: key.current, file, head, mapping, setMapping, unit, setUnit, read, fault, choose };
}

/** What is sent of them. */
export const readingsBody = (key: string, file: { readonly name: string; readonly kind: ReadingKind }, read: ReadingsRead) => ({
  id: key,
  fileName: file.name,
  refused: read.refused.length,
  source: file.kind,
  atMs: read.readings.map((r) => Math.round(r.atMs)),
  variable: read.readings.map((r) => r.variable),
  value: read.readings.map((r) => r.value),
  ...(file.kind === 'forecast' ? { member: read.readings.map((r) => (r as Foretold).member) } : {}),
});
