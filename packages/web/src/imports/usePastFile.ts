import type { PastMapping, PastRow } from '@bluffwind/core/formats/pastTrips';
import type { Refused } from '@bluffwind/core/formats/refused';
import type { Table } from '@bluffwind/core/formats/table';
import { useState } from 'react';
import { v7 } from 'uuid';
import type { FilesWork, TableHead } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';

const isPhoto = (f: File) => /\.(jpe?g|heic|heif)$/i.test(f.name) || f.type.startsWith('image/');

interface PastFile {
  readonly key: string;
  readonly name: string;
  readonly head: TableHead<PastMapping>;
  readonly table: Table;
}

/**
 * What was read of a file of past trips, or of photos, and which of its columns is what.
 * @param onBegin - Another file is begun with nothing of the one before.
 */
export function usePastFile(
  spots: readonly { readonly name: string; readonly lat: number; readonly lon: number }[],
  zone: string,
  onBegin: () => void,
) {
  const worker = useWorker<FilesWork>(makeFilesWorker);
  const [file, setFile] = useState<PastFile | null>(null);
  const [mapping, setMapping] = useState<PastMapping | null>(null);
  const [read, setRead] = useState<{ readonly rows: readonly PastRow[]; readonly refused: readonly Refused[] }>({ rows: [], refused: [] });
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  /** Photos that say no time. */
  const [withoutTime, setWithoutTime] = useState<readonly string[]>([]);

  async function map(next: PastMapping, table: Table | undefined = file?.table) {
    setMapping(next);
    if (!table) return;
    const answer = await worker.get().pastTrips(table, next);
    if ('fault' in answer) setFault(answer);
    else {
      setFault(null);
      setRead(answer);
    }
  }
  async function choose(files: readonly File[]) {
    const f = files[0];
    if (!f) return;
    if (files.length > 1 || isPhoto(f)) return choosePhotos(files);
    begin();
    const answer = await worker.get().pastTable(f, zone);
    if ('fault' in answer) return setFault(answer);
    await settle(f.name, answer);
  }
  async function choosePhotos(files: readonly File[]) {
    begin();
    const answer = await worker.get().photos(
      [...files],
      spots.map(({ name, lat, lon }) => ({ name, lat, lon })),
      zone,
    );
    if ('fault' in answer) return setFault(answer);
    setWithoutTime(answer.without);
    await settle(files.length === 1 ? (files[0]?.name ?? '') : `${files.length} photos`, answer);
  }
  async function settle(name: string, answer: TableHead<PastMapping> & { readonly table: Table }) {
    setFile({ key: v7(), name, head: { header: answer.header, rows: answer.rows, guess: answer.guess }, table: answer.table });
    await map(answer.guess, answer.table);
  }
  function begin() {
    setFile(null);
    setMapping(null);
    setFault(null);
    onBegin();
    setWithoutTime([]);
  }

  return { file, mapping, map: (m: PastMapping) => void map(m), choose, read, fault, withoutTime };
}
