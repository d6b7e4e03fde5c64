import type { RuleRow } from '@bluffwind/contract/rule';
import { type FileRule, rulesCsv } from '@bluffwind/core/formats/rulesCsv';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { dateName } from '../ui/format';
import { saveFile } from '../ui/saveFile';
import { Button, Fault, Waiting } from '../ui/parts';
import { rulesQuery } from './queries';
import { RuleDialog, type RuleTask } from './RuleDialog';
import { RuleTester } from './RuleTester';
import { RULE_KEYS } from './ruleKeys';
import { RulesFile } from './RulesFile';
import { ruleSays } from './ruleWords';

const toFile = (r: RuleRow, species: string): Omit<FileRule, 'line'> => ({
  species,
  zone: r.zone ?? '',
  body: r.body,
  source: r.source,
  checkedOn: r.checkedOn,
});

/** The crew's own copy of the rules. */
export function Rules({ mayEdit, today }: { mayEdit: boolean; today: string }) {
  const { data: outfit } = useQuery(outfitQuery);
  const rules = useQuery(rulesQuery);
  const [task, setTask] = useState<RuleTask | null>(null);
  const [ask, question] = useAsk();
  const remove = useSave<RuleRow>({
    send: (r) => post(`/rules/${r.id}/remove`),
    touches: RULE_KEYS,
    told: 'The rule is out of your copy.',
  });
  const [bringing, setBringing] = useState(false);
  const checked = useSave<readonly RuleRow[]>({
    send: async (list) => {
      for (const r of list) await post('/rules', { ...r, zone: r.zone ?? '', checkedOn: today });
    },
    touches: RULE_KEYS,
    told: (_, list) => (list.length === 1 ? 'Checked today.' : `${list.length} rules are checked today.`),
  });
  if (rules.isPending || !outfit) return <Waiting what="Asking the server" />;
  if (!rules.data) return <Fault error={rules.error} retry={() => void rules.refetch()} />;
  const named = (id: string) => outfit.species.find((s) => s.id === id)?.name ?? 'a species off the list';
  const kinds = [...new Set(rules.data.map((r) => r.speciesId))].sort((a, b) => named(a).localeCompare(named(b)));
  return (
    <div className="grid max-w-[1100px] gap-x-10 gap-y-6 lg:grid-cols-[1fr_320px]">
      {question}
      <div>
        <p className="mb-3 max-w-prose text-ink-2">
          Your own copy. It never permits anything: the law and the notice at the ramp hold, and where no rule stands here nothing is called
          keepable.
        </p>
        <div className="mb-3 flex flex-wrap gap-2">
          {mayEdit && (
            <Button strong onClick={() => setTask({ rule: null })}>
              Write down a rule
            </Button>
          )}
          {mayEdit && <Button onClick={() => setBringing(true)}>From a file</Button>}
          {rules.data.length > 0 && (
            <Button
              onClick={() =>
                saveFile(`rules-${today}.csv`, rulesCsv(rules.data.map((r) => toFile(r, named(r.speciesId)))), 'text/csv;charset=utf-8')
              }
            >
              As a file
            </Button>
          )}
        </div>
        {checked.error !== null && <Fault error={checked.error} />}
        {remove.error !== null && <Fault error={remove.error} />}
        {kinds.map((speciesId) => (
          <section key={speciesId} className="border-t border-line py-2" data-rules-of={named(speciesId)}>
            <div className="flex items-center justify-between gap-3">
              <h2 className="font-bold">{named(speciesId)}</h2>
              {mayEdit && rules.data.some((r) => r.speciesId === speciesId && r.checkedOn < today) && (
                <Button
                  className="py-0.5"
                  disabled={checked.busy}
                  aria-label={`Checked today: ${named(speciesId)}`}
                  onClick={() =>
                    ask({
                      title: `Do all rules of ${named(speciesId)} still hold?`,
                      text: 'Hold each against where it stands first. Their day of checking becomes today.',
                      yes: 'I have checked them',
                      act: () => checked.save(rules.data.filter((r) => r.speciesId === speciesId && r.checkedOn < today)),
                    })
                  }
                >
                  Checked today
                </Button>
              )}
            </div>
            <ul>
              {rules.data
                .filter((r) => r.speciesId === speciesId)
                .map((r) => (
                  <li key={r.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
                    <span className="min-w-0 flex-1">
                      {ruleSays(r)}
                      {r.zone ? `, in ${r.zone}` : ''}
                      <span className="block text-[0.87rem] text-ink-2">
                        {r.source}, checked on {dateName(r.checkedOn)} {r.checkedOn.slice(0, 4)}
                      </span>
                    </span>
                    {mayEdit && (
                      <>
                        <Button
                          className="py-0.5"
                          onClick={() => setTask({ rule: r })}
                          aria-label={`Change: ${named(speciesId)}, ${ruleSays(r)}`}
                        >
                          Change
                        </Button>
                        <Button
                          className="py-0.5"
                          aria-label={`Remove: ${named(speciesId)}, ${ruleSays(r)}`}
                          onClick={() =>
                            ask({
                              title: `Take this out of your copy?`,
                              text: `${named(speciesId)}: ${ruleSays(r)}. Without it the deck may call a fish keepable that is not.`,
                              yes: 'Take it out',
                              act: () => remove.save(r),
                            })
                          }
                        >
                          Remove
                        </Button>
                      </>
                    )}
                  </li>
                ))}
            </ul>
          </section>
        ))}
        {kinds.length === 0 && <p className="text-ink-2">No rule yet. Until there is one, keeping a fish asks once more on deck.</p>}
      </div>
      <RuleTester
        rules={rules.data}
        species={outfit.species}
        zones={[...new Set(outfit.waters.map((w) => w.ruleZone).filter((z) => z !== ''))]}
        today={today}
      />
      <RulesFile open={bringing} species={outfit.species} kept={rules.data} today={today} onClose={() => setBringing(false)} />
      <RuleDialog task={task} species={outfit.species} today={today} onClose={() => setTask(null)} />
    </div>
  );
}
