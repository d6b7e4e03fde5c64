import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import type { Here } from '../data/feature';
import { isTyping } from '../data/time';
import { FEATURES } from './features';

const CHORD_MS = 2000;

/** Keys that work on every screen: g and a place, search, the palette, the list of keys. */
export function useGoKeys(here: Here, { onPalette, onKeys }: { onPalette: () => void; onKeys: () => void }): void {
  const navigate = useNavigate();
  /** When g was pressed; kept over renders, which may come between the two keys. */
  const chord = useRef(0);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        onPalette();
        return;
      }
      if (isTyping(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === '?') onKeys();
      else if (e.key === '/') {
        const field = document.querySelector<HTMLElement>('[data-search]');
        if (field) {
          e.preventDefault();
          field.focus();
        }
      } else if (Date.now() - chord.current < CHORD_MS) {
        const to = FEATURES.find((f) => f.place?.key === e.key)?.place?.to(here);
        chord.current = 0;
        if (to) navigate(to);
      } else if (e.key === 'g') chord.current = Date.now();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
