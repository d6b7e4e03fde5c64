import type { LookView, NewLook } from '@bluffwind/contract/report';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { post } from '../data/api';
import { base64Of, shrink } from '../data/shrink';
import { useSave } from '../data/useSave';
import { FIELD } from '../ui/form/fields';
import { Button, Fault, Waiting } from '../ui/parts';
import { lookQuery } from './queries';

const LOGO = { sidePx: 480, mostBytes: 180_000, qualities: [0.9, 0.75, 0.6] };

/** How the pages to the guests look: a name, a colour, a last line, a logo. */
export function ReportLook() {
  const look = useQuery(lookQuery);
  return (
    <section>
      <h2 className="mb-1 font-bold">Your guests’ pages</h2>
      {look.isPending && <Waiting what="Asking the server" />}
      {look.error && <Fault error={look.error} retry={() => void look.refetch()} />}
      {look.data && <Form key={JSON.stringify(look.data)} look={look.data} />}
    </section>
  );
}

function Form({ look }: { look: LookView }) {
  const [typed, setTyped] = useState({ name: look.name, colour: look.colour, words: look.words });
  /** A picture that was chosen; null takes the present one away; undefined leaves it. */
  const [logo, setLogo] = useState<string | null | undefined>(undefined);
  const [refused, setRefused] = useState('');
  const saving = useSave<NewLook>({
    send: (wanted) => post('/outfit/look', wanted),
    touches: [['look'], ['report']],
    told: 'Pages that you make from now on look so.',
  });
  const choose = async (file: File | undefined) => {
    if (!file) return;
    setRefused('');
    try {
      setLogo(await base64Of(await shrink(file, LOGO)));
    } catch {
      setRefused(`${file.name} cannot be used; choose a JPEG or PNG.`);
    }
  };
  const has = logo === undefined ? look.logo : logo !== null;
  const fault = saving.fault('logo') ?? saving.fault('name') ?? saving.fault('words') ?? saving.fault('colour');
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        saving.save({ ...typed, ...(logo === undefined ? {} : { logo }) });
      }}
    >
      <label className="flex flex-col gap-0.5">
        Name on them
        <input
          className={FIELD}
          maxLength={80}
          value={typed.name}
          placeholder="the outfit’s name"
          onChange={(e) => setTyped({ ...typed, name: e.target.value })}
        />
      </label>
      <label className="flex flex-col gap-0.5">
        Last line: thanks, how to book again
        <textarea
          className={FIELD}
          rows={2}
          maxLength={300}
          value={typed.words}
          onChange={(e) => setTyped({ ...typed, words: e.target.value })}
        />
      </label>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <label className="flex flex-col gap-0.5">
          Colour
          <input
            type="color"
            className="h-11 w-16 cursor-pointer rounded border border-ink-3 bg-chalk"
            value={typed.colour}
            onChange={(e) => setTyped({ ...typed, colour: e.target.value })}
          />
        </label>
        <label className="flex min-w-0 flex-col gap-0.5">
          Logo
          <input
            type="file"
            accept="image/png,image/jpeg,image/webp"
            className="max-w-full"
            onChange={(e) => void choose(e.target.files?.[0])}
          />
        </label>
        {typeof logo === 'string' && <img src={`data:image/jpeg;base64,${logo}`} alt="The logo that you chose" className="h-12 rounded" />}
        {logo === undefined && look.logo && <span className="text-ink-2">A logo is kept.</span>}
        {has && <Button onClick={() => setLogo(look.logo ? null : undefined)}>Without a logo</Button>}
      </div>
      {(refused || fault) && (
        <p role="alert" className="text-rust">
          {refused || fault}
        </p>
      )}
      {saving.error !== null && !fault && <Fault error={saving.error} />}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" disabled={saving.busy}>
          Let them look so
        </Button>
      </div>
    </form>
  );
}
