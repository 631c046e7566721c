/** How someone stands on boards: by name, under another, or not at all. */
export const BOARD_NAMES = ['name', 'alias', 'out'] as const;
export type BoardName = (typeof BOARD_NAMES)[number];

/** Someone as boards count them. */
export interface BoardPerson {
  readonly id: number;
  readonly name: string;
  readonly team: string;
  readonly board: BoardName;
  readonly alias: string;
  /** Days kept: sessions done of those due. */
  readonly kept: number;
  readonly due: number;
}

/** A place on a board; those who are equal share it, and the next ones follow behind all of them (1, 2, 2, 4). */
export interface Placed<T> {
  readonly place: number;
  /** Others have the same amount, and so the same place. */
  readonly isShared: boolean;
  readonly of: T;
}

/** In order, most first, with shared places; equals stand in the order of `byName`. */
export function placeAll<T>(
  items: readonly T[],
  amount: (item: T) => number,
  byName: (item: T) => string,
): Placed<T>[] {
  const sorted = items.toSorted(
    (a, b) => amount(b) - amount(a) || (byName(a) < byName(b) ? -1 : byName(a) > byName(b) ? 1 : 0),
  );
  const isLike = (of: T, other: T | undefined) => other !== undefined && amount(of) === amount(other);
  let place = 0;
  return sorted.map((of, i) => {
    const isLikeBefore = isLike(of, sorted[i - 1]);
    if (!isLikeBefore) place = i + 1;
    return { place, isShared: isLikeBefore || isLike(of, sorted[i + 1]), of };
  });
}

export interface TeamRow {
  readonly team: string;
  readonly members: number;
  readonly kept: number;
  /** Days kept a member: big teams have no advantage. Places go by it as it is; it is shown to a tenth. */
  readonly mean: number;
  /** Repetitions of the shared total that it gave. */
  readonly shared: number;
}

/** Teams by days kept a member. Who wants to be on no board counts with their team all the same, unnamed. People without a team are none. */
export function teamBoard(
  people: readonly BoardPerson[],
  sharedOf: ReadonlyMap<number, number> = new Map(),
): Placed<TeamRow>[] {
  const teams = new Map<string, { members: number; kept: number; shared: number }>();
  for (const { team, kept, id } of people) {
    if (team === '') continue;
    const own = teams.get(team) ?? { members: 0, kept: 0, shared: 0 };
    own.members++;
    own.kept += kept;
    own.shared += sharedOf.get(id) ?? 0;
    teams.set(team, own);
  }
  const rows = [...teams].map(([team, t]): TeamRow => ({
    team,
    ...t,
    mean: t.kept / t.members,
  }));
  return placeAll(
    rows,
    (r) => r.mean,
    (r) => r.team,
  );
}

/** What someone is called on a board; undefined where they want to be on none. */
export const boardName = ({ board, alias, name }: Pick<BoardPerson, 'board' | 'alias' | 'name'>): string | undefined =>
  board === 'out' ? undefined : board === 'alias' && alias !== '' ? alias : name;

/** People by days kept, not by the size of a score. Places are given among those who are shown. */
export const personBoard = (people: readonly BoardPerson[]): Placed<BoardPerson & { readonly shown: string }>[] =>
  placeAll(
    people.flatMap((p) => {
      const shown = boardName(p);
      return shown === undefined ? [] : [{ ...p, shown }];
    }),
    (p) => p.kept,
    (p) => p.shown,
  );
