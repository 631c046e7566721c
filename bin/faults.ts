/** Kills what runs under steady load, and holds what is stored against what was acknowledged: `./ysodos faults [--kills N] [--seed N]`. */
import { parseArgs } from 'node:util';
import { runFaults } from './faults/run-faults.ts';
import { CommandError, runCommand, say } from './parts/say.ts';

const whole = (text: string, name: string, most: number): number => {
  const value = Number(text);
  if (Number.isInteger(value) && value >= 1 && value <= most) return value;
  throw new CommandError(
    `--${name} is a whole number from 1 to ${most}.`,
    'Write it like: ./ysodos faults --kills 300',
  );
};

runCommand(async () => {
  let values;
  try {
    values = parseArgs({
      options: { kills: { type: 'string', default: '300' }, seed: { type: 'string', default: '1' } },
    }).values;
  } catch (error) {
    throw new CommandError((error as Error).message, 'Options are --kills N and --seed N.');
  }
  const report = await runFaults({
    kills: whole(values.kills, 'kills', 100_000),
    seed: whole(values.seed, 'seed', 2 ** 31),
    data: '.local/faults',
    say,
  });
  const { faults, logs, drafts, releases, lost, wrong } = report;
  process.stdout.write(
    `${Object.entries(faults)
      .map(([name, n]) => `${name} ${n}`)
      .join(
        ', ',
      )}\n${logs} logs and ${drafts} drafts acknowledged, ${releases} releases\n${lost.length} lost or doubled, ${wrong.length} not sent once\n`,
  );
  for (const words of [...lost, ...wrong].slice(0, 50)) process.stdout.write(`  ${words}\n`);
  return lost.length + wrong.length === 0 ? 0 : 1;
});
