import type { OutfitView } from '@bluffwind/contract/outfit';
import { useMemo, useState } from 'react';
import { pastTripsToSend } from './pastTripsToSend';
import { type Named, useMeanings } from './useMeanings';
import { usePastFile } from './usePastFile';

/** A file of past trips, what its names mean, who fished them with what, and the trips that come of it. */
export function usePastTrips(outfit: OutfitView, spots: readonly (Named & { readonly lat: number; readonly lon: number })[], zone: string) {
  const { file, read, ...rest } = usePastFile(spots, zone, () => forget());
  const { names, means, pick, forget } = useMeanings(outfit, spots, read.rows);
  const [boatId, setBoatId] = useState(outfit.boats[0]?.id ?? '');
  const [captainId, setCaptainId] = useState(outfit.crew.find((p) => p.role !== 'mate')?.id ?? '');
  const [usualHours, setUsualHours] = useState('');
  const [rods, setRods] = useState('2');
  const { mapping } = rest;
  const made = useMemo(
    () => (file && mapping ? pastTripsToSend(read.rows, means, { hours: usualHours, rods }, zone) : null),
    [file, mapping, read.rows, means, usualHours, rods, zone],
  );
  return {
    ...rest,
    key: file?.key ?? '',
    fileName: file?.name ?? '',
    head: file?.head ?? null,
    refused: read.refused,
    names,
    means,
    pick,
    boatId,
    setBoatId,
    captainId,
    setCaptainId,
    usualHours,
    setUsualHours,
    rods,
    setRods,
    made,
  };
}
