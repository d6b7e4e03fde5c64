import type { RuleRow } from '@bluffwind/contract/rule';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { dateName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { rulesQuery } from './queries';
import { RuleDialog, type RuleTask } from './RuleDialog';
import { RuleTester } from './RuleTester';
import { RULE_KEYS } from './ruleKeys';
import { ruleSays } from './ruleWords';

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
        {mayEdit && (
          <Button strong onClick={() => setTask({ rule: null })} className="mb-3">
            Write down a rule
          </Button>
        )}
        {remove.error !== null && <Fault error={remove.error} />}
        {kinds.map((speciesId) => (
          <section key={speciesId} className="border-t border-line py-2" data-rules-of={named(speciesId)}>
            <h2 className="font-bold">{named(speciesId)}</h2>
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
      <RuleDialog task={task} species={outfit.species} today={today} onClose={() => setTask(null)} />
    </div>
  );
}
