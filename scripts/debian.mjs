// Programs that come from Debian's packages: found, or installed when we may, or asked for with the one command.
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { run } from './children.mjs';
import { say, Stop } from './output.mjs';

/** Folder with initdb and postgres of the newest PostgreSQL on the machine, 14 or later. */
export async function ensurePostgres() {
  const found = findPostgres();
  if (found) return found;
  await install('PostgreSQL', ['postgresql', 'postgresql-contrib'], () => {
    // The package would start a cluster of its own on the usual port.
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.d/bluffwind.conf', 'create_main_cluster = false\n');
  });
  const now = findPostgres();
  if (!now) throw new Stop('PostgreSQL was installed but its programs were not found under /usr/lib/postgresql.');
  return now;
}

/** Path of Chromium. */
export async function ensureChromium() {
  const found = () => ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find((p) => existsSync(p));
  if (!found()) await install('Chromium', ['chromium']);
  const now = found();
  if (!now) throw new Stop('Chromium was installed but was not found at /usr/bin/chromium.');
  return now;
}

/** A foreign program that the file formats are tried against: installed when we may, done without otherwise. */
export async function offerGpsbabel() {
  if (existsSync('/usr/bin/gpsbabel') || existsSync('/usr/local/bin/gpsbabel')) return;
  if (process.getuid() !== 0 || !existsSync('/usr/bin/apt-get')) {
    say('gpsbabel is not there: its part of the format tests is left out (apt-get install gpsbabel brings it).');
    return;
  }
  try {
    await install('gpsbabel', ['gpsbabel']);
  } catch {
    say('gpsbabel could not be installed: its part of the format tests is left out.');
  }
}

function findPostgres() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base)
    .filter((v) => Number(v) >= 14 && existsSync(`${base}/${v}/bin/initdb`))
    .sort((a, b) => Number(b) - Number(a));
  return versions.length > 0 ? `${base}/${versions[0]}/bin` : null;
}

async function install(name, packages, before = () => {}) {
  const command = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid() !== 0)
    throw new Stop(`${name} is missing. Install it once with:\n\n  sudo sh -c '${command}'\n\nand run this again.`);
  if (!existsSync('/usr/bin/apt-get'))
    throw new Stop(
      `${name} is missing and this is not a Debian system. Install ${packages.join(' and ')} with its package manager and run this again.`,
    );
  say(`Installing ${name} from Debian's packages ...`);
  before();
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  await run('apt-get', ['update', '-qq'], { env, quiet: true });
  await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], { env, quiet: true });
}
