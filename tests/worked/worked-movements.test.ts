import { describe, expect, test } from 'vitest';
import { standInOrder } from '../../core/movement/fit-movement.ts';
import { laddersWith } from '../../core/movement/ladders-with.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import type { Movement } from '../../core/movement/movement.ts';
import { JOINTS } from '../../core/movement/movement.ts';
import { applyModifiers } from '../../core/movement/name/apply-modifiers.ts';
import { everyReading } from '../../core/movement/name/every-reading-fixture.ts';
import { suggestMovement, toQuick } from '../../core/movement/quick-movement.ts';
import { MODIFIERS } from '../../core/movement/name/modifiers.ts';

const { movements } = baseLibrary;

/** A movement in figures: class, seconds, demands with impact and noise, what it is. */
const figures = (m: Movement) =>
  `${m.pattern} ${m.position}${m.isOnFloor ? ' floor' : ''}${m.isHold ? ' held' : ''}${m.isOneSided ? ' one side' : ''}${m.isOverhead ? ' overhead' : ''} class ${m.effortClass} ${m.paceSec.low}/${m.paceSec.likely}/${m.paceSec.high} s ${JOINTS.map((j) => m.demand[j]).join('')} ${m.impact}${m.noise} [${m.kit.join(', ')}]`;

/** Worked movements: what each modifier does to heads of its kinds, and where movements lead, kept as text (see worked-sessions). */
describe('worked movements', () => {
  test('modifiers: on one head of each kind that takes them: by pattern, held or counted, landing or not, with kit or without', async () => {
    const told = MODIFIERS.filter((m) => m.family !== 'empty').flatMap((modifier) => {
      const takers = movements.filter((m) => modifier.takes(m));
      const byKind = new Map(
        takers.map((m) => [`${m.pattern} ${m.isHold} ${m.impact > 0} ${m.kit.length > 0} ${m.isOneSided}`, m]),
      );
      return [
        `# ${modifier.id}: ${takers.length} take it; ${modifier.says}`,
        ...[...byKind.values()].map((m) => `${m.name}: ${figures(applyModifiers(m, [modifier]))}`),
      ];
    });
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot('./movements/modifiers.txt');
  });
  test('suggestions: for names that nothing is known of, but for one word', async () => {
    const WORDS =
      'stretch pose opener release breath relax hold hang balance stand sit jump hop leap skip bound run sprint walk crawl march step shuffle drill squat lunge row pull curl press raise fly push dip twist rotation chop turn plank crunch sit-up core flag carry bridge hinge lift swing circle roll mobility'.split(
        ' ',
      );
    const told = [...WORDS, 'nothing'].map((word) => {
      const m = suggestMovement(`zorbal ${word}`, baseLibrary);
      return `${m.name}: ${figures(m)} | ${JSON.stringify(toQuick(m).asks)}`;
    });
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot('./movements/suggestions.txt');
  });
  test('ladders: of each movement that the shelf has none for, and of one reading in forty', async () => {
    const alone = movements.filter((m) => !baseLibrary.ladders.some((l) => l.steps.some((s) => s.movementId === m.id)));
    const read = everyReading(1, { oneIn: 40 }).map((r) => r.movement);
    const told = [...alone, ...read].map((m) => {
      const [ladder] = laddersWith(m, baseLibrary);
      const order = standInOrder(m, baseLibrary).slice(0, 3);
      return `${m.name}: ${ladder ? ladder.steps.map((s) => `${s.movementId} (${s.change})`).join(' > ') : 'none'} | ${order.map((c) => `${c.how} ${c.movement.id}`).join(', ')}`;
    });
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot('./movements/ladders.txt');
  });
  test('readings: one in sixty with what is said of it', async () => {
    const told = everyReading(2, { oneIn: 900 }).map(({ movement }) => {
      const reading = baseLibrary.readingOf(movement.id);
      return `${movement.name}: ${figures(movement)} | ${reading?.said ?? 'of the shelf'} | ${reading?.safeSide.join(', ') ?? ''} | ${movement.doing} | ${movement.cautions.length}`;
    });
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot('./movements/readings.txt');
  });
});
