import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeProgramme } from '../progress/programme-fixture.ts';
import { readBundle, unzipBundle, writeBundle, zipBundle } from './programme-bundle.ts';
import { readEditsJson } from './programme-edit-json.ts';
import { parseProgramme, readProgrammeValue } from './programme-json.ts';
import { toProgrammeJson } from './writing/write-programme.ts';
import { readCalendar } from './read-calendar.ts';
import { runs } from '../../tests/long.ts';

const programme = makeProgramme();
const json = toProgrammeJson(programme);
type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/** A value with one place in it replaced by another one, or taken out. */
function damage(value: Json, path: readonly number[], by: Json | undefined): Json | undefined {
  const [at, ...rest] = path;
  if (at === undefined || value === null || typeof value !== 'object') return by;
  const isList = Array.isArray(value);
  const keys = Object.keys(value);
  if (keys.length === 0) return by;
  const key = keys[at % keys.length]!;
  const next = damage((value as Record<string, Json>)[key]!, rest, by);
  const entries = Object.entries(value as Record<string, Json>).flatMap(([k, v]): [string, Json][] =>
    k !== key ? [[k, v]] : next === undefined ? [] : [[k, next]],
  );
  return isList ? entries.map(([, v]) => v) : Object.fromEntries(entries);
}
const path = fc.array(fc.nat(40), { minLength: 1, maxLength: 5 });
const other = fc.option(fc.jsonValue({ maxDepth: 2 }) as fc.Arbitrary<Json>, { nil: undefined });

describe('files that someone edited by hand, or that are something else', () => {
  it('a programme’s JSON is read or refused with every issue in words, never half', () => {
    fc.assert(
      fc.property(path, other, (where, by) => {
        const read = readProgrammeValue(damage(json as Json, where, by));
        if (read.status === 'refused') {
          expect(read.issues.length).toBeGreaterThan(0);
          for (const issue of read.issues) expect(issue.message).toMatch(/\S/);
        } else expect(readProgrammeValue(toProgrammeJson(read.programme))).toEqual(read);
      }),
      { numRuns: runs(1500) },
    );
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (source) => {
        expect(parseProgramme(source).status).toBe('refused');
      }),
    );
  });

  it('a text bundle too: what is read is written back the same', () => {
    const files = writeBundle(programme);
    const names = Object.keys(files);
    const words = fc.constantFrom(
      '',
      ':',
      'Track',
      'Day w1d1: pinned',
      'Lighter: x',
      'Blocked 2026-02-30, no session: x',
      'Threshold monotony: 3',
      'week',
      '12',
      'reps: wave +1',
      '\r',
      '# no comment',
    );
    fc.assert(
      fc.property(
        fc.nat(names.length - 1),
        fc.nat(60),
        words,
        fc.constantFrom('in' as const, 'instead' as const, 'out' as const),
        (file, line, put, how) => {
          const name = names[file]!;
          const lines = files[name]!.split('\n');
          const at = line % lines.length;
          lines.splice(at, how === 'in' ? 0 : 1, ...(how === 'out' ? [] : [put]));
          const read = readBundle({ ...files, [name]: lines.join('\n') });
          if (read.status === 'read') expect(readBundle(writeBundle(read.programme))).toEqual(read);
          else for (const issue of read.issues) expect(`${issue.path} ${issue.message}`).toMatch(/^\S+ .*\S/);
        },
      ),
      { numRuns: runs(1000) },
    );
  });

  it('bytes that are no zip file, or one cut off or changed, give nothing or files, and no exception', () => {
    const zip = zipBundle(writeBundle(programme));
    fc.assert(
      fc.property(
        fc.oneof(
          fc.uint8Array({ maxLength: 200 }),
          fc.nat(zip.length).map((n) => zip.slice(0, n)),
          fc.tuple(fc.nat(zip.length - 1), fc.nat(255)).map(([at, byte]) => zip.map((b, i) => (i === at ? byte : b))),
        ),
        (bytes) => {
          const files = unzipBundle(bytes);
          if (files) expect(['read', 'refused']).toContain(readBundle(files).status);
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('edits that no screen makes are refused in words', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc
            .array(
              fc.record({
                kind: fc.constantFrom('set-track', 'move-day', 'shift', 'replace', 'set-blocked', 'nothing'),
              }),
              { minLength: 1 },
            )
            .map((v) => JSON.stringify(v)),
        ),
        (source) => {
          const read = readEditsJson(source);
          expect('message' in read ? read.message : '').toMatch(/can’t be read/);
        },
      ),
      { numRuns: runs(500) },
    );
  });

  it('a calendar’s text is read or told to be none', () => {
    const good =
      'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART;VALUE=DATE:20260516\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nSUMMARY:Concert\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n';
    const span = { from: '2026-05-04', to: '2026-06-28', timeZone: 'Europe/Vienna' } as never;
    fc.assert(
      fc.property(
        fc.nat(good.length),
        fc.nat(12),
        fc.oneof(
          fc.string(),
          fc.constantFrom('\r\n', 'BEGIN:VEVENT\r\n', ';TZID=Nowhere/At', 'DTEND:2026', 'RRULE:FREQ=SECONDLY\r\n'),
        ),
        (at, gone, put) => {
          const read = readCalendar(good.slice(0, at) + put + good.slice(at + gone), span);
          expect(read.status === 'read' || read.message.length > 10).toBe(true);
        },
      ),
      { numRuns: runs(600) },
    );
  });
});
