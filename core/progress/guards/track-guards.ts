import { groupBy } from '../../group-by.ts';
import type { ReadTrack } from '../track/build-track.ts';
import { trackPulls } from '../track/build-track.ts';
import type { Lever } from '../levers/lever.ts';
import { isSameLever } from '../levers/lever.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import type { Pull } from '../track/schedule.ts';
import type { Guard } from './guard.ts';

/** Levers that make a session harder from one week that isn't lighter to the next, so many as the threshold at a time, or more. */
export function findLeversAtOnce(
  programme: ProgrammeDocument,
  tracks: readonly ReadTrack[],
  threshold: number,
): Guard[] {
  const isLighter = new Set(programme.lighter);
  return tracks.flatMap((read) => {
    const byWeek = groupBy(
      programme.days.filter((d) => d.track?.id === read.track.id),
      (d) => d.track!.week,
    );
    const used = [...byWeek.keys()].filter((w) => !isLighter.has(w)).sort((a, b) => a - b);
    const pullsOf = used.map((week) => trackPulls(read, week, programme.lighter));
    return used.slice(1).flatMap((week, i): Guard[] => {
      const [before, now] = [pullsOf[i]!, pullsOf[i + 1]!];
      const byOf = (pulls: readonly Pull[], lever: Lever) => pulls.find((p) => isSameLever(p.lever, lever))?.by ?? 0;
      const levers = [...now, ...before.filter((b) => byOf(now, b.lever) === 0)]
        .map((p) => p.lever)
        .filter((l) => l.kind !== 'effort');
      const harder = levers.filter((lever) =>
        lever.kind === 'rest' ? byOf(now, lever) < byOf(before, lever) : byOf(now, lever) > byOf(before, lever),
      );
      const kinds = [...new Set(harder.map((l) => l.kind))];
      if (kinds.length < threshold) return [];
      const days = byWeek.get(week)!;
      return [
        {
          code: 'levers-at-once',
          weeks: [...new Set(days.map((d) => d.week))],
          places: days.map(({ week: w, weekday }) => ({ week: w, weekday })),
          threshold,
          track: read.track.name,
          levers: kinds,
        },
      ];
    });
  });
}
