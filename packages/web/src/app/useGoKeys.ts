import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import type { Here } from '../data/feature';
import { nameOf, useKeys } from '../data/useKeys';
import { FEATURES } from './features';

const CHORD_MS = 2000;

/** Keys that work on every screen: g and a place, search, the palette, the list of keys. */
export function useGoKeys(here: Here, { onPalette, onKeys }: { onPalette: () => void; onKeys: () => void }): void {
  const navigate = useNavigate();
  /** When g was pressed, by the keyboard's own clock: a screen that is busy between the two keys does not part them. */
  const chord = useRef(0);
  const go = (key: string, pressedMs: number) => {
    const to = pressedMs - chord.current < CHORD_MS ? FEATURES.find((f) => f.place?.key === key)?.place?.to(here) : null;
    chord.current = 0;
    if (to) navigate(to);
    return Boolean(to);
  };
  useEffect(() => {
    // The second key of a pair comes before the screen's own.
    const onKey = (e: KeyboardEvent) => {
      const name = nameOf(e);
      if (name === null || chord.current === 0 || !go(name, e.timeStamp)) return;
      e.preventDefault();
      e.stopImmediatePropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  });
  useKeys({
    'mod+k': onPalette,
    '?': onKeys,
    '/': () => document.querySelector<HTMLElement>('[data-search]')?.focus(),
    g: (e) => {
      chord.current = e.timeStamp;
    },
  });
}
