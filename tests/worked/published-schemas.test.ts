import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect, test } from 'vitest';
import { SESSIONS } from '../../core/session/everyday-sessions-fixture.ts';
import { EXAMPLE_SESSION } from '../../core/session/starters.ts';
import { EXAMPLES, findExample } from '../../core/progress/examples/examples.ts';
import { applyLever, leversOf } from '../../core/progress/levers/apply-lever.ts';
import { LEVER_KINDS } from '../../core/progress/levers/lever.ts';
import { RULE_EXAMPLES } from '../../core/progress/levers/lever-text.ts';
import { makeProgramme } from '../../core/progress/programme-fixture.ts';
import { parseProgramme } from '../../core/exchange/programme-json.ts';
import { formatProgramme } from '../../core/exchange/writing/write-programme.ts';
import { GUIDE } from '../../core/notation/help/guide.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { needRules, printRules } from '../../core/progress/levers/lever-text.ts';
import { FORM_SESSIONS } from './form-sessions-fixture.ts';

const ajv = new Ajv2020({ strict: true, allErrors: false });
ajv.addFormat('date', (v: string) => /^\d{4}-\d{2}-\d{2}$/.test(v));
const validator = (name: string) => {
  const validate = ajv.compile(JSON.parse(readFileSync(`docs/${name}.schema.json`, 'utf8')) as object);
  return (value: unknown) => (validate(JSON.parse(JSON.stringify(value))) ? [] : validate.errors);
};
const session = validator('session');
const programme = validator('programme');
const movement = validator('movement');

const texts: readonly string[] = [
  ...Object.values(SESSIONS),
  ...Object.values(FORM_SESSIONS),
  EXAMPLE_SESSION,
  ...Object.keys(EXAMPLES).flatMap((id) => findExample(id)!.days.map((d) => d.text)),
  // Each example of the guide stands where its topic can stand.
  ...GUIDE.flatMap(({ topic, examples }) =>
    examples.map(({ write }) => {
      if (topic === 'field') return `${write}\n\nMain: 3 rounds\n10 squat\n`;
      if (topic === 'block') return `${write}\n10 squat\n`;
      if (topic === 'clause') return `Main: ${write}\n10 squat\nmax burpee\n`;
      return `Main: 3 rounds\n${write}\n`;
    }),
  ),
];

test('every session that is shown anywhere, as it is written and with every lever pulled, is valid by its schema', () => {
  expect(texts.length).toBeGreaterThan(100);
  for (const text of texts) {
    const { document } = parseSession(text, baseLibrary);
    expect([text, session(document)]).toEqual([text, []]);
    for (const { kind } of leversOf(document, LEVER_KINDS, baseLibrary)) {
      const pulled = applyLever(document, { lever: { kind }, by: kind === 'rest' ? -5 : 1 }, baseLibrary);
      expect([text, kind, session(pulled)]).toEqual([text, kind, []]);
    }
  }
});

test('every lever and every way to write a rule is valid in an exported programme, and comes back', () => {
  const lines = [
    ...RULE_EXAMPLES.map((e) => e.line),
    ...LEVER_KINDS.map((kind) => `${kind} of goblet squat in Engine: +1 a week, lighter -1`),
    ...['going on', 'like the last', 'from the first'].map((how) => `rounds: +1 a week, new rounds ${how}`),
  ];
  const levers = needRules(lines);
  const own = makeProgramme({
    tracks: [{ id: 'a', name: 'A', school: 'own-number', text: 'Main: 3 rounds\n10 squat\n', levers }],
  });
  const exported = formatProgramme(own);
  expect(programme(JSON.parse(exported))).toEqual([]);
  const back = parseProgramme(exported);
  expect(back.status === 'read' && printRules(back.programme.tracks[0]!.levers)).toBe(printRules(levers));
});

test('every example programme and every movement of the shelf is valid by its schema', () => {
  for (const id of Object.keys(EXAMPLES))
    expect([id, programme(JSON.parse(formatProgramme(findExample(id)!)))]).toEqual([id, []]);
  for (const m of baseLibrary.movements) expect([m.id, movement(m)]).toEqual([m.id, []]);
});
