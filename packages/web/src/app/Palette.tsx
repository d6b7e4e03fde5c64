import { startOfLocalDay } from '@bluffwind/core/units/time';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { post } from '../data/api';
import { serverNow } from '../data/clock';
import type { Here } from '../data/feature';
import { clock, dayName } from '../ui/format';
import { FEATURES } from './features';
import { useSignOut } from './leave';
import { setTheme, THEME_NAMES, THEMES } from '../data/themes';

interface PaletteProps {
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly here: Here;
  readonly name: string;
  readonly demo: boolean;
  readonly onKeys: () => void;
}

/** Any screen, trip, water or command by its name. */
export function Palette({ open, onOpen, here, name, demo, onKeys }: PaletteProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const signOut = useSignOut();
  const found = useQuery({
    queryKey: ['found', here.outfit?.waters.map((w) => w.id)],
    queryFn: async () => (await Promise.all(FEATURES.map((f) => f.finds?.(queries, here) ?? []))).flat(),
    enabled: open,
    staleTime: 60_000,
  });
  const go = (to: string) => {
    onOpen(false);
    navigate(to);
  };
  async function setDemoClock(at: number) {
    onOpen(false);
    try {
      await post('/demo/clock', { now: new Date(at).toISOString() });
      await queries.invalidateQueries();
      toast(`The demo clock stands at ${dayName(at, here.zone)} ${clock(at, here.zone)}.`);
    } catch (error) {
      toast((error as Error).message);
    }
  }
  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpen}
      label="Any command"
      className="fixed inset-0 z-50 flex items-start justify-center bg-ink/30 px-3 pt-[12vh]"
    >
      <div className="w-full max-w-[520px] rounded border border-ink bg-paper shadow-lg">
        <Dialog.Title className="sr-only">Any command</Dialog.Title>
        <Dialog.Description className="sr-only">Type to find a screen, a trip, a guest, a spot, a bait or a command</Dialog.Description>
        <Command.Input
          placeholder="Screen, trip, guest, spot, bait or command"
          className="w-full border-b border-line bg-transparent px-4 py-3 outline-none"
        />
        <Command.List className="max-h-[50vh] overflow-auto p-2 [&_[cmdk-item]]:cursor-pointer [&_[cmdk-item]]:rounded [&_[cmdk-item]]:px-3 [&_[cmdk-item]]:py-1.5 [&_[cmdk-item][data-selected=true]]:bg-kelp-pale">
          <Command.Empty className="px-3 py-2 text-ink-2">Nothing of that name.</Command.Empty>
          {FEATURES.map(({ place }) => {
            const to = place?.to(here);
            return place && to ? (
              <Command.Item key={place.name} onSelect={() => go(to)}>
                {place.name} <span className="num text-ink-2">g {place.key}</span>
              </Command.Item>
            ) : null;
          })}
          {[...FEATURES.flatMap((f) => f.commands?.(here) ?? []), ...(found.data ?? [])].map((c) => (
            <Command.Item key={c.key} value={`${c.text} ${c.key}`} onSelect={() => go(c.to)}>
              {c.text}
            </Command.Item>
          ))}
          {THEMES.map((t) => (
            <Command.Item
              key={t}
              value={`theme ${t}`}
              onSelect={() => {
                setTheme(t);
                onOpen(false);
              }}
            >
              Look: {THEME_NAMES[t]}
            </Command.Item>
          ))}
          {demo && (
            <>
              <Command.Item onSelect={() => setDemoClock(serverNow() + 3_600_000)}>Demo clock: one hour on</Command.Item>
              <Command.Item onSelect={() => setDemoClock(startOfLocalDay(here.tomorrow, here.zone) + (6 * 60 + 20) * 60_000)}>
                Demo clock: tomorrow morning, 06:20
              </Command.Item>
            </>
          )}
          <Command.Item
            onSelect={() => {
              onOpen(false);
              onKeys();
            }}
          >
            Keys
          </Command.Item>
          <Command.Item onSelect={() => void signOut()}>Sign out {name}</Command.Item>
        </Command.List>
      </div>
    </Command.Dialog>
  );
}
