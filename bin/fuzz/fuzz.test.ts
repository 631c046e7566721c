import { describe, expect, test } from 'vitest';
import { FUZZ_TARGETS } from './targets.ts';
import { makeTexts } from './texts.ts';

const INPUTS = 150;

describe('what reads from outside throws nothing, whatever comes', () => {
  test.each(FUZZ_TARGETS.map((t) => [t.name, t] as const))('%s', async (_name, { read, samples }) => {
    for (const sample of samples) await read(sample);
    const texts = makeTexts(20_261_130);
    for (let n = 0; n < INPUTS; n++) {
      const text = texts.next(samples);
      try {
        await read(text);
      } catch (error) {
        expect.unreachable(`${(error as Error).message} at ${JSON.stringify(text)}`);
      }
    }
  });

  test('the same seed makes the same texts, another makes others', () => {
    const of = (seed: number) => {
      const texts = makeTexts(seed);
      return Array.from({ length: 50 }, () => texts.next(['one sample', 'and another']));
    };
    expect(of(7)).toEqual(of(7));
    expect(of(7)).not.toEqual(of(8));
  });
});
