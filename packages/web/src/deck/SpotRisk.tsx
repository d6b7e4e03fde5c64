import type { DeckPack } from '@bluffwind/contract/deck';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { findingWords, quantityList } from '@bluffwind/core/risk/findingWords';
import { byGravity, type Quantity } from '@bluffwind/core/risk/judge';
import { memo } from 'react';
import { RiskLines } from '../risk/RiskLines';

/** What speaks against a spot at an instant, for this boat and party; and what has to be checked there. */
interface SpotRiskProps {
  readonly pack: DeckPack;
  readonly spot: DeckPack['spots'][number];
  readonly c: SpotConditions;
}

export const SpotRisk = memo(function SpotRisk({ pack, spot, c }: SpotRiskProps) {
  const { findings } = judgeSpot(pack.boat, pack.party, spot, c);
  const told = [...findings].filter((f) => f.level === 'over' || f.level === 'near' || (f.level === 'unknown' && f.quantity === 'hazard'));
  const unknown = findings.filter((f) => f.level === 'unknown' && f.quantity !== 'hazard').map((f) => f.quantity as Quantity);
  const lines = [
    ...told.sort(byGravity).map((f) => ({ level: f.level, text: findingWords(f) })),
    ...(unknown.length > 0 ? [{ level: 'unknown' as const, text: `Not known: ${quantityList(unknown)}` }] : []),
    ...(spot.legality === '' ? [] : [{ level: 'near' as const, text: spot.legality }]),
  ];
  return <RiskLines lines={lines} className="mt-1.5 text-[0.93rem]" />;
});
