import type { DeckPack } from '@bluffwind/contract/deck';

interface WhoseProps {
  readonly guests: DeckPack['trip']['guests'];
  readonly chosen: string | null;
  /** Fish of this kind that a guest has kept today. */
  readonly keptBy: (clientId: string) => number;
  readonly onChoose: (clientId: string) => void;
}

/** Whose fish it is, each guest with what he has kept. */
export function WhoseFish({ guests, chosen, keptBy, onChoose }: WhoseProps) {
  return (
    <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Whose fish">
      {guests.map((g) => (
        <button
          key={g.id}
          type="button"
          aria-pressed={g.id === chosen}
          onClick={() => onChoose(g.id)}
          className={`min-h-[56px] cursor-pointer rounded border px-3 ${g.id === chosen ? 'border-ink bg-ink text-chalk' : 'border-ink'}`}
        >
          {g.name.split(' ')[0]}
          {keptBy(g.id) > 0 ? <span className="num"> {keptBy(g.id)} kept</span> : ''}
        </button>
      ))}
    </div>
  );
}
