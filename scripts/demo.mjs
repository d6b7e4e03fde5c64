// npm run demo: everything on this machine with demo data, at one address. --reset begins anew, --dev serves the
// web application's source with instant updates, --port N chooses the port.
import { ensurePackages } from './packages.mjs';
import { main, say, Stop } from './output.mjs';

await main(async () => {
  const args = process.argv.slice(2);
  const known = ['--reset', '--dev', '--port'];
  const unknown = args.find((a, i) => !known.includes(a) && args[i - 1] !== '--port');
  if (unknown) throw new Stop(`Unknown option ${unknown}; there are --reset, --dev and --port N.`);
  const dev = args.includes('--dev');
  const port = args.includes('--port') ? Number(args[args.indexOf('--port') + 1]) : 0;
  if (!Number.isInteger(port) || port < 0 || port > 65535) throw new Stop('--port: expected a number from 0 to 65535.');
  await ensurePackages();
  const { buildServer, buildSim, buildWeb } = await import('./build.mjs');
  const { startWorld } = await import('./world.mjs');
  say('Building ...');
  await Promise.all([buildServer(), buildSim(), dev ? null : buildWeb()]);
  const world = await startWorld({ name: dev ? 'dev' : 'demo', reset: args.includes('--reset'), port, web: !dev });
  let address = world.url;
  let vite = null;
  if (dev) {
    const { createServer } = await import('vite');
    const { ROOT } = await import('./folders.mjs');
    vite = await createServer({
      root: `${ROOT}/packages/web`,
      server: { host: '127.0.0.1', proxy: { '/api': { target: world.url, changeOrigin: false } } },
    });
    await vite.listen();
    address = vite.resolvedUrls.local[0];
  }
  const response = await fetch(`${world.url}/api/demo`);
  const demo = await response.json();
  say('');
  say(`Bluffwind is ready at  ${address}`);
  say(`Letters that it writes: ${world.letters} (delivered to nobody)`);
  say('');
  say(`Demo sign-ins (password "${demo.password}"):`);
  for (const s of demo.signIns) say(`  ${s.email.padEnd(34)} ${s.name}, ${s.role} of ${s.outfit}`);
  say('');
  say('Stop with Ctrl-C; a second start keeps the data, "npm run demo -- --reset" begins anew.');
  await new Promise((resolve) => {
    process.on('SIGINT', resolve);
    process.on('SIGTERM', resolve);
  });
  say('\nStopping ...');
  await vite?.close();
  await world.stop();
  process.exit(0);
});
