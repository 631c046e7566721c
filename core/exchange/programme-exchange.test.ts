import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { GUARD_CODES } from '../progress/guards/guard.ts';
import { makeProgramme } from '../progress/programme-fixture.ts';
import type { ProgrammeDocument } from '../progress/programme-document.ts';
import { THEMES } from '../progress/programme-document.ts';
import { SCHOOL_IDS } from '../progress/track/schools.ts';
import { readBundle, unzipBundle, writeBundle, zipBundle } from './programme-bundle.ts';
import { parseProgramme, readProgrammeValue } from './programme-json.ts';
import { formatProgramme, toProgrammeJson } from './writing/write-programme.ts';
import { runs } from '../../tests/long.ts';

const schema = JSON.parse(readFileSync(new URL('../../docs/programme.schema.json', import.meta.url), 'utf8')) as object;
const ajv = new Ajv2020({ strict: true, allErrors: false });
ajv.addFormat(
  'date',
  (v: string) => /^\d{4}-\d{2}-\d{2}$/.test(v) && new Date(`${v}T00:00Z`).toISOString().startsWith(v),
);
const validate = ajv.compile(schema);

const oneLine = fc
  .array(fc.constantFrom('Stairs', 'and', '#', 'Über', '10:00', ',', 'uid', '“x”', 'Track', 'none', '😀'), {
    minLength: 1,
    maxLength: 5,
  })
  .map((w) => w.join(' '));
const text = fc.oneof(
  fc.constant(''),
  fc.constant('Title: A\n\nMain: 3 rounds\n10 squat  # low\n'),
  fc.string(),
  fc.constant('no notation\r\nat all'),
);
const extra = fc.option(
  fc.dictionary(
    fc.constantFrom('colour', 'from', 'nested'),
    fc.jsonValue().filter((v) => !JSON.stringify(v).includes('-0')),
    { minKeys: 1 },
  ),
  { nil: undefined, freq: 3 },
);
const withExtra = <T extends object>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T> =>
  fc
    .tuple(arbitrary, extra)
    .map(([value, own]) => (own ? { ...value, extra: JSON.parse(JSON.stringify(own)) as object } : value));
const by = fc.integer({ min: -9, max: 9 });
const track = withExtra(
  fc.record({
    id: fc.constantFrom('a', 'four-in-turn', 'c3'),
    name: oneLine,
    school: fc.constantFrom(...SCHOOL_IDS),
    text,
    levers: fc.array(
      fc.record({
        lever: fc.record({ kind: fc.constantFrom('rounds' as const, 'rest' as const) }),
        schedule: fc.record({ kind: fc.constant('wave' as const), by, carry: by }),
      }),
      { maxLength: 2 },
    ),
  }),
);
const programme: fc.Arbitrary<ProgrammeDocument> = withExtra(
  fc.record({
    title: oneLine,
    weeks: fc.integer({ min: 4, max: 52 }),
    firstWeekday: fc.integer({ min: 1, max: 7 }),
    lighter: fc.uniqueArray(fc.integer({ min: 1, max: 52 })).map((w) => w.sort((a, b) => a - b)),
    themes: fc.dictionary(fc.constantFrom('1', '4', '7'), fc.constantFrom(...THEMES)),
    tracks: fc.uniqueArray(track, { selector: (t) => t.id, maxLength: 3 }),
    days: fc.uniqueArray(
      withExtra(
        fc.record({
          week: fc.integer({ min: 1, max: 4 }),
          weekday: fc.integer({ min: 1, max: 7 }),
          text,
          theme: fc.option(fc.constantFrom(...THEMES), { nil: undefined }),
          joins: fc.boolean(),
          isPinned: fc.boolean(),
        }),
      ),
      { selector: (d) => d.week * 7 + d.weekday, maxLength: 8 },
    ),
    blocked: fc.array(
      withExtra(
        fc.record({
          date: fc.constantFrom('2026-05-16', '2028-02-29') as fc.Arbitrary<DayDate>,
          words: oneLine,
          rule: fc.constantFrom('no session' as const, 'no hard session' as const),
          uid: fc.option(oneLine, { nil: undefined }),
        }),
      ),
      { maxLength: 3 },
    ),
    guards: fc.record({
      off: fc.subarray([...GUARD_CODES]),
      thresholds: fc.dictionary(fc.constantFrom('load-change', 'monotony'), fc.integer({ min: 1, max: 40 })),
    }),
  }),
).map((p): ProgrammeDocument => ({
  ...p,
  days: p.days
    .map(({ joins, isPinned, theme, ...d }) => ({
      ...d,
      ...(theme && { theme }),
      ...(joins && p.tracks[0] && { track: { id: p.tracks[0].id, week: d.week, isPinned } }),
    }))
    .sort((a, b) => a.week - b.week || a.weekday - b.weekday),
  blocked: p.blocked.map(({ uid, ...b }) => ({ ...b, ...(uid !== undefined && { uid }) })),
}));

describe('a whole programme out and in', () => {
  it('as JSON: without loss, unknown fields included, and valid by the published schema', () => {
    fc.assert(
      fc.property(programme, (p) => {
        const json = formatProgramme(p);
        expect(validate(JSON.parse(json)), JSON.stringify(validate.errors)).toBe(true);
        expect(parseProgramme(json)).toEqual({ status: 'read', programme: p });
      }),
      { numRuns: runs(300) },
    );
  });

  it('as a text bundle: without loss, through a zip file too, and the same bytes each time', () => {
    fc.assert(
      fc.property(programme, (p) => {
        const files = writeBundle(p);
        expect(readBundle(files)).toEqual({ status: 'read', programme: p });
        const read = readBundle(files);
        expect(read.status === 'read' && toProgrammeJson(read.programme)).toEqual(toProgrammeJson(p));
        const zip = zipBundle(files);
        expect(unzipBundle(zip)).toEqual(files);
        expect(zipBundle(files)).toEqual(zip);
      }),
      { numRuns: 200 },
    );
  });

  it('the bundle has one file a session, and reads as a coach would write it', () => {
    const files = writeBundle(
      makeProgramme({ themes: { 1: 'strength' }, guards: { off: ['monotony'], thresholds: { 'load-change': 15 } } }),
    );
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining(['programme.txt', 'tracks/four.txt', 'week-01/1-monday.txt', 'week-04/4-thursday.txt']),
    );
    expect(files['programme.txt']).toContain(
      'Track four: four\nSchool: rounds-and-reps\nrounds: wave 0, carry +1, lighter -1\nreps: wave +1, carry 0, lighter -1\n',
    );
    expect(files['programme.txt']).toContain('Monday: strength\nOff: monotony\nThreshold load-change: 15\n');
    expect(files['programme.txt']).toContain('Day w2d4: track engine week 2\n');
  });
});

describe('files that can’t be taken say where and why', () => {
  const good = () =>
    toProgrammeJson(makeProgramme()) as {
      [key: string]: unknown;
      tracks: Record<string, unknown>[];
      days: Record<string, unknown>[];
      blocked: unknown[];
    };
  const issuesOf = (value: unknown) => {
    const read = readProgrammeValue(value);
    return read.status === 'refused' ? read.issues.map((i) => `${i.path} ${i.message}`) : [];
  };

  it.each([
    ['no JSON', '{', /This is no JSON/],
    ['a list', '[]', /one JSON object/],
    ['another format', '{"format":"x"}', /format is “ysodos-programme”/],
    ['a newer version', '{"format":"ysodos-programme","version":2}', /version is 2; .*up to date/],
  ])('%s', (_name, source, message) => {
    const read = parseProgramme(source);
    expect(read.status === 'refused' ? `${read.issues[0]!.path} ${read.issues[0]!.message}`.trim() : '').toMatch(
      message,
    );
  });

  it('names every field', () => {
    expect(issuesOf({ ...good(), weeks: 99 })).toEqual(['weeks is at most 52.']);
    expect(issuesOf({ ...good(), title: 'two\nlines' })).toEqual(['title has to be one line.']);
    expect(issuesOf({ ...good(), days: [{ week: 1, weekday: 8, text: '' }] })).toEqual([
      'days[0].weekday is at most 7.',
    ]);
    expect(
      issuesOf({
        ...good(),
        days: [
          { week: 1, weekday: 1, text: 'a' },
          { week: 1, weekday: 1, text: 'b' },
        ],
      })[0],
    ).toMatch(/^days\[1\] stands on a day/);
    expect(
      issuesOf({ ...good(), days: [{ week: 4, weekday: 1, text: '', track: { id: 'gone', week: 1 } }] })[0],
    ).toMatch(/no track of this file/);
    expect(issuesOf({ ...good(), weeks: 3 })[0]).toMatch(/has 3 weeks/);
    expect(
      issuesOf({ ...good(), tracks: [{ ...good().tracks[0], levers: ['speed: +1 a week'] }, good().tracks[1]] })[0],
    ).toMatch(/^tracks\[0\]\.levers\[0\] “speed” is nothing that can change/);
    expect(issuesOf({ ...good(), tracks: [good().tracks[0], good().tracks[0], good().tracks[1]] })[0]).toMatch(
      /there twice/,
    );
    expect(issuesOf({ ...good(), blocked: [{ date: '2026-02-30', words: 'x', rule: 'no session' }] })).toEqual([
      'blocked[0].date is a day of the calendar, like 2026-05-16.',
    ]);
    const levers = (count: number) => ({
      ...good(),
      tracks: [
        { ...good().tracks[0], levers: Array.from({ length: count }, () => 'reps: +1 a week') },
        good().tracks[1],
      ],
    });
    expect(issuesOf(levers(31))).toContain('tracks[0].levers are at most 30.');
    expect(issuesOf(levers(30))).not.toContain('tracks[0].levers are at most 30.');
    expect(issuesOf({ ...good(), days: 'none' })).toEqual(['days has the wrong kind of value.']);
    expect(issuesOf({ ...good(), guards: { off: ['nothing'] } })).toEqual(['guards.off[0] is no guard rail.']);
  });

  it('a bundle’s issues name file and line', () => {
    const files = writeBundle(makeProgramme());
    const read = (change: Record<string, string | undefined>) => {
      const result = readBundle(
        Object.fromEntries(
          Object.entries({ ...files, ...change }).filter((e): e is [string, string] => e[1] !== undefined),
        ),
      );
      return result.status === 'refused' ? result.issues.map((i) => `${i.path} ${i.message}`) : [];
    };
    expect(read({ 'programme.txt': undefined })[0]).toMatch(/^programme.txt is missing/);
    expect(read({ 'tracks/four.txt': undefined })[0]).toMatch(/Track four has no file/);
    expect(read({ 'programme.txt': `${files['programme.txt']}Day w9x: pinned\n` })[0]).toMatch(
      /^programme.txt:\d+ “w9x” is no day/,
    );
    expect(read({ 'programme.txt': files['programme.txt']!.replace('reps: wave', 'reps: wobble') })[0]).toMatch(
      /no way to move/,
    );
    expect(read({ 'notes.doc': 'x' })[0]).toMatch(/^notes.doc is no file of a programme/);
    expect(read({ 'week-02/1-monday.txt': undefined })[0]).toMatch(/Day w2d1 has no file/);
  });

  it('what is no zip file is undefined; a folder around all files is taken off', () => {
    expect(unzipBundle(new Uint8Array([1, 2, 3]))).toBeUndefined();
    const files = writeBundle(makeProgramme());
    expect(
      unzipBundle(zipBundle(Object.fromEntries(Object.entries(files).map(([k, v]) => [`my programme/${k}`, v])))),
    ).toEqual(files);
  });
});
