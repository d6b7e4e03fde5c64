/** From this share on a phone's room for this page is nearly used up. */
const NEARLY_FULL = 0.9;

/** Asks the browser to keep what stands on the phone when it tidies up, and tells whether there is little room left. */
export async function askForRoom(): Promise<{ readonly nearlyFull: boolean }> {
  const { storage } = navigator;
  if (!storage?.estimate) return { nearlyFull: false };
  await storage.persist?.().catch(() => false);
  const { usage = 0, quota = 0 } = await storage.estimate();
  return { nearlyFull: quota > 0 && usage / quota > NEARLY_FULL };
}
