import type { DeckPack } from '@bluffwind/contract/deck';
import { type Rule, verdict } from '@bluffwind/core/rules/verdict';
import { localDate } from '@bluffwind/core/units/time';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { serverNow } from '../app/clock';

const BIG = 'min-h-[56px] rounded border px-2 text-[1.05rem] font-semibold cursor-pointer';

interface CatchSheetProps {
  readonly pack: DeckPack;
  readonly species: DeckPack['species'][number];
  readonly keptToday: number;
  readonly onDone: (lengthMm: number | null, kept: boolean) => void;
  readonly onClose: () => void;
}

/** Size, then kept or released, with what the crew's copy of the rules says of it. */
export function CatchSheet({ pack, species, keptToday, onDone, onClose }: CatchSheetProps) {
  const [lengthMm, setLength] = useState<number | null>(null);
  const [measured, setMeasured] = useState(false);
  const base = sizes(pack, species.id);
  const choose = (mm: number | null) => {
    setLength(mm);
    setMeasured(true);
  };
  const rules: Rule[] = pack.rules.map((r) => ({ ...r.body, id: r.id, species: r.speciesId, zone: r.zone }));
  const said = verdict({
    rules,
    zone: pack.ruleZone,
    date: localDate(serverNow(), pack.zone),
    fish: { species: species.id, lengthMm, lengthKind: species.lengthKind },
    keptToday,
  });
  const mayKeep = said.decision !== 'must release';
  return (
    <Dialog.Root open onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className="fixed inset-x-0 bottom-0 z-50 max-h-[92dvh] overflow-auto border-t-2 border-ink bg-chalk px-4 pt-4 pb-6 text-[18px]">
          <Dialog.Title className="text-[1.3rem] font-bold">{species.name}</Dialog.Title>
          <Dialog.Description className="text-ink-2">{species.caution}</Dialog.Description>
          <p className="mt-3 mb-1">{species.lengthKind} length, cm</p>
          <div className="grid grid-cols-4 gap-2">
            {base.map((cm) => (
              <button
                key={cm}
                type="button"
                aria-pressed={lengthMm === cm * 10}
                onClick={() => choose(cm * 10)}
                className={`${BIG} num ${lengthMm === cm * 10 ? 'border-ink bg-ink text-chalk' : 'border-ink bg-paper'}`}
              >
                {cm}
              </button>
            ))}
          </div>
          <div className="mt-2 grid grid-cols-[1fr_1fr_2fr] gap-2">
            <button
              type="button"
              disabled={lengthMm === null}
              onClick={() => setLength((l) => Math.max(50, (l ?? 0) - 10))}
              className={`${BIG} border-ink disabled:opacity-40`}
              aria-label="−1 centimetre"
            >
              −1
            </button>
            <button
              type="button"
              disabled={lengthMm === null}
              onClick={() => setLength((l) => (l ?? 0) + 10)}
              className={`${BIG} border-ink disabled:opacity-40`}
              aria-label="+1 centimetre"
            >
              +1
            </button>
            <button
              type="button"
              aria-pressed={measured && lengthMm === null}
              onClick={() => choose(null)}
              className={`${BIG} ${measured && lengthMm === null ? 'border-ink bg-ink text-chalk' : 'border-dashed border-ink'}`}
            >
              not measured
            </button>
          </div>
          <p role="status" className={`mt-3 border-l-4 px-3 py-2 ${mayKeep ? 'border-kelp bg-kelp-pale' : 'border-rust bg-rust-pale'}`}>
            <b>
              {!measured
                ? 'Rules'
                : said.decision === 'must release'
                  ? 'Must release'
                  : said.decision === 'may keep'
                    ? 'May keep'
                    : 'No rule on file'}
            </b>
            {measured && lengthMm !== null ? <span className="num"> {lengthMm / 10} cm</span> : ''}
            <span className="block text-[0.9em]">
              {!measured ? said.limits.join(', ') || 'no rule on file, check before keeping' : said.reasons.join('; ')}
            </span>
          </p>
          <div className="mt-3 grid grid-cols-2 gap-2">
            <button
              type="button"
              disabled={!measured || !mayKeep}
              onClick={() => onDone(lengthMm, true)}
              className={`${BIG} border-ink disabled:opacity-40`}
            >
              Kept
            </button>
            <button
              type="button"
              disabled={!measured}
              onClick={() => onDone(lengthMm, false)}
              className={`${BIG} border-kelp bg-kelp text-on-kelp disabled:opacity-40`}
            >
              Released
            </button>
          </div>
          <p className="mt-2 text-[0.83em] text-ink-2">
            The crew’s own copy of the rules{pack.rules[0] ? `, checked ${pack.rules[0].checkedOn}` : ''}. Local rules come first.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Twelve lengths round the limits of the species' own rules, in cm. */
function sizes(pack: DeckPack, speciesId: string): number[] {
  const rule = pack.rules.map((r) => r).find((r) => r.speciesId === speciesId && r.body.kind === 'length');
  const limit = rule?.body.kind === 'length' ? (rule.body.minMm ?? 300) / 10 : 30;
  const step = limit >= 40 ? 4 : 3;
  return Array.from({ length: 12 }, (_, i) => Math.round(limit + (i - 4) * step)).filter((cm) => cm > 4);
}
