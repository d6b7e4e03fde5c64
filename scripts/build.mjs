// Builds what runs: the server, the simulator and the lab as one file each, and the web application.
import path from 'node:path';
import { run } from './children.mjs';
import { ROOT } from './folders.mjs';

const bin = (name) => path.join(ROOT, 'node_modules', '.bin', name);

/** Bundles a program for Node; packages from the registry stay outside. */
export async function buildNode(name, entry) {
  await run(
    bin('esbuild'),
    [
      path.join(ROOT, entry),
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      '--sourcemap',
      '--log-level=warning',
      '--external:typeorm',
      '--external:pg',
      '--external:pg-boss',
      '--external:p-limit',
      '--external:@turf/*',
      '--external:prom-client',
      '--external:rate-limiter-flexible',
      '--external:@node-rs/argon2',
      '--external:pino',
      '--external:ical-generator',
      '--external:pdfkit',
      '--external:nodemailer',
      '--external:web-push',
      '--external:smtp-server',
      '--external:dejavu-fonts-ttf',
      '--external:hono',
      '--external:@hono/*',
      '--external:zod',
      '--external:astronomy-engine',
      '--external:d3-contour',
      '--external:highs',
      '--external:@neaps/*',
      `--outfile=${path.join(ROOT, 'dist', `${name}.mjs`)}`,
    ],
    { quiet: true },
  );
}

export const buildServer = () => buildNode('server', 'packages/server/src/main.ts');
export const SAMPLE = path.join(ROOT, 'dist', 'sample.json');
/** The simulator, and the sample water that is cut out of its world. */
export async function buildSim() {
  await buildNode('sim', 'sim/src/main.ts');
  await run(process.execPath, [path.join(ROOT, 'dist', 'sim.mjs'), 'sample', SAMPLE], { quiet: true });
}
export const buildLab = () => buildNode('lab', 'packages/server/src/lab/main.ts');

export async function buildWeb() {
  await run(bin('vite'), ['build', '--logLevel', 'warn', path.join(ROOT, 'packages', 'web')], { quiet: true });
}
