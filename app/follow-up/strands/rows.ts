import type { DayPlace } from '../../../core/calendar/day-place.ts';
import type { AttentionCode } from '../../../core/record/attention/attention-rules.ts';
import { unpackStrand } from '../../../core/record/adherence/packed-strand.ts';
import type { Attendance } from '../../../core/record/adherence/strand.ts';
import { attendanceRatio } from '../../../core/record/adherence/strand.ts';
import type { StrandDay } from '../../charts/strand-row.tsx';
import { packLines, unpackLines } from '../../parts/packed-lines.ts';

export interface Row {
  readonly id: number;
  readonly name: string;
  readonly team: string;
  readonly zone: string;
  /** The lowest level that was set for them; 0: none was. */
  readonly level: number;
  readonly strand: string;
  readonly attendance: Attendance;
  readonly inARow: number;
  /** How much they need a word; 0: not at all. */
  readonly need: number;
  readonly isHere: boolean;
}

/** What the page carries of each person, in one text for all of them. */
export const packRows = (rows: readonly Row[], zones: readonly string[]): string =>
  packLines(
    rows.map((r) => [
      r.id,
      r.name,
      r.team,
      zones.indexOf(r.zone),
      r.level,
      r.strand,
      r.attendance.done,
      r.attendance.due,
      r.inARow,
      r.need,
      Number(r.isHere),
    ]),
  );

export const unpackRows = (packed: string, zones: readonly string[]): Row[] =>
  unpackLines(packed).map(([id, name, team, zone, level, strand, done, due, inARow, need, isHere]) => ({
    id: Number(id),
    name: name!,
    team: team!,
    zone: zones[Number(zone)] ?? '',
    level: Number(level),
    strand: strand!,
    attendance: { done: Number(done), due: Number(due), ratio: attendanceRatio(Number(done), Number(due)) },
    inARow: Number(inARow),
    need: Number(need),
    isHere: isHere === '1',
  }));

/** A day of the programme, as the page carries it. */
export interface GridDay extends DayPlace {
  readonly dayId: number;
}

export const strandDays = (row: Row, days: readonly GridDay[]): StrandDay[] =>
  unpackStrand(row.strand).map((mark, i) => ({ ...days[i]!, ...mark }));

/** What asks for a word about someone. */
export interface NeedItem {
  readonly id: number;
  readonly code: AttentionCode;
  readonly why: string;
  /** The same, said to them. */
  readonly toThem: string;
  /** Keys of the days that it rests on, and what is to be said of each. */
  readonly evidence: readonly (readonly [dayKey: string, words: string])[];
  readonly occasion: string;
}

export const packItems = (items: readonly NeedItem[]): string =>
  packLines(items.map((i) => [i.id, i.code, i.occasion, i.why, i.toThem, ...i.evidence.flat()]));

export const unpackItems = (packed: string): NeedItem[] =>
  unpackLines(packed).map(([id, code, occasion, why, toThem, ...cells]) => ({
    id: Number(id),
    code: code as AttentionCode,
    occasion: occasion!,
    why: why!,
    toThem: toThem!,
    evidence: cells.flatMap((key, i) => (i % 2 === 0 ? [[key, cells[i + 1]!] as const] : [])),
  }));

export const SORTS = ['need', 'attendance', 'name', 'team'] as const;
export type Sort = (typeof SORTS)[number];
export const STATES = ['word', 'open', 'logged', 'gone'] as const;
export type StateFilter = (typeof STATES)[number];

export interface Filter {
  readonly words: string;
  readonly team: string;
  readonly zone: string;
  readonly level: string;
  readonly state: StateFilter | undefined;
}

export const filterOf = (search: URLSearchParams): Filter => ({
  words: (search.get('q') ?? '').trim().toLowerCase(),
  team: search.get('team') ?? '',
  zone: search.get('zone') ?? '',
  level: search.get('level') ?? '',
  state: STATES.find((s) => s === search.get('state')),
});

/** Letters of packed states of a day that is someone's today. */
const isOpen = (row: Row): boolean => row.strand.includes('u');

function isIn(row: Row, { words, team, zone, level, state }: Filter): boolean {
  if (words !== '' && !`${row.name} ${row.team}`.toLowerCase().includes(words)) return false;
  if (team !== '' && row.team !== team) return false;
  if (zone !== '' && row.zone !== zone) return false;
  if (level !== '' && String(row.level) !== level) return false;
  switch (state) {
    case 'word':
      return row.need > 0;
    case 'open':
      return isOpen(row);
    case 'logged':
      return !isOpen(row) && row.isHere;
    case 'gone':
      return !row.isHere;
    case undefined:
      return true;
  }
}

/** By name they come from the server; sorting is stable, so that names decide among equals. */
export function arrangeRows(rows: readonly Row[], filter: Filter, sort: Sort): readonly Row[] {
  const shown = rows.filter((row) => isIn(row, filter));
  switch (sort) {
    case 'need':
      return shown.sort((a, b) => b.need - a.need || (a.attendance.ratio ?? 2) - (b.attendance.ratio ?? 2));
    case 'attendance':
      return shown.sort((a, b) => (a.attendance.ratio ?? 2) - (b.attendance.ratio ?? 2));
    case 'name':
      return shown;
    case 'team':
      return shown.sort((a, b) => (a.team < b.team ? -1 : a.team > b.team ? 1 : 0));
  }
}
