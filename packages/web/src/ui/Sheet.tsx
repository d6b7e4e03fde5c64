import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A sheet of paper over the desk: a title, a line of explanation, and what is to be filled in. In the pocket it comes up from below. */
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
          className={`fixed inset-x-0 bottom-0 z-50 flex max-h-[92dvh] flex-col overflow-auto rounded-t-[10px] border border-ink bg-paper p-4 md:inset-x-auto md:top-[6vh] md:bottom-auto md:left-1/2 md:max-h-[88vh] md:-translate-x-1/2 md:rounded md:p-5 ${wide ? 'md:w-[860px] md:max-w-[94vw]' : 'md:w-[440px]'}`}
        >
          <div className="flex items-start gap-3">
            <Dialog.Title className="flex-1 font-bold">{title}</Dialog.Title>
            <Dialog.Close
              aria-label="Close"
              className="-mt-2 -mr-2 flex h-11 w-11 shrink-0 cursor-pointer items-center justify-center md:-mt-1 md:-mr-1 md:h-8 md:w-8"
            >
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <Dialog.Description className="mb-3 text-ink-2">{note}</Dialog.Description>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
