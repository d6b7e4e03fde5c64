import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ROOT } from './folders.mjs';
import { Stop } from './output.mjs';

const SETPRIV = '/usr/bin/setpriv';

/** Environment for children: nothing that npm, another database or a debugger has left in ours. */
export function cleanEnv(more = {}) {
  const env = {};
  for (const [key, value] of Object.entries(process.env)) {
    if (/^(npm_|PG)/i.test(key) || key === 'NODE_ENV' || key === 'NODE_OPTIONS' || key === 'INIT_CWD') continue;
    env[key] = value;
  }
  return { ...env, ...more };
}

/** Runs a command to its end; rejects with Stop when it fails. */
export function run(command, args, { env = {}, quiet = false, cwd = ROOT, input } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: cleanEnv(env),
      stdio: [input ?? 'ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    });
    let output = '';
    child.stdout?.on('data', (d) => {
      output += d;
    });
    child.stderr?.on('data', (d) => {
      output += d;
    });
    child.on('error', (error) => reject(new Stop(`${command} could not be started: ${error.message}`)));
    child.on('close', (code, signal) =>
      code === 0
        ? resolve(output)
        : reject(new Stop(`${quiet ? `${output}\n` : ''}${command} ${args.slice(0, 4).join(' ')} failed (${signal ?? code})`)),
    );
  });
}

/** Each thread of the server would else keep memory of its own that the others cannot use (glibc, mallopt). */
export const FEW_ARENAS = { MALLOC_ARENA_MAX: '2' };

/**
 * Starts a long-running child and resolves with its address once it prints "listening on ADDRESS".
 * @returns {Promise<{ url: string, child: import('node:child_process').ChildProcess }>}
 */
export function startListening(name, command, args, { env = {}, log = () => {}, patienceMs = 60_000 } = {}) {
  return new Promise((resolve, reject) => {
    // Its parent's death ends it too, so that a kill -9 of the script leaves nothing running.
    const [program, rest] = endsWithUs(command, args);
    const child = spawn(program, rest, { cwd: ROOT, env: cleanEnv(env), stdio: ['ignore', 'pipe', 'pipe'] });
    let seen = '';
    let ready = false;
    const timer = setTimeout(() => reject(new Stop(`${name} did not start in ${patienceMs / 1000} s:\n${seen}`)), patienceMs);
    const take = (data) => {
      const text = String(data);
      log(text);
      if (ready) return;
      seen += text;
      const match = /listening on (\S+)/.exec(seen);
      if (match) {
        ready = true;
        clearTimeout(timer);
        resolve({ url: match[1], child });
      }
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', (error) => reject(new Stop(`${name} could not be started: ${error.message}`)));
    child.on('exit', (code) => {
      clearTimeout(timer);
      if (!ready) reject(new Stop(`${name} stopped (${code}):\n${seen}`));
    });
  });
}

/** A command as it is started so that our death ends it too. @returns {[string, string[]]} */
export function endsWithUs(command, args) {
  return existsSync(SETPRIV) ? [SETPRIV, ['--pdeathsig', 'TERM', command, ...args]] : [command, [...args]];
}

/** Asks a child to stop and waits; after some seconds it is made to. */
export function stopChild(child, patienceMs = 5000) {
  return new Promise((resolve) => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return resolve();
    const timer = setTimeout(() => child.kill('SIGKILL'), patienceMs);
    child.on('exit', () => {
      clearTimeout(timer);
      resolve();
    });
    child.kill('SIGTERM');
  });
}
