import type { WaterEdit } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { LocateFixed } from 'lucide-react';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, TextField } from '../ui/form/fields';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { placeTyped, placeWords } from '../ui/placeTyped';
import { WATER_KEYS } from './waterKeys';

interface Typed {
  readonly name: string;
  readonly kind: WaterEdit['kind'];
  readonly place: string;
  readonly ruleZone: string;
}

interface WaterDialogProps {
  readonly edited: { readonly water: WaterEdit; readonly isNew: boolean } | null;
  readonly onClose: () => void;
  /** A water has been made: its shore comes next. */
  readonly onMade: (water: OutfitView['waters'][number]) => void;
}

const KINDS = [
  { value: 'salt', name: 'salt water' },
  { value: 'fresh', name: 'fresh water' },
];

/** A water: its name, and where boats lie or people set out. */
export function WaterDialog({ edited, onClose, onMade }: WaterDialogProps) {
  const saving = useSave<Typed>({
    send: ({ place, ...v }) => {
      const at = placeTyped(place);
      return post('/waters', { ...v, id: edited?.water.id, dockLat: at?.lat, dockLon: at?.lon });
    },
    touches: WATER_KEYS,
    told: (_, v) => `${v.name} is stored.`,
    onStored: (_, { place, ...v }) => {
      const at = placeTyped(place);
      const water = edited?.water;
      onClose();
      if (edited?.isNew && water && at)
        onMade({ ...water, ...v, dockLat: at.lat, dockLon: at.lon, lat: at.lat, lon: at.lon, tidal: false });
    },
  });
  const close = () => {
    saving.clear();
    onClose();
  };
  const w = edited?.water;
  return (
    <Sheet
      open={w !== undefined}
      title={edited?.isNew ? 'A water' : (w?.name ?? '')}
      note="Its shore, depths and tide come after, or never."
      onClose={close}
    >
      {w && (
        <Entry<Typed>
          values={{
            name: w.name,
            kind: w.kind,
            place: Number.isNaN(w.dockLat) ? '' : placeWords({ lat: w.dockLat, lon: w.dockLon }),
            ruleZone: w.ruleZone,
          }}
          saving={saving}
          onSave={saving.save}
          onLeave={close}
        >
          <TextField name="name" label="Name" required maxLength={80} />
          <ChoiceField name="kind" label="It is" options={KINDS} />
          <TextField
            name="place"
            label="Where you set out"
            required
            maxLength={60}
            placeholder="47.6100, -35.2000"
            hint="Latitude, then longitude; degrees and minutes will do."
            taken={(text) => (placeTyped(text) === null ? 'A place, such as 47.6100, -35.2000 or 47 36.6 N 35 12.0 W.' : undefined)}
          />
          <HereButton />
          <TextField
            name="ruleZone"
            label="Zone of the rules"
            maxLength={60}
            hint="As your copy of the rules calls it; empty where one set holds everywhere."
          />
        </Entry>
      )}
    </Sheet>
  );
}

/** Takes the place from the device. */
function HereButton() {
  const { setValue } = useFormContext<Typed>();
  const [says, setSays] = useState('');
  if (!('geolocation' in navigator)) return null;
  const ask = () => {
    setSays('Asking the device ...');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setSays('');
        setValue('place', placeWords({ lat: coords.latitude, lon: coords.longitude }), { shouldValidate: true });
      },
      () => setSays('The device does not tell where it is; type the place.'),
      { timeout: 15_000 },
    );
  };
  return (
    <p className="-mt-1 flex items-center gap-2">
      <Button onClick={ask} className="py-0.5">
        <LocateFixed size={15} aria-hidden="true" /> I am there now
      </Button>
      <span role="status" className="text-[0.87rem] text-ink-2">
        {says}
      </span>
    </p>
  );
}
