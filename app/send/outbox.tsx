import { DataTable } from '../parts/table/data-table.tsx';
import { Button, Input } from 'antd';
import { WORTH_MS } from '../../core/calendar/spans.ts';
import { loadOutbox } from '../../server/send/load-outbox.ts';
import { data, Form, Link, useFetcher, useSearchParams } from 'react-router';
import { plural } from '../../core/words/words.ts';
import { insertRepetition } from '../../db/queries/messages/lay-messages.ts';
import { MESSAGE_STATES } from '../../core/channels/message.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { formId } from '../../server/http/form-text.ts';
import sendCss from './send.css?url';
import { SENT_WORDS } from '../../words/en/messages.ts';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/outbox';

export const meta: Route.MetaFunction = ({ matches }) => programmePage(matches, 'Outbox');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: sendCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, (db, scope) => loadOutbox(db, scope, request), 'coach');
}

/** Sends a message once more, to the address that they have now. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const now = new Date(nowMs());
    const isDone = await insertRepetition(db, {
      runId: programme.runId,
      messageId: formId(form, 'message'),
      expiresAt: new Date(nowMs() + WORTH_MS.again),
      now,
    });
    return isDone
      ? data({ told: 'It goes out once more.', error: '' })
      : data(
          { told: '', error: 'It can’t go once more: it is still on its way, or they get no messages.' },
          { status: 409 },
        );
  });
}

type Row = Route.ComponentProps['loaderData']['rows'][number];

/** What each person was sent, with state and reason. */
export default function Outbox({ loaderData }: Route.ComponentProps) {
  const { rows, counts, older, base } = loaderData;
  const [search] = useSearchParams();
  const all = Object.values(counts).reduce((sum, n) => sum + n, 0);
  const linkTo = (changes: Record<string, string | null>) => {
    const next = new URLSearchParams(search);
    next.delete('before');
    for (const [name, value] of Object.entries(changes)) {
      if (value === null) next.delete(name);
      else next.set(name, value);
    }
    return `?${next.toString()}`;
  };
  const isFiltered = ['state', 'kind', 'day', 'q'].some((name) => search.get(name));
  return (
    <div className="outbox-page">
      <div className="page-title">
        <h1>Outbox</h1>
        <p className="soft">{plural(all, 'message')}</p>
      </div>
      {all === 0 ? (
        <p className="soft">
          Nothing was sent yet. Messages stand here once a day goes out: to whom, how far they got, and why one didn’t.{' '}
          <Link to={`${base}/send`}>To Send</Link>
        </p>
      ) : (
        <>
          <nav className="outbox-states" aria-label="By state">
            <Link to={linkTo({ state: null })} {...(!search.get('state') && { 'aria-current': 'true' })}>
              all
            </Link>
            {MESSAGE_STATES.filter((s) => counts[s]).map((s) => (
              <Link key={s} to={linkTo({ state: s })} {...(search.get('state') === s && { 'aria-current': 'true' })}>
                {SENT_WORDS[s]} <b>{counts[s]}</b>
              </Link>
            ))}
          </nav>
          <Form className="outbox-find" role="search">
            {['state', 'kind', 'day'].map((name) =>
              search.get(name) ? <input key={name} type="hidden" name={name} value={search.get(name)!} /> : null,
            )}
            <label>
              Find a person or address <Input name="q" defaultValue={search.get('q') ?? ''} type="search" />
            </label>
            <Button htmlType="submit">Find</Button>
            {isFiltered && <Link to="?">Show all</Link>}
          </Form>
          {rows.length === 0 ? (
            <p className="soft">No message is like that.</p>
          ) : (
            <DataTable
              label="Messages"
              className="outbox-rows"
              rows={rows}
              keyOf={(row) => row.id}
              rowClass={(row) => (WENT_WRONG.has(row.state) ? 'needs-you' : '')}
              columns={[
                { head: 'To', isName: true, cell: (row) => <ToWhom row={row} base={base} /> },
                { head: 'What', cell: (row) => <WhatItIs row={row} base={base} /> },
                {
                  head: 'How far it got',
                  cell: (row) => (
                    <>
                      <b>{SENT_WORDS[row.state]}</b>
                      <small className="soft">
                        {row.when}
                        {row.tries > 1 && `, ${row.tries} tries`}
                      </small>
                    </>
                  ),
                },
                { head: 'Why', cell: (row) => <span className="small">{row.reason}</span> },
                { head: 'Again', isHidden: true, cell: (row) => row.canRepeat && <OnceMore row={row} /> },
              ]}
            />
          )}
          {older !== null && <Link to={linkTo({ before: String(older) })}>Older ones</Link>}
        </>
      )}
    </div>
  );
}

const WENT_WRONG: ReadonlySet<string> = new Set(['bounced', 'refused', 'gave-up']);

const ToWhom = ({ row, base }: { row: Row; base: string }) => (
  <>
    {row.enrolmentId === null ? <b>{row.to}</b> : <Link to={`${base}/people?person=${row.enrolmentId}`}>{row.to}</Link>}
    <small className="soft">{row.address}</small>
  </>
);

const WhatItIs = ({ row, base }: { row: Row; base: string }) => (
  <>
    {row.what}
    {row.day && (
      <small>
        <Link to={`${base}/send/${row.day.key}`}>{row.day.words}</Link>
      </small>
    )}
  </>
);

/** Lays a message that didn't arrive once more. */
function OnceMore({ row }: { row: Row }) {
  const fetcher = useFetcher<{ told: string; error: string }>();
  if (fetcher.data?.told) return <small role="status">{fetcher.data.told}</small>;
  return (
    <fetcher.Form method="post">
      <input type="hidden" name="message" value={row.id} />
      <Button
        type="text"
        size="small"
        htmlType="submit"
        className="tool"
        disabled={fetcher.state !== 'idle'}
        aria-label={`Once more to ${row.to}`}
      >
        once more
      </Button>
      {fetcher.data?.error && <small role="alert">{fetcher.data.error}</small>}
    </fetcher.Form>
  );
}
