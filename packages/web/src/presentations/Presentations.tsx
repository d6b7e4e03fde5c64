import type { FamilyView, PresentationView } from '@bluffwind/contract/presentations';
import { ENVELOPE_SPANS } from '@bluffwind/core/catchrate/envelope';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { v7 } from 'uuid';
import { meQuery } from '../data/queries';
import { askAgain, failedOf } from '../data/failedOf';
import { rate } from '../ui/format';
import { Button, Header } from '../ui/parts';
import { StandIn } from '../ui/StandIn';
import { FamilySheet } from './FamilySheet';
import { VariantSheet } from './VariantSheet';
import { presentationsQuery } from './queries';
import { figure, type Measure } from '@bluffwind/core/units/measure';
import { amount, myUnits } from '../data/units';
import { useKeys } from '../data/useKeys';
import { useAddress } from '../data/useAddress';
import { Term } from '../ui/Term';

const SKILL = ['anyone', 'some practice', 'expert'] as const;

/** What the crew fishes with: families by where they are meant to work, and the variants of each with what they have earned. */
export default function Presentations() {
  const { data: me } = useQuery(meQuery);
  const all = useQuery(presentationsQuery);
  const [search, setSearch] = useAddress('find', '');
  const [family, setFamily] = useState<FamilyView | 'new' | null>(null);
  const [variant, setVariant] = useState<PresentationView | null>(null);
  const mayEdit = me !== undefined && me.role !== 'mate';
  const blank = (familyId: string): PresentationView => ({
    id: v7(),
    familyId,
    name: '',
    habitat: 'both',
    sizeMm: null,
    weightG: null,
    colour: '',
    leaderKg: null,
    retrieve: '',
    pauseS: null,
    look: null,
    tripsADay: null,
    active: true,
    sets: 0,
    rodHours: 0,
    fish: 0,
  });
  useKeys({ n: mayEdit ? () => setFamily('new') : null });
  const shown = useMemo(() => {
    const words = search.toLowerCase();
    return (all.data?.families ?? [])
      .map((f) => ({ f, variants: (all.data?.presentations ?? []).filter((p) => p.familyId === f.id) }))
      .filter(({ f, variants }) =>
        `${f.id} ${f.name} ${f.handling} ${variants.map((v) => v.name).join(' ')}`.toLowerCase().includes(words),
      );
  }, [all.data, search]);
  if (!all.data) return <StandIn title="Baits" what="Opening the baits" error={failedOf(all)} retry={askAgain(all)} />;
  return (
    <>
      <Header title="Baits" note={`${all.data.families.length} families, ${all.data.presentations.filter((p) => p.active).length} baits`}>
        <input
          data-search
          aria-label="Search baits"
          placeholder="/ search"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          className="w-[150px] rounded border md:w-[180px] border-ink-3 bg-paper px-2 py-1"
        />
        <Link to="/gear" className="underline underline-offset-2">
          Gear
        </Link>
        {mayEdit && (
          <Button hint="N" onClick={() => setFamily('new')}>
            New family
          </Button>
        )}
      </Header>
      <section aria-label="Families" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-[18px] py-2">
        <p className="text-[0.87rem] text-ink-2">
          Each family with where it is meant to work <Term name="envelope" /> and its baits with what they caught
        </p>
        {shown.map(({ f, variants }) => (
          <article key={f.id} className="grid gap-x-6 gap-y-2 md:grid-cols-[390px_1fr] border-b border-line py-3" data-family={f.id}>
            <div>
              <h2 className="font-bold">
                {f.name} <span className="num text-[0.83rem] font-normal text-ink-2">{f.id}</span>
              </h2>
              <p className="text-[0.9rem]">{whereWords(f)}</p>
              <p className="text-[0.9rem] text-ink-2">
                Fishes the {f.zone}, looks: {f.look}. Covers water {f.coverRate} of 5; {SKILL[f.skill - 1]};{' '}
                {f.rods === 1 ? '1 rod' : `${f.rods} rods`}; snags {f.snag} of 3
                {f.costPerHour > 0 ? `; about ${f.costPerHour} an hour` : ''}
                {f.forage.length > 0 ? `; for ${f.forage.join(', ')}` : ''}.
              </p>
              <p className="text-[0.9rem] text-ink-2">{f.handling}</p>
              {mayEdit && (
                <p className="mt-1 flex gap-2">
                  <Button className="py-0.5 text-[0.87rem]" onClick={() => setFamily(f)}>
                    Edit family
                  </Button>
                  <Button className="py-0.5 text-[0.87rem]" onClick={() => setVariant(blank(f.id))}>
                    Add a variant
                  </Button>
                </p>
              )}
            </div>
            <ul>
              {variants.map((v) => (
                <li key={v.id} className="border-t border-line py-1.5 first:border-t-0">
                  <button
                    type="button"
                    disabled={!mayEdit}
                    onClick={() => setVariant(v)}
                    className={`text-left font-semibold ${mayEdit ? 'cursor-pointer underline decoration-line underline-offset-4' : ''} ${v.active ? '' : 'text-ink-2 line-through'}`}
                  >
                    {v.name}
                  </button>
                  <span className="block text-[0.87rem] text-ink-2 md:float-right md:text-right">
                    {v.sets === 0
                      ? 'not fished yet: rules of the trade alone'
                      : `${v.fish} fish in ${v.rodHours.toFixed(0)} rod-hours, ${rate(v.fish / v.rodHours)} an hour`}
                  </span>
                  <p className="text-[0.87rem] text-ink-2">{variantWords(v)}</p>
                </li>
              ))}
              {variants.length === 0 && <li className="text-[0.9rem] text-ink-2">No variant yet, so nothing of it is planned.</li>}
            </ul>
          </article>
        ))}
        {shown.length === 0 && <p className="py-3 text-ink-2">No bait of that name.</p>}
      </section>
      {family && (
        <FamilySheet family={family === 'new' ? null : family} taken={all.data.families.map((f) => f.id)} onClose={() => setFamily(null)} />
      )}
      {variant && <VariantSheet variant={variant} families={all.data.families} onClose={() => setVariant(null)} />}
    </>
  );
}

const LIGHT = ['dark', 'low light', 'middling light', 'high sun'] as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

function whereWords(f: FamilyView): string {
  const span = (lo: number | null, hi: number | null, measure: Measure) => {
    const digits = (v: number) => (Number.isInteger(v) ? 0 : 1);
    const from = lo === null ? '' : `${figure(lo, measure, myUnits(), digits(lo)).text}`;
    if (hi === null) return lo === null ? '' : `from ${amount(lo, measure, digits(lo))}`;
    return `${lo === null ? 'up to' : `${from} to`} ${amount(hi, measure, digits(hi))}`;
  };
  return [
    ...ENVELOPE_SPANS.map((s) => {
      const words = span(f[s.lo], f[s.hi], s.measure);
      return words === '' ? '' : `${s.before}${words}${s.after}`;
    }),
    f.light.map((l) => LIGHT[l]).join(', '),
    f.cover.length > 0 ? `at ${f.cover.join(', ')}` : '',
    f.months.map((m) => MONTHS[m - 1]).join(' '),
  ]
    .filter((x) => x !== '')
    .join(' · ');
}

function variantWords(v: PresentationView): string {
  return [
    v.sizeMm === null ? '' : amount(v.sizeMm, 'fish', 0),
    v.weightG === null ? '' : amount(v.weightG, 'lead', 0),
    v.colour,
    v.leaderKg === null ? '' : `leader ${amount(v.leaderKg, 'weight', 0)}`,
    v.retrieve,
    v.pauseS === null ? '' : `pause ${v.pauseS} s`,
    v.habitat === 'both' ? '' : `${v.habitat} water`,
    v.active ? '' : 'put away',
  ]
    .filter((x) => x !== '')
    .join(' · ');
}
