import { Check, MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './parts';

/** A button that opens a list of things to do. */
export function Menu({ name, label, small = false, children }: { name: string; label?: string; small?: boolean; children: ReactNode }) {
  return (
    // Within its own landmark, the rest of the page still there for who reads it otherwise.
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        {small ? (
          <button
            type="button"
            aria-label={label}
            className="flex min-h-7 min-w-7 cursor-pointer items-center justify-center max-md:min-h-11 max-md:min-w-11"
          >
            <MoreHorizontal size={16} aria-hidden="true" />
          </button>
        ) : (
          <Button aria-label={label}>{name}</Button>
        )}
      </DropdownMenu.Trigger>
      <DropdownMenu.Content align="end" sideOffset={4} className="z-40 rounded border border-ink bg-paper p-1">
        {children}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}

/** One of them. */
export function MenuItem({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.Item onSelect={onSelect} className="cursor-pointer rounded px-3 py-1.5 outline-none data-[highlighted]:bg-kelp-pale">
      {children}
    </DropdownMenu.Item>
  );
}

/** One that is on or off; the list stays open. */
export function MenuCheck({ on, onChange, children }: { on: boolean; onChange: (on: boolean) => void; children: ReactNode }) {
  return (
    <DropdownMenu.CheckboxItem
      checked={on}
      onCheckedChange={onChange}
      onSelect={(e) => e.preventDefault()}
      className="flex cursor-pointer items-center gap-2 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-kelp-pale"
    >
      <span className="w-4">
        <DropdownMenu.ItemIndicator>
          <Check size={15} aria-hidden="true" />
        </DropdownMenu.ItemIndicator>
      </span>
      {children}
    </DropdownMenu.CheckboxItem>
  );
}
