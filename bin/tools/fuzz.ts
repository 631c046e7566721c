/**
 * Throws texts at everything that reads some: `npm run fuzz [-- --inputs N --seed N --only NAME --small]`. Nothing may be thrown, nothing may take
 * longer than 200 ms, and four times as much may not take much more than four times as long (left out with --small).
 */
import { parseArgs } from 'node:util';
import { CommandError, runCommand, say } from '../parts/say.ts';
import { FUZZ_TARGETS } from '../fuzz/targets.ts';
import { makeTexts } from '../fuzz/texts.ts';

const MOST_MS = 200;
/** Below it a pause of the engine says more than the reader does. */
const CLEAR_MS = 150;
/** Linear is 4, quadratic 16. */
const MOST_GROWTH = 10;
const SAY_EVERY = 50_000;

const whole = (text: string, name: string): number => {
  const value = Number(text);
  if (Number.isInteger(value) && value >= 1) return value;
  throw new CommandError(`--${name} is a whole number.`, 'Write it like: npm run fuzz -- --inputs 1000000 --seed 7');
};

interface Fault {
  readonly target: string;
  readonly words: string;
  readonly text: string;
}

/** Milliseconds of the quickest of some tries: a pause of the engine is no fault of the reader's. */
async function quickest(tries: number, work: () => unknown): Promise<number> {
  let best = Infinity;
  for (let i = 0; i < tries; i++) {
    const startedMs = performance.now();
    await work();
    best = Math.min(best, performance.now() - startedMs);
  }
  return best;
}

runCommand(async () => {
  const { values } = parseArgs({
    options: {
      inputs: { type: 'string', default: '1000000' },
      seed: { type: 'string', default: '1' },
      only: { type: 'string' },
      small: { type: 'boolean', default: false },
    },
  });
  const inputs = whole(values.inputs, 'inputs');
  const targets = FUZZ_TARGETS.filter((t) => values.only === undefined || t.name === values.only);
  if (targets.length === 0)
    throw new CommandError(
      `There is nothing called ${values.only} here.`,
      `There are ${FUZZ_TARGETS.map((t) => t.name).join(', ')}.`,
    );
  const faults: Fault[] = [];
  const slowest = new Map<string, number>();
  const texts = makeTexts(whole(values.seed, 'seed'));
  for (let n = 0; n < inputs && faults.length < 20; n++) {
    const target = targets[n % targets.length]!;
    const text = texts.next(target.samples);
    const startedMs = performance.now();
    try {
      await target.read(text);
    } catch (error) {
      faults.push({
        target: target.name,
        words: `threw ${(error as Error).stack?.split('\n').slice(0, 3).join(' ')}`,
        text,
      });
    }
    let tookMs = performance.now() - startedMs;
    if (tookMs > MOST_MS) {
      tookMs = await quickest(3, () => target.read(text));
      if (tookMs > MOST_MS) faults.push({ target: target.name, words: `took ${Math.round(tookMs)} ms`, text });
    }
    slowest.set(target.name, Math.max(slowest.get(target.name) ?? 0, tookMs));
    if ((n + 1) % SAY_EVERY === 0) say(`${n + 1} of ${inputs}`);
  }
  // The largest that each takes, of pieces that wear a reader down: four times as much, about four times as long.
  for (const target of values.small ? [] : targets)
    for (const make of texts.large(target.samples)) {
      const [quarter, all] = [make(target.mostLetters / 4), make(target.mostLetters)];
      const [quarterMs, allMs] = [
        await quickest(3, () => target.read(quarter)),
        await quickest(3, () => target.read(all)),
      ];
      if (allMs > target.mostMs || (allMs > CLEAR_MS && allMs > MOST_GROWTH * quarterMs))
        faults.push({
          target: target.name,
          words: `${quarter.length} letters took ${Math.round(quarterMs)} ms, ${all.length} took ${Math.round(allMs)} ms`,
          text: all,
        });
    }
  for (const { target, words, text } of faults)
    process.stdout.write(`${target}: ${words}\n  ${JSON.stringify(text.slice(0, 300))}\n`);
  process.stdout.write(
    `${inputs} inputs, ${faults.length} faults; the slowest of each: ${[...slowest].map(([name, ms]) => `${name} ${Math.round(ms)} ms`).join(', ')}\n`,
  );
  return faults.length === 0 ? 0 : 1;
});
