// After npm install: adds to the lock file the optional packages for other systems that a registry mirror left out, so
// that npm ci finds the file complete. They are marked optional with their system, so nothing of them is installed here.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './folders.mjs';

const file = path.join(ROOT, 'package-lock.json');
const lock = JSON.parse(readFileSync(file, 'utf8'));
const OS = ['darwin', 'win32', 'android', 'freebsd', 'linux', 'openbsd', 'netbsd', 'sunos', 'aix', 'openharmony'];
const CPU = ['arm64', 'x64', 'ia32', 'arm', 'riscv64', 'ppc64', 's390x', 'loong64', 'mips64el', 'wasm32', 'universal'];
let added = 0;
for (const [where, entry] of Object.entries({ ...lock.packages })) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const nested = where ? `${where}/node_modules/${name}` : `node_modules/${name}`;
    const top = `node_modules/${name}`;
    if (lock.packages[nested] || lock.packages[top]) continue;
    const parts = name.split(/[-/]/);
    const os = OS.filter((o) => parts.some((p) => p === o));
    const cpu = CPU.filter((c) => parts.includes(c));
    lock.packages[top] = {
      version: version.replace(/^[^\d]*/, ''),
      optional: true,
      ...(cpu.length ? { cpu } : { cpu: ['none'] }),
      ...(os.length ? { os } : {}),
      ...(parts.includes('musl') ? { libc: ['musl'] } : {}),
    };
    added++;
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
process.stdout.write(`${added} optional packages noted in the lock file\n`);
