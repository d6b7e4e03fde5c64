import { CircleHelp } from 'lucide-react';
import { Popover } from 'radix-ui';
import { TERMS, type TermName } from './terms';

/** A small question mark beside a word, which tells what it means. */
export function Term({ name }: { name: TermName }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`What “${name}” means`}
        className="no-print inline-flex h-6 w-6 cursor-pointer items-center justify-center align-middle text-ink-2 max-md:h-9 max-md:w-9"
      >
        <CircleHelp size={15} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`What “${name}” means`}
          sideOffset={4}
          collisionPadding={10}
          className="z-[60] w-[320px] max-w-[94vw] rounded border border-ink bg-paper px-4 py-3 text-[0.93rem] font-normal text-ink shadow-lg"
        >
          <p>
            <b>{name.charAt(0).toUpperCase() + name.slice(1)}.</b> {TERMS[name]}
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
