import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A sheet of paper over the desk: a title, a line of explanation, and what is to be filled in. */
export function Sheet({
  open,
  title,
  note,
  wide = false,
  onClose,
  children,
}: {
  open: boolean;
  title: string;
  note: string;
  wide?: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          className={`fixed top-[6vh] left-1/2 z-50 flex max-h-[88vh] -translate-x-1/2 flex-col overflow-auto rounded border border-ink bg-paper p-5 ${wide ? 'w-[860px]' : 'w-[440px]'}`}
        >
          <Dialog.Title className="font-bold">{title}</Dialog.Title>
          <Dialog.Description className="mb-3 text-ink-2">{note}</Dialog.Description>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
