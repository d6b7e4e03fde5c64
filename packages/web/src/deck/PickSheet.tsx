import type { ReactNode } from 'react';
import { DeckSheet } from './DeckSheet';

interface PickListProps {
  readonly items: readonly { id: string; name: string; note?: string | undefined }[];
  /** More below the list. */
  readonly also?: ReactNode;
  readonly onPick: (id: string) => void;
  readonly onClose: () => void;
}

/** Things to choose one from with a thumb. */
export function PickList({ items, also, onPick, onClose }: PickListProps) {
  return (
    <>
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
    </>
  );
}

/** The same as a sheet of its own. */
export function PickSheet({ title, ...list }: PickListProps & { readonly title: string }) {
  return (
    <DeckSheet title={title} onClose={list.onClose}>
      <PickList {...list} />
    </DeckSheet>
  );
}
