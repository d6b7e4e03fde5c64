// What was typed and not saved yet, as this tab keeps it.
const PREFIX = 'typed ';
type Store = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
const usual = (): Store => sessionStorage;

/** What was typed under a name; null when nothing was, or nothing can be kept. */
export function readTyped(name: string, store = usual): unknown {
  try {
    return JSON.parse(store().getItem(PREFIX + name) ?? 'null');
  } catch {
    return null;
  }
}

/** Keeps it, where the browser can: a full or private one has it while the page is open. */
export function keepTyped(name: string, value: unknown, store = usual): void {
  try {
    store().setItem(PREFIX + name, JSON.stringify(value));
  } catch {
    // As said above.
  }
}

export function dropTyped(name: string, store = usual): void {
  store().removeItem(PREFIX + name);
}

/** Forgets all of it: its person signs out. */
export function forgetTyped(): void {
  for (const key of Object.keys(sessionStorage)) if (key.startsWith(PREFIX)) sessionStorage.removeItem(key);
}
