import { asCounted } from '../../document/option.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { SessionDocument } from '../../document/document.ts';
import { formOf } from '../../forms/forms.ts';
import { leversOf, readLever } from '../levers/apply-lever.ts';
import type { Lever, LeverKind } from '../levers/lever.ts';
import type { LeverRule } from './schedule.ts';

/** Ways of making a session harder. Which is best is disputed (docs/formulas.md 1, common practice): each says when to choose it, and what it is not for. */
export const SCHOOL_IDS = ['rounds-and-reps', 'density', 'load', 'shape', 'own-number', 'by-feel'] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

export interface School {
  readonly id: SchoolId;
  readonly name: string;
  readonly means: string;
  readonly chooseWhen: string;
  readonly notFor: string;
  /** The levers that it takes first, in its order. */
  readonly kinds: readonly LeverKind[];
}

export const SCHOOLS: readonly School[] = [
  {
    id: 'rounds-and-reps',
    name: 'Rounds and reps first',
    means:
      'The same weights and shapes, more of it: a rep or so a week, and after each lighter week a round more, with the reps back where they began.',
    chooseWhen:
      'Choose it when people have what they have: no new kit is needed, and 10 to 12 reps are a fifth more where 20 to 22 kg are a tenth.',
    notFor: 'Not for sessions that are full: more reps don’t fit a minute that has no rest left.',
    kinds: ['reps', 'rounds'],
  },
  {
    id: 'density',
    name: 'Density first',
    means: 'The same work in less time: rests get shorter, or turns do, down to a floor.',
    chooseWhen: 'Choose it when the length is fixed by a break or a timetable, and breathing is what you train.',
    notFor:
      'Not for heavy or new movements, which need their rest; and 20/10 and 40/20 are equally dense, so look at the work beside it.',
    kinds: ['rest', 'clock'],
  },
  {
    id: 'load',
    name: 'Load first',
    means: 'Reps grow to a ceiling, then the weight goes up a little and the reps start again.',
    chooseWhen:
      'Choose it when people own several weights or a bar, and every rep is a clean one: two reps over goal in the last set, two sessions running, is the usual sign.',
    notFor:
      'Not for one bottle of water in a hotel, and not while the form is new. Gains over eight weeks were alike with reps alone (Plotkin 2022, from memory).',
    kinds: ['load', 'reps'],
  },
  {
    id: 'shape',
    name: 'Harder shape first',
    means: 'The same count of the next step on the movement’s ladder, after each lighter week.',
    chooseWhen: 'Choose it without kit, when the form holds to the last rep: knees to toes, two legs to one.',
    notFor:
      'Not for comparing scores: another shape is another number. And not for rounds for time, where form goes first.',
    kinds: ['shape'],
  },
  {
    id: 'own-number',
    name: 'Beat your own number',
    means: 'The session stays as it is; what grows is each person’s own score. Lighter weeks do a round less.',
    chooseWhen:
      'Choose it for sessions with a score, met again every week or every third, and for groups far apart in strength.',
    notFor: 'Not for mobility, or where a number would hurry what should be slow.',
    kinds: [],
  },
  {
    id: 'by-feel',
    name: 'By feel',
    means: 'Nothing is owed and nothing grows: everyone picks within what is written.',
    chooseWhen: 'Choose it for the day after a hard one, for travel weeks, and for people coming back.',
    notFor: 'Not as the only kind of day, if something is to get better.',
    kinds: [],
  },
];

export const findSchool = (id: SchoolId): School => SCHOOLS.find((s) => s.id === id)!;

/** What the work of a session grows by first, as its forms say: one lever a form, each once. */
export function growth(document: SessionDocument): { readonly lever: LeverKind; readonly by: number }[] {
  const found = new Map<LeverKind, number>();
  for (const block of document.blocks) {
    if (block.source || block.role === 'Warm-up' || block.role === 'Cool-down') continue;
    const first = formOf(block.time).levers.growsBy[0];
    if (first && !found.has(first.lever)) found.set(first.lever, first.by);
  }
  return [...found].map(([lever, by]) => ({ lever, by }));
}

/**
 * The levers that a school begins with in a given session; only those that the session has something for. One lever
 * moves at a time. A session that offers none of them gives an empty list.
 */
export function schoolLevers(id: SchoolId, document: SessionDocument, library: MovementLibrary): LeverRule[] {
  const has = (lever: Lever) => readLever(document, lever, library) !== undefined;
  const fewerRounds: LeverRule[] = has({ kind: 'rounds' })
    ? [{ lever: { kind: 'rounds' }, schedule: { kind: 'wave', by: 0, carry: 0 }, lighterBy: -1 }]
    : [];
  const easier: LeverRule[] = has({ kind: 'effort' })
    ? [{ lever: { kind: 'effort' }, schedule: { kind: 'wave', by: 0, carry: 0 }, lighterBy: -2 }]
    : [];
  switch (id) {
    case 'rounds-and-reps': {
      const size: LeverRule[] = growth(document)
        .filter(({ lever }) => lever !== 'reps' && has({ kind: lever }))
        .map(({ lever, by }) => ({
          lever: { kind: lever },
          schedule: { kind: 'wave', by: 0, carry: by },
          lighterBy: -by,
        }));
      const reps: LeverRule[] = has({ kind: 'reps' })
        ? [{ lever: { kind: 'reps' }, schedule: { kind: 'wave', by: 1, carry: 0 }, lighterBy: -1 }]
        : [];
      const work: LeverRule[] =
        reps.length === 0 && has({ kind: 'work' })
          ? [{ lever: { kind: 'work' }, schedule: { kind: 'wave', by: 5, carry: 0 }, lighterBy: -5 }]
          : [];
      return [...size, ...reps, ...work, ...easier];
    }
    case 'density': {
      const slots = document.blocks.some((b) => formOf(b.time).rule.slot(b.time) !== null);
      const dense: LeverRule[] = has({ kind: 'rest' })
        ? [{ lever: { kind: 'rest' }, schedule: { kind: 'each-week', by: -5 }, lighterBy: 0 }]
        : slots
          ? [{ lever: { kind: 'clock' }, schedule: { kind: 'each-week', by: -5 }, lighterBy: 0 }]
          : has({ kind: 'reps' })
            ? [{ lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: 1 }, lighterBy: 0 }]
            : [];
      return [...dense, ...fewerRounds, ...easier];
    }
    case 'load': {
      const named = document.blocks.flatMap((b) =>
        b.items.flatMap((item) => {
          const own = item.kind === 'work' ? asCounted(item) : undefined;
          return own?.load &&
            own.load.kind !== 'effort' &&
            own.dose?.kind === 'reps' &&
            own.dose.amount.kind === 'fixed'
            ? [{ of: own.choices[0]!.name, from: own.dose.amount.value, isShare: own.load.kind === 'share' }]
            : [];
        }),
      );
      const seen = new Set<string>();
      const doubles = named
        .filter(({ of }) => !seen.has(of) && seen.add(of))
        .map(({ of, from, isShare }): LeverRule => ({
          lever: { kind: 'reps', of },
          schedule: { kind: 'double', ceiling: from + (from >= 8 ? 4 : 2), loadBy: isShare ? 5 : 2 },
        }));
      return [
        ...(doubles.length > 0
          ? doubles
          : has({ kind: 'load' })
            ? [{ lever: { kind: 'load' as const }, schedule: { kind: 'wave' as const, by: 0, carry: 2 } }]
            : []),
        ...fewerRounds,
        ...easier,
      ];
    }
    case 'shape':
      return [
        ...(has({ kind: 'shape' })
          ? [{ lever: { kind: 'shape' as const }, schedule: { kind: 'wave' as const, by: 0, carry: 1 }, lighterBy: 0 }]
          : []),
        ...fewerRounds,
        ...easier,
      ];
    case 'own-number':
      return [...fewerRounds, ...easier];
    case 'by-feel':
      return [];
  }
}

/** Whether a session offers what a school takes hold of. */
export const schoolFits = (school: School, document: SessionDocument, library: MovementLibrary): boolean =>
  school.kinds.length === 0 || leversOf(document, school.kinds, library).length > 0;
