import type { OutfitView } from '@bluffwind/contract/outfit';
import type { RuleEdit, RuleRow } from '@bluffwind/contract/rule';
import { type FileRule, RULE_COLUMNS, readRules } from '@bluffwind/core/formats/rulesCsv';
import { type Refused, UnreadableFile } from '@bluffwind/core/formats/refused';
import { readTable } from '@bluffwind/core/formats/table';
import { useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { matchName } from '../imports/matchNames';
import { FileFault, RefusedList } from '../imports/RefusedList';
import { Choice } from '../ui/Choice';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { RULE_KEYS } from './ruleKeys';
import { ruleSays } from './ruleWords';

interface RulesFileProps {
  readonly open: boolean;
  readonly species: OutfitView['species'];
  readonly kept: readonly RuleRow[];
  readonly today: string;
  readonly onClose: () => void;
}

interface Read {
  readonly name: string;
  readonly rules: readonly FileRule[];
  readonly refused: readonly Refused[];
}

/** Rules out of a table: species matched, those that stand in the copy already left out, each looked at before it is stored. */
export function RulesFile({ open, species, kept, today, onClose }: RulesFileProps) {
  const [read, setRead] = useState<Read | null>(null);
  const [fault, setFault] = useState<{ fault: string; remedy: string } | null>(null);
  const [picked, setPicked] = useState<ReadonlyMap<string, string>>(new Map());
  const close = () => {
    setRead(null);
    setFault(null);
    saving.clear();
    onClose();
  };
  const saving = useSave<readonly RuleEdit[]>({
    send: async (rules) => {
      for (const rule of rules) await post('/rules', rule);
    },
    touches: RULE_KEYS,
    told: (_, rules) => (rules.length === 1 ? 'One rule is in your copy.' : `${rules.length} rules are in your copy.`),
    onStored: close,
  });
  const take = async (file: File) => {
    setFault(null);
    setRead(null);
    try {
      setRead({ name: file.name, ...readRules(readTable(await file.text())) });
    } catch (problem) {
      if (!(problem instanceof UnreadableFile)) throw problem;
      setFault({ fault: problem.reason, remedy: problem.remedy });
    }
  };
  const idOf = (name: string) => picked.get(name) ?? matchName(name, species) ?? '';
  const names = [...new Set(read?.rules.map((r) => r.species) ?? [])];
  const wanted = (read?.rules ?? []).flatMap((r): RuleRow[] => {
    const speciesId = idOf(r.species);
    const row = {
      id: String(r.line),
      speciesId,
      zone: r.zone || null,
      body: r.body,
      source: r.source || (read?.name ?? ''),
      checkedOn: r.checkedOn || today,
    };
    const same = kept.some((k) => k.speciesId === speciesId && (k.zone ?? '') === r.zone && ruleSays(k) === ruleSays(row));
    return speciesId === '' || same ? [] : [row];
  });
  return (
    <Sheet
      open={open}
      wide
      title="Rules from a file"
      note={`CSV with the columns ${RULE_COLUMNS.join(', ')}; a line a rule. What stands in your copy already is left out.`}
      onClose={close}
    >
      <div className="flex flex-col gap-3">
        <label className="flex flex-col gap-1">
          File
          <input type="file" accept=".csv,.txt,.tsv" onChange={(e) => e.target.files?.[0] && void take(e.target.files[0])} />
        </label>
        {fault && <FileFault {...fault} />}
        {read && names.some((n) => matchName(n, species) === null) && (
          <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
            {names
              .filter((n) => matchName(n, species) === null)
              .map((n) => (
                <Choice
                  key={n}
                  label={n}
                  value={idOf(n)}
                  options={[{ value: '', name: 'left out' }, ...species.map((s) => ({ value: s.id, name: s.name }))]}
                  onPick={(id) => setPicked(new Map(picked).set(n, id))}
                />
              ))}
          </div>
        )}
        {read && (
          <ul data-rules-read className="max-h-72 overflow-auto" tabIndex={0} aria-label="Rules of the file">
            {wanted.map((r) => (
              <li key={r.id} className="border-t border-line py-1">
                <b>{species.find((s) => s.id === r.speciesId)?.name}</b>: {ruleSays(r)}
                {r.zone ? `, in ${r.zone}` : ''} <span className="text-ink-2">({r.source})</span>
              </li>
            ))}
            {wanted.length === 0 && <li>Nothing in it is new to your copy.</li>}
          </ul>
        )}
        {read && <RefusedList refused={read.refused} />}
        {saving.error !== null && <Fault error={saving.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={close}>Leave it</Button>
          <Button
            strong
            disabled={wanted.length === 0 || saving.busy}
            onClick={() => saving.save(wanted.map((r) => ({ ...r, id: v7(), zone: r.zone ?? '' })))}
          >
            {wanted.length === 1 ? 'Store one rule' : `Store ${wanted.length} rules`}
          </Button>
        </div>
      </div>
    </Sheet>
  );
}
