import type { Figure } from '../figure.ts';
import { readFigure } from '../read-poses.ts';
import { FLOOR } from './floor.ts';
import { JUMPS } from './jumps.ts';
import { LEGS } from './legs.ts';
import { MOBILITY } from './mobility.ts';
import { NAMED_POSES } from './named.ts';
import { UPPER } from './upper.ts';

/** The rows of all tables: what each movement's drawing says, or the movement that it is drawn as. */
function readRows(): ReadonlyMap<string, string> {
  const rows = new Map<string, string>();
  for (const line of [LEGS, FLOOR, UPPER, JUMPS, MOBILITY].join('\n').split('\n')) {
    const [, id, sign, rest] = /^([a-z0-9-]+)( =|:) (.+)$/.exec(line) ?? [];
    if (!id || !sign || !rest) continue;
    if (rows.has(id)) throw new RangeError(`${id} is drawn twice`);
    rows.set(id, sign === ':' ? rest : `=${rest}`);
  }
  return rows;
}

let rows: ReadonlyMap<string, string> | undefined;
const read = new Map<string, Figure | undefined>();

/** The drawing of a movement of the shelf; undefined where none was made. */
export function drawnFigure(id: string): Figure | undefined {
  if (read.has(id)) return read.get(id);
  const row = (rows ??= readRows()).get(id);
  const figure =
    row === undefined ? undefined : row.startsWith('=') ? drawnFigure(row.slice(1)) : readFigure(row, NAMED_POSES);
  read.set(id, figure);
  return figure;
}
