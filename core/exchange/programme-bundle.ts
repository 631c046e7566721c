import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Weekday } from '../calendar/day.ts';
import { dayKey, dayOfWeekFrom, parseDayDate, parseDayKey, weekdayName, WEEKDAYS } from '../calendar/day.ts';
import { isGuardCode } from '../progress/guards/guard.ts';
import { printRule } from '../progress/levers/lever-text.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../progress/programme-document.ts';
import { isTheme } from '../progress/programme-document.ts';
import { parseJson } from './parse-json.ts';
import type { ProgrammeIssue, ReadProgramme } from './programme-json.ts';
import { MAX_PROGRAMME_BYTES, readProgrammeValue } from './programme-json.ts';

/** A programme as files that can be read and mended in any editor, by path. */
export type BundleFiles = Readonly<Record<string, string>>;

const PLAN_FILE = 'programme.txt';
const EXTRA_FILE = 'other-fields.json';
const dayFile = (day: Pick<ProgrammeDay, 'week' | 'weekday'>, first: Weekday): string =>
  `week-${String(day.week).padStart(2, '0')}/${day.weekday}-${weekdayName(day.weekday, first).toLowerCase()}.txt`;
const DAY_FILE = /^week-(\d{2})\/([1-7])-[a-z]+\.txt$/;
const trackFile = (id: string): string => `tracks/${id}.txt`;

/** One file of session text a day, one a track, and `programme.txt` with weeks, themes, levers, pins and blocked days. */
export function writeBundle(programme: ProgrammeDocument): BundleFiles {
  const lines: string[] = [
    '# A programme, one line a thing; sessions stand in files of their own. Lines from # on are remarks.',
    `Programme: ${programme.title}`,
    `Weeks: ${programme.weeks}`,
    ...(programme.firstWeekday === 1 ? [] : [`First day: ${weekdayName(1, programme.firstWeekday)}`]),
    `Lighter: ${programme.lighter.length === 0 ? 'none' : programme.lighter.join(', ')}`,
    ...Object.entries(programme.themes).map(
      ([weekday, theme]) => `${weekdayName(Number(weekday), programme.firstWeekday)}: ${theme}`,
    ),
    ...(programme.guards.off.length > 0 ? [`Off: ${programme.guards.off.join(', ')}`] : []),
    ...Object.entries(programme.guards.thresholds).map(([code, value]) => `Threshold ${code}: ${value}`),
    ...programme.blocked.map(
      (b) =>
        `Blocked ${b.date}, ${b.rule}: ${b.words}${b.uid === undefined ? '' : ` uid=${encodeURIComponent(b.uid)}`}`,
    ),
  ];
  for (const track of programme.tracks)
    lines.push('', `Track ${track.id}: ${track.name}`, `School: ${track.school}`, ...track.levers.map(printRule));
  const noted = programme.days.flatMap((d) => {
    const words = [
      d.track ? `track ${d.track.id} week ${d.track.week}` : '',
      d.track?.isPinned ? 'pinned' : '',
      d.theme ? `theme ${d.theme}` : '',
    ].filter(Boolean);
    return words.length === 0 ? [] : [`Day ${dayKey(d)}: ${words.join(', ')}`];
  });
  if (noted.length > 0) lines.push('', ...noted);
  const files: Record<string, string> = { [PLAN_FILE]: `${lines.join('\n')}\n` };
  for (const track of programme.tracks) files[trackFile(track.id)] = track.text;
  for (const day of programme.days) files[dayFile(day, programme.firstWeekday)] = day.text;
  const extra = collectExtra(programme);
  if (extra) files[EXTRA_FILE] = `${JSON.stringify(extra, null, 2)}\n`;
  return files;
}

interface Extras {
  programme?: object;
  tracks?: Record<string, object>;
  days?: Record<string, object>;
  blocked?: Record<string, object>;
}

function collectExtra({ extra, tracks, days, blocked }: ProgrammeDocument): Extras | undefined {
  const pick = <T extends { extra?: object }>(list: readonly T[], key: (item: T, at: number) => string) =>
    Object.fromEntries(list.flatMap((item, i) => (item.extra ? [[key(item, i), item.extra]] : [])));
  const all: Extras = { ...(extra && { programme: extra }) };
  const [ofTracks, ofDays, ofBlocked] = [
    pick(tracks, (t) => t.id),
    pick(days, (d) => dayKey(d)),
    pick(blocked, (_b, i) => String(i)),
  ];
  if (Object.keys(ofTracks).length > 0) all.tracks = ofTracks;
  if (Object.keys(ofDays).length > 0) all.days = ofDays;
  if (Object.keys(ofBlocked).length > 0) all.blocked = ofBlocked;
  return Object.keys(all).length > 0 ? all : undefined;
}

/** Reads a bundle's files; what can't be read is named by file and line. */
export function readBundle(files: BundleFiles): ReadProgramme {
  const plan = files[PLAN_FILE];
  if (plan === undefined)
    return {
      status: 'refused',
      issues: [{ path: PLAN_FILE, message: 'is missing; it says how many weeks there are and how tracks progress.' }],
    };
  const issues: ProgrammeIssue[] = [];
  const raw: Record<string, unknown> & {
    firstWeekday?: Weekday;
    themes: Record<string, string>;
    tracks: { id: string; name: string; school?: string; levers: string[]; text: string }[];
    blocked: object[];
    guards: { off: string[]; thresholds: Record<string, number> };
  } = {
    format: 'ysodos-programme',
    version: 1,
    lighter: [],
    themes: {},
    tracks: [],
    blocked: [],
    guards: { off: [], thresholds: {} },
  };
  const notes = new Map<string, Record<string, unknown>>();
  for (const [i, line] of plan.split(/\r\n|\n|\r/).entries()) {
    if (line.trim() === '' || line.startsWith('#')) continue;
    const message = readPlanLine(line.trim(), raw, notes, files);
    if (message) issues.push({ path: `${PLAN_FILE}:${i + 1}`, message });
  }
  const days: Record<string, unknown>[] = [];
  for (const [path, text] of Object.entries(files)) {
    const found = DAY_FILE.exec(path);
    if (!found) {
      if (path !== PLAN_FILE && path !== EXTRA_FILE && !path.startsWith('tracks/') && !path.endsWith('/'))
        issues.push({ path, message: 'is no file of a programme; session files are named like week-01/1-monday.txt.' });
      continue;
    }
    const place = { week: Number(found[1]), weekday: Number(found[2]) };
    days.push({ ...place, ...notes.get(dayKey(place)), text });
    notes.delete(dayKey(place));
  }
  for (const key of notes.keys()) issues.push({ path: PLAN_FILE, message: `Day ${key} has no file of its own.` });
  const extra = readExtra(files[EXTRA_FILE], issues);
  if (issues.length > 0) return { status: 'refused', issues };
  const withExtra = (
    list: readonly object[],
    own: Record<string, object> | undefined,
    key: (item: never, at: number) => string,
  ) => list.map((item, i) => ({ ...own?.[key(item as never, i)], ...item }));
  return readProgrammeValue({
    ...extra.programme,
    ...raw,
    tracks: withExtra(raw.tracks, extra.tracks, (t: { id: string }) => t.id),
    days: withExtra(days, extra.days, (d: { week: number; weekday: number }) => dayKey(d)),
    blocked: withExtra(raw.blocked, extra.blocked, (_b, i) => String(i)),
  });
}

function readExtra(source: string | undefined, issues: ProgrammeIssue[]): Extras {
  if (source === undefined) return {};
  const read = parseJson(source);
  if (read.status === 'read') return read.value ?? {};
  issues.push({ path: EXTRA_FILE, message: 'is no JSON; remove the file if you don’t need what is in it.' });
  return {};
}

type RawPlan = Parameters<typeof readPlanLine>[1];

/** Takes one line of programme.txt; gives what is wrong with it. */
function readPlanLine(
  line: string,
  raw: Record<string, unknown> & {
    firstWeekday?: Weekday;
    themes: Record<string, string>;
    tracks: { id: string; name: string; school?: string; levers: string[]; text: string }[];
    blocked: object[];
    guards: { off: string[]; thresholds: Record<string, number> };
  },
  notes: Map<string, Record<string, unknown>>,
  files: BundleFiles,
): string | undefined {
  const colon = line.indexOf(':');
  if (colon < 0) return 'A line says what it is about, a colon, and its value.';
  const [key, value] = [line.slice(0, colon).trim(), line.slice(colon + 1).trim()];
  const track = raw.tracks.at(-1);
  const weekday = WEEKDAYS.findIndex((w) => w === key);
  if (weekday >= 0) {
    if (!isTheme(value)) return `“${value}” is no theme.`;
    raw.themes[dayOfWeekFrom(weekday + 1, raw.firstWeekday ?? 1)] = value;
    return undefined;
  }
  switch (key.split(' ')[0]) {
    case 'Programme':
      raw.title = value;
      return undefined;
    case 'Weeks':
      raw.weeks = /^\d{1,3}$/.test(value) ? Number(value) : value;
      return undefined;
    case 'First': {
      const first = WEEKDAYS.findIndex((w) => w === value) + 1;
      if (key !== 'First day' || first === 0) return `“${line}” names no weekday; write it like “First day: Monday”.`;
      if (Object.keys(raw.themes).length > 0) return 'The first day stands before what the weekdays are for.';
      raw.firstWeekday = first;
      return undefined;
    }
    case 'Lighter':
      raw.lighter = value === 'none' || value === '' ? [] : value.split(',').map((w) => Number(w.trim()));
      return undefined;
    case 'Off':
      raw.guards.off = value
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean);
      return undefined;
    case 'Threshold': {
      const code = key.slice(10);
      if (!isGuardCode(code) || !Number.isFinite(Number(value))) return 'A threshold names a guard rail and a number.';
      raw.guards.thresholds[code] = Number(value);
      return undefined;
    }
    case 'Blocked':
      return readBlocked(key.slice(8), value, raw);
    case 'Track': {
      const id = key.slice(6).trim();
      raw.tracks.push({ id, name: value, levers: [], text: files[trackFile(id)] ?? '' });
      return files[trackFile(id)] === undefined ? `Track ${id} has no file ${trackFile(id)}.` : undefined;
    }
    case 'School':
      if (!track) return 'A way of progressing (School) belongs below its track.';
      track.school = value;
      return undefined;
    case 'Day':
      return readDayNote(key.slice(4).trim(), value, notes);
    default:
      if (!track) return `“${key}” is nothing that a programme has; what changes belongs below its track.`;
      track.levers.push(line);
      return undefined;
  }
}

function readBlocked(about: string, value: string, raw: Pick<RawPlan, 'blocked'>): string | undefined {
  const [date = '', ...rule] = about.split(',').map((w) => w.trim());
  if (parseDayDate(date) !== date) return `“${date}” is no day; write it like 2026-05-16.`;
  const uid = / uid=(\S+)$/.exec(value);
  raw.blocked.push({
    date,
    rule: rule.join(', '),
    words: uid ? value.slice(0, uid.index) : value,
    ...(uid && { uid: decodeURIComponent(uid[1]!) }),
  });
  return undefined;
}

function readDayNote(key: string, value: string, notes: Map<string, Record<string, unknown>>): string | undefined {
  if (!parseDayKey(key)) return `“${key}” is no day; write it like w3d1 for Monday of week 3.`;
  const note: Record<string, unknown> & { track?: { id: string; week: number; pinned: boolean } } = {};
  for (const words of value.split(',').map((w) => w.trim())) {
    const track = /^track (\S+) week (\d{1,2})$/.exec(words);
    if (track) note.track = { id: track[1]!, week: Number(track[2]), pinned: false };
    else if (words === 'pinned' && note.track) note.track.pinned = true;
    else if (words.startsWith('theme ')) note.theme = words.slice(6);
    else return `“${words}” says nothing about a day; write “track ID week N”, “pinned” or “theme NAME”.`;
  }
  notes.set(key, note);
  return undefined;
}

/** The bundle as one zip file, the same bytes for the same programme. */
export const zipBundle = (files: BundleFiles): Uint8Array =>
  zipSync(
    Object.fromEntries(
      Object.entries(files).map(([path, text]) => [
        path,
        [strToU8(text), { mtime: new Date(1980, 0, 1, 12), level: 6 as const }],
      ]),
    ),
  );

/** Reads a zip file; undefined where it is none, or unpacks to more than a programme is. Folders around all files are taken off. */
export function unzipBundle(bytes: Uint8Array): BundleFiles | undefined {
  try {
    let total = 0;
    const entries = unzipSync(bytes, {
      filter: (file) => {
        total += file.originalSize;
        return total <= MAX_PROGRAMME_BYTES;
      },
    });
    if (total > MAX_PROGRAMME_BYTES) return undefined;
    const paths = Object.keys(entries);
    const plan = paths.find((p) => p === PLAN_FILE || p.endsWith(`/${PLAN_FILE}`));
    const folder = plan?.slice(0, -PLAN_FILE.length) ?? '';
    return Object.fromEntries(
      paths
        .filter((p) => p.startsWith(folder) && !p.endsWith('/'))
        .map((p) => [p.slice(folder.length), strFromU8(entries[p]!)]),
    );
  } catch {
    return undefined;
  }
}
