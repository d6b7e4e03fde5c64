import type { ReactNode } from 'react';
import { DeckSheet } from './DeckSheet';

/** A list to choose one thing from with a thumb. */
export function PickSheet({
  title,
  items,
  also,
  onPick,
  onClose,
}: {
  title: string;
  items: readonly { id: string; name: string; note?: string | undefined }[];
  /** More below the list. */
  also?: ReactNode;
  onPick: (id: string) => void;
  onClose: () => void;
}) {
  return (
    <DeckSheet title={title} onClose={onClose}>
      <ul className="mt-2">
        {items.map((i) => (
          <li key={i.id} className="border-t border-line">
            <button type="button" className="min-h-[56px] w-full cursor-pointer text-left" onClick={() => onPick(i.id)}>
              {i.name}
              {i.note && <span className="block text-[0.87rem] text-ink-2">{i.note}</span>}
            </button>
          </li>
        ))}
      </ul>
      {also}
      <button type="button" className="min-h-[56px] w-full cursor-pointer text-left underline underline-offset-4" onClick={onClose}>
        Close
      </button>
    </DeckSheet>
  );
}
