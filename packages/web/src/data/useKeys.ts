// Keys of the desk, by the character that they give, so that they are the same on every keyboard layout. (react-hotkeys-hook was tried: it
// compares physical keys or folds the case, and cannot tell z from Z or find < where it needs no Shift.)
import { useEffect, useRef } from 'react';
import { mySettings } from './settings';

/** What a key does: nothing when it is left out or there is nothing to do it to. */
export type KeyMap = Readonly<Record<string, ((e: KeyboardEvent) => void) | null | undefined>>;

/**
 * Keys of a screen while it is shown. A key behind an open sheet or menu, or in a field, does nothing; single keys can be switched off by
 * who reads the screen with keys of his own (WCAG 2.1.4).
 * @param keys - By character, such as n or ?; with "mod+" before it for Ctrl, or Cmd on a Mac.
 */
export function useKeys(keys: KeyMap): void {
  const latest = useRef(keys);
  latest.current = keys;
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const name = nameOf(e);
      const act = name === null || !Object.hasOwn(latest.current, name) ? null : latest.current[name];
      if (!act) return;
      e.preventDefault();
      act(e);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** The name of a key that may act, or null. */
export function nameOf(e: KeyboardEvent): string | null {
  if (e.altKey || (e.defaultPrevented && !through.has(e)) || isTyping(e) || behindSomething()) return null;
  if (e.ctrlKey || e.metaKey) return `mod+${e.shiftKey ? e.key.toUpperCase() : e.key.toLowerCase()}`;
  // Escape and the arrows are no characters: nobody dictates them by chance.
  return mySettings().keys || e.key.length > 1 ? e.key : null;
}

/** True when a key belongs to a field that is being typed in. */
const isTyping = (e: KeyboardEvent): boolean =>
  e.target instanceof Element && e.target.closest('input:not([type=checkbox]), textarea, [contenteditable=true]') !== null;

const through = new WeakSet<Event>();

/**
 * Gives a key that a closed list would take to the screen: a letter pressed after something was chosen from it is a key of the screen, as it
 * is everywhere else, and must not choose another thing instead. In a sheet, where no key of the screen acts, lists go by letters.
 */
export function pastTheList(e: { readonly key: string; readonly nativeEvent: Event; preventDefault(): void }): void {
  if (e.key.length !== 1 || e.key === ' ' || !mySettings().keys || behindSomething()) return;
  e.preventDefault();
  through.add(e.nativeEvent);
}

/** True while a sheet, a menu or a list of choices is open over the screen. */
const behindSomething = (): boolean => document.querySelector('[role=dialog], [role=alertdialog], [role=menu], [role=listbox]') !== null;
