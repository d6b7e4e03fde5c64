import { AlertDialog } from 'radix-ui';
import { type ReactNode, useState } from 'react';
import { Button } from './parts';

interface Question {
  readonly title: string;
  /** What it means, and whether it can be undone. */
  readonly text: string;
  /** What the button that does it says. */
  readonly yes: string;
  readonly act: () => void;
}

/** Asks before something is done that cannot simply be undone. @returns How to ask, and the question for the screen to show. */
export function useAsk(): readonly [ask: (question: Question) => void, question: ReactNode] {
  const [asked, setAsked] = useState<Question | null>(null);
  const question = (
    <AlertDialog.Root open={asked !== null} onOpenChange={(open) => !open && setAsked(null)}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <AlertDialog.Content className="fixed inset-x-3 top-[24vh] z-50 mx-auto max-w-[440px] rounded border border-ink bg-paper p-5">
          <AlertDialog.Title className="font-bold">{asked?.title}</AlertDialog.Title>
          <AlertDialog.Description className="mt-1 text-ink-2">{asked?.text}</AlertDialog.Description>
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Leave it</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild onClick={() => asked?.act()}>
              <Button strong>{asked?.yes}</Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
  return [setAsked, question];
}
