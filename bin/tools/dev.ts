/** For development: the demo's data, and the application with reload. `npm run dev [-- --port N]` */
import { spawn } from 'node:child_process';
import { parseArgs } from 'node:util';
import { buildAntdStyle } from '../parts/build.ts';
import { startDemoData } from '../parts/demo-data.ts';
import { demoSecret } from '../parts/outside.ts';
import { runCommand } from '../parts/say.ts';
import { checkPort, STOP_SIGNALS } from '../parts/serving.ts';

runCommand(async () => {
  const { values } = parseArgs({
    options: { port: { type: 'string', default: '5173' }, fresh: { type: 'boolean', default: false } },
  });
  await checkPort(Number(values.port), 'localhost');
  buildAntdStyle();
  const { cluster, demo } = await startDemoData('.local/dev', { nowMs: undefined, fresh: values.fresh });
  const base = `http://localhost:${values.port}`;
  for (const w of demo.workspaces)
    process.stdout.write(`  ${w.coachEmail}   password ${demo.password}\n  ${base}${w.linkPath}\n`);
  const child = spawn(
    process.execPath,
    ['node_modules/@react-router/dev/bin.js', 'dev', '--port', values.port, '--strictPort'],
    { stdio: 'inherit', env: { ...process.env, PUBLIC_URL: base, SECRET: demoSecret('.local/dev') } },
  );
  for (const signal of STOP_SIGNALS) process.removeAllListeners(signal).on(signal, () => child.kill(signal));
  const code = await new Promise<number>((done) => child.on('close', (ended) => done(ended ?? 0)));
  cluster.stop();
  return code;
});
