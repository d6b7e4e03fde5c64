import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './parts';

/** A button that opens a list of things to do. */
export function Menu({ name, children }: { name: string; children: ReactNode }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>{name}</Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="z-40 rounded border border-ink bg-paper p-1">
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
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
