import { createHash } from 'node:crypto';
import { chmodSync, mkdirSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** Root of the checkout. */
export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** Folder for what this checkout keeps on the machine (built files, logs, state), not in git. */
export const STATE = path.join(ROOT, '.data');

/**
 * Folder for a database cluster. The user "postgres" must be able to walk to it; when the checkout lies in a private
 * folder, one under the system's persistent temporary folder is used, named after the checkout.
 */
export function clusterFolder(name) {
  mkdirSync(STATE, { recursive: true });
  if (process.getuid() !== 0) return path.join(STATE, name);
  if (walkable(STATE)) return path.join(STATE, name);
  const key = createHash('sha256').update(ROOT).digest('hex').slice(0, 12);
  const base = path.join(os.platform() === 'linux' ? '/var/tmp' : os.tmpdir(), `bluffwind-${key}`);
  mkdirSync(base, { recursive: true });
  chmodSync(base, 0o755);
  return path.join(base, name);
}

function walkable(folder) {
  for (let at = folder; ; at = path.dirname(at)) {
    if ((statSync(at).mode & 0o001) === 0) return false;
    if (at === path.dirname(at)) return true;
  }
}
