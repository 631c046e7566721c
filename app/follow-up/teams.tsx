import { Button, Checkbox, Input } from 'antd';
import type { Answer } from '../../server/follow-up/teams-page.ts';
import { LETTER_LIMITS } from '../../core/limits.ts';
import { loadTeams, changeTeams } from '../../server/follow-up/teams-page.ts';
import { useState } from 'react';
import { Link, useFetcher } from 'react-router';
import type { DraftLetter } from '../../words/en/weekly-letters.ts';
import { MAX_SHARED_WORDS } from '../../core/record/scores/shared-total.ts';
import { placeWords, plural, tenth } from '../../core/words/words.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { Dialog } from '../parts/dialog.tsx';
import { FollowLinks } from './strands/follow-links.tsx';
import followCss from './follow-up.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/teams';

export const meta: Route.MetaFunction = ({ matches }) => programmePage(matches, 'Teams and letters');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, (db, scope) => loadTeams(db, scope), 'coach');
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  return withProgramme(request, params.programmeId, (db, scope) => changeTeams(db, scope, form));
}

export default function Teams({ loaderData }: Route.ComponentProps) {
  const { teams, board, settings, total, letters } = loaderData;
  const fetcher = useFetcher<typeof action>({ key: 'host' });
  const told = fetcher.data;
  const most = Math.max(1, ...teams.map((t) => t.of.mean));
  return (
    <div className="teams-page">
      <div className="page-title follow-title">
        <h1>Teams and letters</h1>
        <FollowLinks current="teams" />
      </div>
      {told?.status === 'done' && fetcher.state === 'idle' && (
        <p className="notice" role="status">
          {told.words}
        </p>
      )}
      {settings.shared && (
        <p className="teams-total">
          <b>{total.toLocaleString('en')}</b> {settings.shared.words}
        </p>
      )}
      <div className="working-columns">
        <section>
          <h2>Teams, by days kept a member</h2>
          {teams.length === 0 ? (
            <p className="soft">Give people a group on their page, and their teams stand here.</p>
          ) : (
            <ol className="teams-board">
              {teams.map(({ place, isShared, of: t }) => (
                <li key={t.team}>
                  <span className="teams-place">{placeWords({ place, isShared })}</span>
                  <span>
                    <b dir="auto">{t.team}</b> <span className="soft small">{plural(t.members, 'member')}</span>
                  </span>
                  <span className="teams-bar" aria-hidden="true">
                    <i style={{ width: `${(100 * t.mean) / most}%` }} />
                  </span>
                  <span className="right">
                    <b>{tenth(t.mean)}</b> <span className="soft small">of {t.kept} in all</span>
                  </span>
                </li>
              ))}
            </ol>
          )}
          <h2>People, by days kept</h2>
          <ol className="teams-board is-people">
            {board.map((p) => (
              <li key={p.id}>
                <span className="teams-place">{placeWords(p)}</span>
                <span>
                  <Link to={`/programmes/${loaderData.key}/follow-up/person/${p.id}`}>
                    <b dir="auto">{p.shown}</b>
                  </Link>{' '}
                  <span className="soft small">
                    {p.shown === p.name ? '' : `${p.name}, `}
                    {p.team}
                  </span>
                </span>
                <span className="right">
                  {p.kept} <span className="soft small">of {p.due}</span>
                </span>
              </li>
            ))}
          </ol>
          <p className="small soft">
            Days count, not the size of a score; who is level shares a place.
            {loaderData.out > 0 && ` ${plural(loaderData.out, 'person', 'people')} on no board, as they asked.`} All of
            it follows from the records and is counted anew each time.
          </p>
          <Settings loaderData={loaderData} told={told} />
        </section>
        <section>
          <h2>Letters of week {loaderData.week}</h2>
          <p className="small soft">
            Drafted from the figures; they are yours to change. To all: {letters.reached} of {letters.people} take
            messages
            {letters.sent > 0 && `, ${letters.sent} have had it`}.
          </p>
          <LetterForm
            title="To all"
            intent="to-all"
            draft={loaderData.toAll}
            told={told}
            send={`Send to ${plural(Math.max(0, letters.reached - letters.sent), 'person', 'people')}`}
            isOff={letters.reached <= letters.sent}
            sure={`This goes to ${plural(Math.max(0, letters.reached - letters.sent), 'person', 'people')} in five minutes; until then it can be stopped.`}
          />
          <LetterForm title="To you" intent="to-coach" draft={loaderData.toCoach} told={told} send="Send it to me" />
          <p>
            <Link to={`/programmes/${loaderData.key}/summary`}>The run on one page, to print</Link>
          </p>
        </section>
      </div>
    </div>
  );
}

function Settings({ loaderData, told }: { loaderData: Route.ComponentProps['loaderData']; told: Answer | undefined }) {
  const fetcher = useFetcher<typeof action>({ key: 'host' });
  const { settings } = loaderData;
  const error = (field: string) =>
    told?.status === 'refused' &&
    told.field === field && (
      <p className="field-error" role="alert">
        {told.message}
      </p>
    );
  return (
    <details
      className="teams-settings"
      open={told?.status === 'refused' && ['words', 'movements'].includes(told.field)}
    >
      <summary>What people see, and what all count together …</summary>
      <fetcher.Form method="post" className="act-form" key={JSON.stringify(settings)}>
        <input type="hidden" name="intent" value="settings" />
        <Checkbox className="teams-check" name="boards" defaultChecked={settings.hasBoards}>
          {' '}
          People see the teams, and the days kept of their own
        </Checkbox>
        <label>
          Counted together, in words
          <Input
            name="words"
            defaultValue={settings.shared?.words ?? ''}
            maxLength={MAX_SHARED_WORDS}
            placeholder="stairs climbed by all branches"
          />
        </label>
        {error('words')}
        <label>
          out of these movements, with commas
          <Input
            name="movements"
            defaultValue={loaderData.sharedNames}
            placeholder={loaderData.known.slice(0, 2).join(', ')}
          />
        </label>
        {error('movements')}
        <p className="soft small">
          Counted as it was done: what somebody does in another shape counts as that movement.
        </p>
        <Button htmlType="submit" disabled={fetcher.state !== 'idle'}>
          Keep
        </Button>
      </fetcher.Form>
    </details>
  );
}

interface LetterFormProps {
  readonly title: string;
  readonly intent: 'to-all' | 'to-coach';
  readonly draft: DraftLetter;
  readonly told: Answer | undefined;
  readonly send: string;
  readonly isOff?: boolean;
  /** Asked before it is sent. */
  readonly sure?: string;
}

function LetterForm({ title, intent, draft, told, send, isOff = false, sure }: LetterFormProps) {
  const fetcher = useFetcher<typeof action>({ key: 'host' });
  const [subject, setSubject] = useState(draft.subject);
  const [words, setWords] = useState(draft.words);
  const [isAsked, setAsked] = useState(false);
  const submit = () => {
    setAsked(false);
    void fetcher.submit({ intent, subject, words }, { method: 'post' });
  };
  return (
    <form
      className="act-form teams-letter"
      onSubmit={(event) => {
        event.preventDefault();
        if (sure) setAsked(true);
        else submit();
      }}
    >
      <h3>{title}</h3>
      <label>
        Subject
        <Input value={subject} onChange={(e) => setSubject(e.target.value)} maxLength={LETTER_LIMITS.subject} />
      </label>
      <label>
        Words
        <Input.TextArea
          rows={intent === 'to-all' ? 11 : 8}
          value={words}
          onChange={(e) => setWords(e.target.value)}
          maxLength={LETTER_LIMITS.words}
        />
      </label>
      {told?.status === 'refused' && ['subject', 'letter'].includes(told.field) && intent === 'to-all' && (
        <p className="field-error" role="alert">
          {told.message}
        </p>
      )}
      <p className="act-foot">
        <Button
          type={intent === 'to-all' ? 'primary' : 'default'}
          htmlType="submit"
          disabled={isOff || fetcher.state !== 'idle'}
        >
          {send}
        </Button>{' '}
        {(words !== draft.words || subject !== draft.subject) && (
          <Button
            type="text"
            size="small"
            className="tool"
            onClick={() => {
              setSubject(draft.subject);
              setWords(draft.words);
            }}
          >
            back to the draft
          </Button>
        )}
      </p>
      {sure && (
        <Dialog open={isAsked} title="Send the letter?" okText="Send it" onOk={submit} onCancel={() => setAsked(false)}>
          <p>
            <b>{subject}</b>
          </p>
          <p>{sure}</p>
        </Dialog>
      )}
    </form>
  );
}
