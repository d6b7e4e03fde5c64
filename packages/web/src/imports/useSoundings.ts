import type { SoundingMapping, SoundingsRead } from '@bluffwind/core/formats/soundingsCsv';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { isDepthFile } from '../workers/depthNames';
import type { DepthPoints, DepthTerms } from '../workers/depthFile';
import type { FilesWork, TableHead } from '../workers/files.worker';
import { makeFilesWorker, useWorker } from '../workers/useWorker';

type Fault = { readonly fault: string; readonly remedy: string };
type About = Omit<DepthPoints, 'points'> & { readonly count: number };

/** A file that was chosen, by what it is: a table with columns to be named, a track that names its own, or depths of a chart. */
type Chosen =
  | { readonly kind: 'table'; readonly name: string; readonly text: string; readonly head: TableHead<SoundingMapping> }
  | { readonly kind: 'track'; readonly name: string; readonly text: string }
  | { readonly kind: 'chart'; readonly name: string; readonly about: About };

/** Soundings out of a file of any of these kinds, read anew when it is said otherwise what its figures mean. */
export function useSoundings(zone: string, near: readonly [number, number]) {
  const files = useWorker<FilesWork>(makeFilesWorker);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [mapping, setMapping] = useState<SoundingMapping | null>(null);
  const [terms, setTerms] = useState<DepthTerms | null>(null);
  const [read, setRead] = useState<(SoundingsRead & { readonly ashore?: number }) | null>(null);
  const [fault, setFault] = useState<Fault | null>(null);
  const [busy, setBusy] = useState(false);
  const key = useRef(v7());

  async function choose(f: File): Promise<void> {
    key.current = v7();
    setChosen(null);
    setMapping(null);
    setTerms(null);
    setRead(null);
    setFault(null);
    setBusy(true);
    try {
      if (isDepthFile(f.name)) {
        const about = await files.get().depthFile(f, near);
        if ('fault' in about) return setFault(about);
        setTerms({ projection: about.projection, unit: 'm', up: about.up });
        setChosen({ kind: 'chart', name: f.name, about });
        return;
      }
      const text = await f.text();
      const table = await files.get().soundingTable(text, zone, near);
      if ('fault' in table) return setFault(table);
      if ('guess' in table) {
        setMapping(table.guess);
        setChosen({ kind: 'table', name: f.name, text, head: table });
      } else setChosen({ kind: 'track', name: f.name, text });
    } finally {
      setBusy(false);
    }
  }

  useEffect(() => {
    if (!chosen) return;
    let gone = false;
    void (async () => {
      const answer =
        chosen.kind === 'chart'
          ? terms && (await files.get().depthSoundings(terms))
          : await files.get().soundings(chosen.text, chosen.kind === 'table' ? mapping : null);
      if (gone || !answer) return;
      if ('fault' in answer) {
        setFault(answer);
        setRead(null);
      } else {
        setFault(null);
        setRead(answer);
      }
    })();
    return () => {
      gone = true;
    };
  }, [chosen, mapping, terms, files]);

  const columns = useMemo(() => {
    if (!read) return null;
    const s = read.soundings;
    return {
      lat: s.map((x) => x.lat),
      lon: s.map((x) => x.lon),
      soundedM: s.map((x) => x.soundedM + (x.offsetM ?? 0)),
      atMs: s.map((x) => Math.round(x.atMs ?? 0)),
    };
  }, [read]);
  return { key: key.current, chosen, mapping, setMapping, terms, setTerms, read, columns, fault, busy, choose };
}
