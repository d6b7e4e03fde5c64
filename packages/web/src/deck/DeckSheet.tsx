import { Dialog } from 'radix-ui';
import { type ReactNode, useEffect, useState } from 'react';

interface DeckSheetProps {
  readonly title: string;
  /** A line under the title. */
  readonly note?: ReactNode;
  /** The word that closes it, beside the title; left out where the way out is among the buttons below. */
  readonly close?: string;
  /** Names what is inside where one sheet shows one thing after another. */
  readonly inside?: string;
  /** Above another sheet. */
  readonly above?: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A sheet that comes up from below on deck. */
export function DeckSheet({ title, note, close, inside = '', above = false, onClose, children }: DeckSheetProps) {
  return (
    <Dialog.Root open onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className={`fixed inset-0 bg-ink/40 ${above ? 'z-[60]' : 'z-40'}`} />
        <Dialog.Content
          {...(note ? {} : { 'aria-describedby': undefined })}
          className={`fixed inset-x-0 bottom-0 mx-auto max-h-[94dvh] max-w-[480px] overflow-auto border-t-2 border-ink bg-chalk px-4 pt-3 pb-5 text-[18px] ${above ? 'z-[70]' : 'z-50'}`}
        >
          <div className="flex items-start justify-between gap-3">
            <Dialog.Title className="text-[1.3rem] font-bold">{title}</Dialog.Title>
            {close && <Dialog.Close className="min-h-[56px] cursor-pointer px-2 underline underline-offset-4">{close}</Dialog.Close>}
          </div>
          {note && <Dialog.Description className="text-[0.93rem] text-ink-2">{note}</Dialog.Description>}
          <NextFrame key={inside}>{children}</NextFrame>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What is inside comes a frame after the sheet itself, so that a slow phone shows at once that the tap was felt. */
function NextFrame({ children }: { children: ReactNode }) {
  const [there, setThere] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    // The frame that is asked for shows the empty sheet; what comes after it fills the sheet.
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => setThere(true));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, []);
  return there ? children : null;
}
