import type { FamilyView } from '@bluffwind/contract/presentations';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { post } from '../data/api';
import { Sheet } from '../ui/Sheet';
import { FIELD, Labelled, NumberField, reader } from './fields';
import { SheetFoot } from './SheetFoot';

const LIGHT = ['dark', 'low light', 'middling', 'high sun'] as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** A family's envelope: where, when and in what water it is meant to work. A prior, which the log overrules. */
export function FamilySheet({ family, taken, onClose }: { family: FamilyView | null; taken: readonly string[]; onClose: () => void }) {
  const queries = useQueryClient();
  const [error, setError] = useState<unknown>(null);
  async function submit(e: FormEvent<HTMLFormElement>) {
    e.preventDefault();
    const f = reader(e.currentTarget);
    const id = family?.id ?? f.text('id');
    setError(null);
    try {
      if (!family && taken.includes(id)) throw new Error(`There is a family ${id} already. Choose another short name.`);
      await post(`/families/${encodeURIComponent(id)}`, {
        name: f.text('name'),
        depthMinM: f.number('depthMinM'),
        depthMaxM: f.number('depthMaxM'),
        tempMinC: f.number('tempMinC'),
        tempMaxC: f.number('tempMaxC'),
        clarityMinM: f.maybe('clarityMinM'),
        clarityMaxM: f.maybe('clarityMaxM'),
        windMinMps: f.maybe('windMinMps'),
        windMaxMps: f.maybe('windMaxMps'),
        currentMinMps: f.maybe('currentMinMps'),
        currentMaxMps: f.maybe('currentMaxMps'),
        light: f.picked('light'),
        months: f.picked('months'),
        cover: f.list('cover'),
        coverRate: f.number('coverRate'),
        skill: f.number('skill'),
        snag: f.number('snag'),
        zone: f.text('zone'),
        look: f.text('look'),
        rods: f.number('rods'),
        costPerHour: f.maybe('costPerHour') ?? 0,
        forage: f.list('forage'),
        handling: f.text('handling'),
      });
      await Promise.all(['presentations', 'desk'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
      toast(`${f.text('name')} is stored.`);
      onClose();
    } catch (problem) {
      setError(problem);
    }
  }
  const checks = (name: string, words: readonly string[], from: number, chosen: readonly number[]) => (
    <div className="flex flex-wrap gap-x-3">
      {words.map((w, i) => (
        <label key={w} className="flex items-center gap-1 text-[0.9rem]">
          <input type="checkbox" name={name} value={i + from} defaultChecked={chosen.includes(i + from)} /> {w}
        </label>
      ))}
    </div>
  );
  return (
    <Sheet
      open
      wide
      title={family ? `${family.name} (${family.id})` : 'A new family'}
      note="Where it is meant to work. A starting point only: the log overrules it. Open limits and empty lists mean any."
      onClose={onClose}
    >
      <form onSubmit={submit} className="grid grid-cols-4 gap-x-4 gap-y-2">
        {!family && (
          <Labelled label="Short name, such as F30">
            <input name="id" required pattern="[A-Za-z0-9\-]{1,24}" className={FIELD} />
          </Labelled>
        )}
        <div className={family ? 'col-span-4' : 'col-span-3'}>
          <Labelled label="Name">
            <input name="name" required maxLength={80} defaultValue={family?.name ?? ''} className={FIELD} />
          </Labelled>
        </div>
        <NumberField name="depthMinM" label="Depth from, m" value={family?.depthMinM ?? 0.5} min={0} max={500} />
        <NumberField name="depthMaxM" label="to, m" value={family?.depthMaxM ?? 4} min={0} max={500} />
        <NumberField name="tempMinC" label="Water from, °C" value={family?.tempMinC ?? 6} min={-2} max={40} />
        <NumberField name="tempMaxC" label="to, °C" value={family?.tempMaxC ?? 22} min={-2} max={40} />
        <NumberField name="clarityMinM" label="Clarity from, m" value={family?.clarityMinM ?? null} min={0} max={60} />
        <NumberField name="clarityMaxM" label="to, m" value={family?.clarityMaxM ?? null} min={0} max={60} />
        <NumberField name="windMinMps" label="Wind from, m/s" value={family?.windMinMps ?? null} min={0} max={40} />
        <NumberField name="windMaxMps" label="to, m/s" value={family?.windMaxMps ?? null} min={0} max={40} />
        <NumberField name="currentMinMps" label="Current from, m/s" value={family?.currentMinMps ?? null} min={0} max={5} />
        <NumberField name="currentMaxMps" label="to, m/s" value={family?.currentMaxMps ?? null} min={0} max={5} />
        <NumberField name="coverRate" label="Covers water, 1 to 5" value={family?.coverRate ?? 3} min={1} max={5} step={1} />
        <NumberField name="skill" label="Skill, 1 to 3" value={family?.skill ?? 1} min={1} max={3} step={1} />
        <NumberField name="snag" label="Snags, 1 to 3" value={family?.snag ?? 1} min={1} max={3} step={1} />
        <NumberField name="rods" label="Rods it takes" value={family?.rods ?? 1} min={1} max={12} step={1} />
        <NumberField name="costPerHour" label="Cost an hour" value={family?.costPerHour ?? 0} min={0} max={10000} />
        <Labelled label="Fishes the">
          <select name="zone" defaultValue={family?.zone ?? 'middle'} className={FIELD}>
            <option>bottom</option>
            <option>middle</option>
            <option>surface</option>
          </select>
        </Labelled>
        <Labelled label="Look, in a word">
          <input name="look" required maxLength={40} defaultValue={family?.look ?? 'natural'} className={FIELD} />
        </Labelled>
        <div className="col-span-2">
          <Labelled label="Ground and cover, such as rock, flat">
            <input name="cover" maxLength={200} defaultValue={family?.cover.join(', ') ?? ''} className={FIELD} />
          </Labelled>
        </div>
        <Labelled label="Imitates">
          <input name="forage" maxLength={200} defaultValue={family?.forage.join(', ') ?? ''} className={FIELD} />
        </Labelled>
        <fieldset className="col-span-4">
          <legend className="text-[0.93rem]">Light</legend>
          {checks('light', LIGHT, 0, family?.light ?? [])}
        </fieldset>
        <fieldset className="col-span-4">
          <legend className="text-[0.93rem]">Months</legend>
          {checks('months', MONTHS, 1, family?.months ?? [])}
        </fieldset>
        <div className="col-span-4">
          <Labelled label="Handling">
            <textarea name="handling" maxLength={500} rows={2} defaultValue={family?.handling ?? ''} className={FIELD} />
          </Labelled>
        </div>
        <SheetFoot error={error} onClose={onClose} />
      </form>
    </Sheet>
  );
}
