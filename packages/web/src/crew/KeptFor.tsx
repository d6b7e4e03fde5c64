import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { OutfitSettings } from '@bluffwind/contract/crew';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Button, Fault, Waiting } from '../ui/parts';
import { settingsQuery } from './queries';

/** How long the outfit keeps what guests say of their health. */
export function KeptFor() {
  const settings = useQuery(settingsQuery);
  const [typed, setTyped] = useState<string | null>(null);
  const saving = useSave<OutfitSettings>({
    send: (wanted) => post('/outfit/settings', wanted),
    touches: [['settings']],
    told: (_, wanted) => `Medical notes go ${wanted.medicalNoteDays} days after a guest’s last trip.`,
    onStored: () => setTyped(null),
  });
  const value = typed ?? String(settings.data?.medicalNoteDays ?? '');
  const days = Number(value);
  const usable = /^\d+$/.test(value) && days >= 1 && days <= 3650;
  const keep = () => {
    if (usable && settings.data) saving.save({ ...settings.data, medicalNoteDays: days });
  };
  return (
    <section>
      <h2 className="mb-1 font-bold">Medical notes of guests</h2>
      {settings.isPending && <Waiting what="Asking the server" />}
      {settings.error && <Fault error={settings.error} retry={() => void settings.refetch()} />}
      {settings.data && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            keep();
          }}
        >
          <label className="flex flex-wrap items-center gap-2">
            Keep them for
            <input
              inputMode="numeric"
              value={value}
              onChange={(e) => setTyped(e.target.value.trim())}
              aria-invalid={!usable}
              className="num w-20 rounded border border-ink-3 bg-paper px-2 py-1"
            />
            days after the last trip
          </label>
          {(!usable || saving.fault('medicalNoteDays')) && (
            <p role="alert" className="text-rust">
              {saving.fault('medicalNoteDays') ?? 'A whole number of days from 1 to 3650.'}
            </p>
          )}
          {saving.error !== null && !saving.fault('medicalNoteDays') && <Fault error={saving.error} />}
          <p className="my-2 text-[0.9rem] text-ink-2">
            After that they are wiped, within six hours; nobody can bring them back. Local law may say how long you may keep them.
          </p>
          <Button onClick={keep} disabled={!usable || typed === null || saving.busy}>
            Keep them so long
          </Button>
        </form>
      )}
    </section>
  );
}
