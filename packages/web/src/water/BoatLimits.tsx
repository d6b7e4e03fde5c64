import type { OutfitView } from '@bluffwind/contract/outfit';
import { GUST_FACTOR } from '@bluffwind/core/risk/judge';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { Entry } from '../ui/form/Entry';
import { FigureField } from '../ui/form/fields';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

type Boat = OutfitView['boats'][number];
type Limits = Pick<Boat, 'windLimitMps' | 'gustLimitMps' | 'waveLimitM'>;

const TOUCHES = ['outfit', 'desk', 'board', 'risks', 'trip', 'brief'].map((key) => [key]);

/** A boat's own limits, and its tank filled up. */
export function BoatLimits({ boat, onClose }: { boat: Boat | null; onClose: () => void }) {
  return (
    <Sheet
      open={boat !== null}
      title={`Limits of ${boat?.name ?? ''}`}
      note="What its captain holds it to. A limit left empty is not known, and every screen says so."
      onClose={onClose}
    >
      {boat && <LimitsEntry key={boat.id} boat={boat} onClose={onClose} />}
    </Sheet>
  );
}

function LimitsEntry({ boat, onClose }: { boat: Boat; onClose: () => void }) {
  const limits = useSave<Limits>({
    send: (v) => post(`/boats/${boat.id}/limits`, v),
    touches: TOUCHES,
    told: `The limits of ${boat.name} are stored.`,
    onStored: onClose,
  });
  const key = useSendKey();
  const refill = useSave<string>({
    send: (at) => post(`/boats/${boat.id}/refills`, { id: key.of(at), at }),
    touches: TOUCHES,
    told: `${boat.name} is filled up: what it burned before does not count any more.`,
    onStored: () => {
      key.stored();
      onClose();
    },
  });
  return (
    <Entry<Limits>
      values={{ windLimitMps: boat.windLimitMps, gustLimitMps: boat.gustLimitMps, waveLimitM: boat.waveLimitM }}
      saving={limits}
      onSave={limits.save}
      onLeave={onClose}
      also={
        <Button disabled={refill.busy} onClick={() => refill.save(new Date(serverNow()).toISOString())}>
          Filled up now
        </Button>
      }
    >
      <FigureField name="windLimitMps" label="Wind" measure="wind" min={0.1} max={60} />
      <FigureField
        name="gustLimitMps"
        label="Gusts"
        measure="wind"
        min={0.1}
        max={80}
        hint={`Left empty: ${GUST_FACTOR} times the wind, usual practice.`}
      />
      <FigureField name="waveLimitM" label="Waves" measure="height" min={0.1} max={20} />
      {refill.error !== null && <Fault error={refill.error} />}
    </Entry>
  );
}
