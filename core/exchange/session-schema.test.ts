import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { arbitraryDocument } from '../notation/arbitrary-document.ts';
import { runs } from '../../tests/long.ts';

const schema = JSON.parse(readFileSync(new URL('../../docs/session.schema.json', import.meta.url), 'utf8')) as object;
const validate = new Ajv2020({ strict: true, allErrors: false }).compile(schema);

test('every document that the notation can say is valid by the published schema', () => {
  fc.assert(
    fc.property(arbitraryDocument, (document) => {
      const ok = validate(JSON.parse(JSON.stringify(document)));
      expect(validate.errors ?? []).toEqual([]);
      expect(ok).toBe(true);
    }),
    { numRuns: runs(500) },
  );
});

const block = (more: object) => ({
  blocks: [
    {
      role: 'Main',
      time: { kind: 'flow' },
      items: [{ kind: 'work', choices: [{ name: 'squat' }], inTurn: false }],
      ...more,
    },
  ],
});

test.each([
  ['no blocks', {}],
  ['an unknown role', block({ role: 'Middle' })],
  ['an unknown clock', block({ time: { kind: 'tides' } })],
  ['a slot of no time', block({ time: { kind: 'slots', slotSec: 0, slots: 4 } })],
  [
    'a dose of 0',
    block({
      items: [
        {
          kind: 'work',
          dose: { kind: 'reps', amount: { kind: 'fixed', value: 0 } },
          choices: [{ name: 'squat' }],
          inTurn: false,
        },
      ],
    }),
  ],
  ['an item without a movement', block({ items: [{ kind: 'work', choices: [], inTurn: false }] })],
  ['a field that nothing knows', { ...block({}), colour: 'plum' }],
  ['effort 11', { ...block({}), effort: 11 }],
])('%s is refused', (_name, document) => {
  expect(validate(document)).toBe(false);
});
