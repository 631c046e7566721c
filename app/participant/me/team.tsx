import { object } from 'yup';
import { firstError, words } from '../../../server/http/form-schema.ts';
import { data, Form, Link, redirect } from 'react-router';
import type { BoardPerson } from '../../../core/record/scores/boards.ts';
import { BOARD_NAMES, personBoard } from '../../../core/record/scores/boards.ts';
import { placeWords, plural, tenth } from '../../../core/words/words.ts';
import { updateBoardName } from '../../../db/queries/host.ts';
import { getProgrammeOfRun } from '../../../db/queries/programme.ts';
import { nowMs } from '../../../server/config.ts';
import { formText } from '../../../server/http/form-text.ts';
import { personForm, withPersonalLink } from '../../../server/doors/personal-link.ts';
import { loadHost } from '../../../server/follow-up/run-host.ts';
import { SaveNote } from '../../parts/save-note.tsx';
import { orKeptPage } from '../base/kept-pages.ts';
import type { Route } from './+types/team';

export const meta: Route.MetaFunction = () => [{ title: 'My team · Ysodos' }];
const MAX_ALIAS = 40;
const ALIAS = `Another name has 1 to ${MAX_ALIAS} letters.`;
const aliasSchema = object({
  alias: words(MAX_ALIAS, ALIAS).when('board', { is: 'alias', then: (s) => s.required(ALIAS) }),
});

/** Those of one's own team by days kept, without names that somebody keeps to themselves. */
const ownBoard = (people: readonly BoardPerson[], me: BoardPerson) =>
  me.team === ''
    ? []
    : personBoard(people.filter((p) => p.team === me.team)).map(({ place, isShared, of }) => ({
        place,
        isShared,
        shown: of.shown,
        kept: of.kept,
        isMe: of.id === me.id,
      }));

export async function loader({ params, request }: Route.LoaderArgs) {
  return withPersonalLink(params.token, async (db, { enrolment }) => {
    const { host } = await loadHost(db, await getProgrammeOfRun(db, enrolment.runId, new Date(nowMs())));
    if (!host.settings.hasBoards) throw data({ kind: 'missing' }, { status: 404 });
    const me = host.people.find((p) => p.id === enrolment.enrolmentId)!;
    return {
      programmeTitle: enrolment.programmeTitle,
      me: { board: me.board, alias: me.alias, name: me.name, team: me.team, kept: me.kept, due: me.due },
      shared: host.settings.shared ? { words: host.settings.shared.words, total: host.total } : null,
      teams: host.teams.map(({ place, isShared, of }) => ({
        place,
        isShared,
        team: of.team,
        mean: of.mean,
        members: of.members,
      })),
      board: ownBoard(host.people, me),
      isKept: new URL(request.url).searchParams.get('kept') === 'yes',
    };
  });
}

export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  return withPersonalLink(params.token, async (db, { enrolment }) => {
    const board = BOARD_NAMES.find((b) => b === formText(form, 'board'));
    const alias = formText(form, 'alias').trim();
    if (!board) return data({ error: 'Choose how you stand there.' }, { status: 400 });
    const wrong = await firstError(aliasSchema, { board, alias });
    if (wrong) return data({ error: wrong.message }, { status: 400 });
    await updateBoardName(db, enrolment.personId, board, alias);
    return redirect(`/p/${params.token}/team?kept=yes`);
  });
}

export const clientLoader = (args: Route.ClientLoaderArgs) => orKeptPage(args);

export default function Team({ loaderData, actionData, params }: Route.ComponentProps) {
  const { me, teams, board, shared } = loaderData;
  const base = `/p/${params.token}`;
  return (
    <main className="person team">
      <p className="small">
        <Link to={base}>To today</Link>
      </p>
      <h1>{me.team === '' ? 'All together' : me.team}</h1>
      <p className="soft">{loaderData.programmeTitle}</p>
      {shared && (
        <p className="team-total">
          <b>{shared.total.toLocaleString('en')}</b> {shared.words}
        </p>
      )}
      <section>
        <h2>Teams, by days kept a head</h2>
        <ol className="team-list">
          {teams.map((t) => (
            <li key={t.team} className={t.team === me.team ? 'is-mine' : undefined}>
              <span>{placeWords(t)}</span> <span dir="auto">{t.team}</span>{' '}
              <span className="soft small">{plural(t.members, 'member')}</span> <b>{tenth(t.mean)}</b>
            </li>
          ))}
        </ol>
      </section>
      {board.length > 0 && (
        <section>
          <h2>Days kept in {me.team}</h2>
          <ol className="team-list">
            {board.map((p, i) => (
              <li key={i} className={p.isMe ? 'is-mine' : undefined}>
                <span>{placeWords(p)}</span> <span dir="auto">{p.isMe ? `${p.shown} (you)` : p.shown}</span>{' '}
                <b>{p.kept}</b>
              </li>
            ))}
          </ol>
          <p className="soft small">Days count, not how much or how fast.</p>
        </section>
      )}
      <section>
        <h2>How I stand there</h2>
        {loaderData.isKept && <SaveNote>Saved.</SaveNote>}
        <Form method="post" preventScrollReset>
          {(
            [
              ['name', `as ${me.name}`],
              ['alias', 'under another name:'],
              ['out', 'not at all; my days still count for my team'],
            ] as const
          ).map(([value, words]) => (
            <label key={value} className="me-seen">
              <input type="radio" name="board" value={value} defaultChecked={me.board === value} /> {words}
            </label>
          ))}
          <input name="alias" aria-label="Another name" defaultValue={me.alias} maxLength={MAX_ALIAS} />
          {actionData?.error && (
            <p className="field-error" role="alert">
              {actionData.error}
            </p>
          )}
          <p>
            <button type="submit" className="quiet-button">
              Keep
            </button>
          </p>
        </Form>
      </section>
    </main>
  );
}
