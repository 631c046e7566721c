import { array, object } from 'yup';
import { firstError, someWords, words as atMost } from '../http/form-schema.ts';
import { LETTER_LIMITS } from '../../core/limits.ts';
import { COACH_CHANNEL } from '../../core/channels/channels.ts';
import { WORTH_MS } from '../../core/calendar/spans.ts';
import type pg from 'pg';
import { data } from 'react-router';
import { draftCoachLetter, draftLetter } from '../../words/en/weekly-letters.ts';
import { personBoard } from '../../core/record/scores/boards.ts';
import { MAX_SHARED_MOVEMENTS, MAX_SHARED_WORDS } from '../../core/record/scores/shared-total.ts';
import { plural } from '../../core/words/words.ts';
import { countLetters, insertLetters, updateHostSettings } from '../../db/queries/host.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { listCoaches } from '../../db/queries/doors/coach.ts';
import { note } from '../doors/audit.ts';
import { notFound, type ProgrammeScope } from '../doors/coach-scope.ts';
import { nowMs } from '../config.ts';
import { formLines, formText } from '../http/form-text.ts';
import { loadWhatNext } from './proposals.ts';
import { letterWeek, loadHost, weekFacts } from './run-host.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

const TOP = 20;

export type Answer =
  | { readonly status: 'done'; readonly words: string }
  | { readonly status: 'refused'; readonly field: string; readonly message: string };

export const refused = (field: string, message: string) =>
  data<Answer>({ status: 'refused', field, message }, { status: 400 });

export const done = (words: string) => data<Answer>({ status: 'done', words });

const totalSchema = object({
  words: atMost(MAX_SHARED_WORDS),
  movements: array().max(MAX_SHARED_MOVEMENTS, `At most ${MAX_SHARED_MOVEMENTS} movements.`),
});
const letterSchema = object({
  subject: someWords(LETTER_LIMITS.subject, `A subject of 1 to ${LETTER_LIMITS.subject} letters.`),
  letter: someWords(LETTER_LIMITS.words, `A letter has 1 to ${LETTER_LIMITS.words} letters.`),
});

export async function loadTeams(db: pg.PoolClient, { programme, coach }: ProgrammeScope) {
  const { follow, host } = await loadHost(db, programme);
  const week = letterWeek(programme);
  const next = await loadWhatNext(db, programme, follow);
  const proposals = [...next.group, ...next.people].filter((p) => p.change !== null).length;
  const facts = weekFacts(programme, follow, host, { week, coach: coach.coachName, proposals });
  const { library } = await loadWorkspaceBook(db);
  return {
    key: programme.key,
    week,
    settings: host.settings,
    sharedNames: (host.settings.shared?.movements ?? []).map((id) => library.find(id)?.name ?? id).join(', '),
    known: [...new Set(follow.days.flatMap((d) => d.facts?.movements ?? []))].sort(),
    total: host.total,
    teams: host.teams,
    board: personBoard(host.people)
      .slice(0, TOP)
      .map(({ place, isShared, of }) => ({
        place,
        isShared,
        id: of.id,
        shown: of.shown,
        name: of.name,
        team: of.team,
        kept: of.kept,
        due: of.due,
      })),
    out: host.people.filter((p) => p.board === 'out').length,
    letters: await countLetters(db, programme.runId, week),
    toAll: draftLetter(facts),
    toCoach: draftCoachLetter(facts),
  };
}

export async function changeTeams(db: pg.PoolClient, { programme, coach }: ProgrammeScope, form: FormData) {
  const now = new Date(nowMs());
  const intent = formText(form, 'intent');
  if (intent === 'settings') {
    const words = formText(form, 'words').trim();
    const names = formText(form, 'movements')
      .split(',')
      .map((n) => n.trim())
      .filter(Boolean);
    const wrong = await firstError(totalSchema, { words, movements: names });
    if (wrong) return refused(wrong.field, wrong.message);
    if ((words === '') !== (names.length === 0))
      return refused(
        words === '' ? 'words' : 'movements',
        'A total needs both: words for it, and the movements that count.',
      );
    const { library } = await loadWorkspaceBook(db);
    const unknown = names.find((n) => !library.findByName(n));
    if (unknown !== undefined) return refused('movements', `No movement here is called “${unknown}”.`);
    await updateHostSettings(db, programme.runId, {
      hasBoards: form.get('boards') !== null,
      shared: words === '' ? undefined : { words, movements: names.map((n) => library.findByName(n)!.id) },
    });
    return done('Kept.');
  }
  if (intent !== 'to-all' && intent !== 'to-coach') return notFound();
  const subject = formText(form, 'subject').trim();
  const words = formLines(form, 'words').trim();
  const wrong = await firstError(letterSchema, { subject, letter: words });
  if (wrong) return refused(wrong.field, wrong.message);
  const expiresAt = new Date(nowMs() + WORTH_MS.words);
  if (intent === 'to-coach') {
    await insertMessage(db, {
      workspaceId: coach.workspaceId,
      kind: 'letter',
      channel: COACH_CHANNEL,
      address: (await listCoaches(db)).find((c) => c.id === coach.coachId)!.email,
      coachId: coach.coachId,
      runId: programme.runId,
      expiresAt,
      now,
      extra: { subject, words, path: `/programmes/${programme.key}/follow-up` },
    });
    return done('It is on its way to you.');
  }
  const count = await insertLetters(db, {
    workspaceId: coach.workspaceId,
    runId: programme.runId,
    week: letterWeek(programme),
    subject,
    words,
    expiresAt,
    now,
  });
  if (count > 0)
    await note(db, coach, 'letter', { programmeId: programme.id, detail: `to ${plural(count, 'person', 'people')}` });
  return count === 0
    ? refused('letter', 'Everybody who takes messages has had this week’s letter.')
    : done(`The letter goes to ${plural(count, 'person', 'people')}.`);
}
