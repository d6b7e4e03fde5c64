import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { useAddress } from '../data/useAddress';

export interface SideTab {
  readonly value: string;
  readonly name: string;
  readonly content: ReactNode;
  /** It lays out and scrolls the column itself. */
  readonly full?: boolean;
}

interface SideTabsProps {
  readonly label: string;
  readonly tabs: readonly SideTab[];
}

/** The left column of a desk screen: one of several lists, which is in the address. */
export function SideTabs({ label, tabs }: SideTabsProps) {
  const [tab, setTab] = useAddress('tab', tabs[0]?.value ?? '');
  return (
    <Tabs.Root
      value={tabs.some((t) => t.value === tab) ? tab : (tabs[0]?.value ?? '')}
      onValueChange={setTab}
      className="no-print flex min-h-0 flex-1 flex-col border-line md:border-r"
    >
      <Tabs.List aria-label={label} className="flex shrink-0 overflow-x-auto border-b border-line px-[10px] [scrollbar-width:none]">
        {tabs.map((t) => (
          <Tabs.Trigger
            key={t.value}
            value={t.value}
            className="cursor-pointer border-b-2 border-transparent px-2.5 py-1.5 text-[0.93rem] whitespace-nowrap max-md:min-h-11 text-ink-2 data-[state=active]:border-kelp data-[state=active]:font-bold data-[state=active]:text-ink"
          >
            {t.name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tabs.map((t) => (
        <Tabs.Content
          key={t.value}
          value={t.value}
          tabIndex={t.full ? -1 : 0}
          className={`min-h-0 flex-1 ${t.full ? 'flex flex-col data-[state=inactive]:hidden' : 'overflow-auto px-[18px] py-3'}`}
        >
          {t.content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
