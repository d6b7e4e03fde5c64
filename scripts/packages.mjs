// Installs the Node packages when the lock file or Node changed since they were installed.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { run } from './children.mjs';
import { ROOT } from './folders.mjs';
import { say, Stop } from './output.mjs';

const STAMP = path.join(ROOT, 'node_modules', '.bluffwind-stamp');

export async function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Stop(`Node 20.19 or newer is needed, this is ${process.versions.node}. Install it and run this again.`);
  const want = `${createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex')} ${process.versions.node}`;
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === want) return;
  say('Installing Node packages (about a minute) ...');
  rmSync(STAMP, { force: true });
  const args = ['--include=dev', '--no-audit', '--no-fund', '--loglevel=error'];
  try {
    await run('npm', ['ci', ...args], { quiet: true });
  } catch (error) {
    say(`npm ci did not work (${String(error.message).trim().split('\n').pop()}); trying npm install ...`);
    await run('npm', ['install', '--no-save', ...args]);
  }
  writeFileSync(STAMP, want);
}
