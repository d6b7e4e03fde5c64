const EVERY_MS = 80;
const TRIES = 30;

/**
 * Gives the focus to what is to come, such as a line of a list that is just being read again, and gives it once more when that was drawn anew.
 * Whoever moves the focus himself meanwhile keeps it.
 */
export function focusWhenThere(selector: string): void {
  let tries = 0;
  let given = false;
  const timer = setInterval(() => {
    const at = document.activeElement;
    const target = document.querySelector<HTMLElement>(selector);
    const elsewhere = at !== null && at !== document.body && at !== target;
    if (++tries > TRIES || (given && elsewhere)) return clearInterval(timer);
    if (!target || at === target) return;
    target.focus();
    given = document.activeElement === target;
  }, EVERY_MS);
}
