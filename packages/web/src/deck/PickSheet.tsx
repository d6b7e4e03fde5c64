import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

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
    <Dialog.Root open onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 max-h-[80dvh] overflow-auto border-t-2 border-ink bg-chalk px-4 pt-4 pb-6 text-[18px]"
        >
          <Dialog.Title className="mb-2 text-[1.1rem] font-bold">{title}</Dialog.Title>
          <ul>
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
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
