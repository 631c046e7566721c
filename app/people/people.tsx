import { loadPeople } from '../../server/people/load-people.ts';
import type { PeopleAnswer } from '../../server/people/change-people.ts';
import { answer, changePeople } from '../../server/people/change-people.ts';
import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { Form, useActionData, useNavigation, useSubmit } from 'react-router';
import { plural } from '../../core/words/words.ts';
import { proveAgain } from '../../server/doors/prove-again.ts';
import { coachForm, requireRole, withProgramme } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { formText } from '../../server/http/form-text.ts';
import { useWindowedRows } from '../parts/use-windowed-rows.ts';
import { LiveRoll } from './live-roll.tsx';
import { AddPeople, FirstPeople } from './add-people.tsx';
import { packPeople, unpackPeople } from './packed-people.ts';
import type { LinkQuestion } from './person-row.tsx';
import { PersonRow } from './person-row.tsx';
import { LinksDialog } from './links-dialog.tsx';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import { HandOutLinks } from './hand-out-links.tsx';
import { asksProof, ProveAgain } from '../account/prove-again.tsx';
import { PersonPanel } from './person-panel.tsx';
import { Dialog } from '../parts/dialog.tsx';
import sendCss from '../send/send.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/people';

export const meta: Route.MetaFunction = ({ matches }) => programmePage(matches, 'People');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: sendCss }];

/** Every row has its place; long words are cut, and whole in the person's own panel. */
const ROW_PX = 62;

export async function loader({ request, params }: Route.LoaderArgs) {
  const { people, ...view } = await withProgramme(request, params.programmeId, (db, scope) =>
    loadPeople(db, scope, request),
  );
  // One text for all: hundreds of small things cost more to encode one by one, here and on the page.
  return { ...view, packed: packPeople(people) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  const now = new Date(nowMs());
  if (intent === 'remove' && formText(form, 'with-records') === 'yes') {
    const unproved = await proveAgain(await requireRole(request), form);
    if (unproved) return answer({ errors: unproved }, 400);
  }
  return withProgramme(request, params.programmeId, (db, scope) => changePeople(db, scope, form, intent, now));
}

/** What can't be undone is asked first. */
const QUESTIONS: Record<LinkQuestion['what'], { title: (name: string) => string; ok: string; says: string }> = {
  link: {
    title: (name) => `A new link for ${name}?`,
    ok: 'Make a new one',
    says: 'The one they have stops working, and those in messages sent so far.',
  },
  revoke: {
    title: (name) => `Revoke ${name}’s link?`,
    ok: 'Revoke it',
    says: 'Their page, their calendar and the links in their messages stop working at once, and no message goes to them until you make a new link.',
  },
  remove: {
    title: (name) => `Remove ${name} from this programme?`,
    ok: 'Remove',
    says: 'Their link stops working, and what is known of them here is gone.',
  },
};

export default function People({ loaderData }: Route.ComponentProps) {
  const { packed, origin, programmeId, defaults, clocks, chosen, partly } = loaderData;
  const people = useMemo(() => unpackPeople(packed), [packed]);
  const existing = useMemo(() => people.map((p) => p.name), [people]);
  const [adding, setAdding] = useState(false);
  const [justIn, setJustIn] = useState<readonly number[]>([]);
  const [wanted, setWanted] = useState('');
  const [shown, setShown] = useState<PeopleAnswer['made']>();
  const [asking, setAsking] = useState<LinkQuestion>();
  const actionData = useActionData<typeof action>();
  const result = unlessAsked(actionData);
  const submit = useSubmit();
  const busy = useNavigation().state === 'submitting';
  const leaving = useLeaving(actionData, (form) => void submit(form, { method: 'post' }), busy);
  const [seen, setSeen] = useState(result);
  if (result !== seen) {
    setSeen(result);
    if (result?.made) {
      setShown(result.made);
      setAdding(false);
    }
    if (!asksProof(result?.errors)) setAsking(undefined);
  }
  const missing = people.filter((p) => !p.hasLink && !p.isClosed).length;
  const list = useMemo(() => {
    const words = wanted.trim().toLowerCase();
    return people.filter((p) => `${p.name} ${p.detail} ${p.timeZone} ${p.address}`.toLowerCase().includes(words));
  }, [people, wanted]);
  const { attach, rows: rowsInSight, heightPx } = useWindowedRows(list.length, ROW_PX);
  const post = (values: Record<string, string>) => void submit(values, { method: 'post' });
  const loggedBy = (id: number) => (chosen?.enrolmentId === id ? chosen.logged : 0);
  const onUndo = (ids: readonly number[]) => {
    const form = new FormData();
    form.set('intent', 'remove');
    for (const id of ids) form.append('enrolmentId', String(id));
    void submit(form, { method: 'post' });
    setAdding(false);
    setJustIn([]);
  };
  const onLinks = () => {
    setAdding(false);
    post({ intent: 'links' });
  };
  return (
    <div className="people" onSubmitCapture={leaving.onSubmitCapture}>
      {leaving.dialog}
      <div className="page-title">
        <h1>People</h1>
        <p className="soft">
          {people.length === 0
            ? 'Nobody is in this programme yet.'
            : `${people.length} in this programme${missing > 0 ? `, ${missing} without a link` : ''}`}
        </p>
        <div className="title-tools">
          {people.length > 0 && (
            <Input
              allowClear
              placeholder="Find a person"
              aria-label="Find a person"
              onChange={(e) => setWanted(e.target.value)}
            />
          )}
          {people.length > 0 && (
            <Button href={`/programmes/${programmeId}/people.csv`}>Take the list out as CSV</Button>
          )}
          <HandOutLinks programmeId={programmeId} missing={missing} origin={origin} isMain={false} />
          {people.length > 0 && (
            <Button type="primary" onClick={() => setAdding(true)}>
              Add people
            </Button>
          )}
        </div>
      </div>
      {loaderData.roll && <LiveRoll {...loaderData.roll} />}
      {justIn.length > 0 && people.length > 0 && (
        <p role="status">
          {justIn.length === 1 ? 'One person is' : `${justIn.length} people are`} in. Their links can be handed out now,
          or once the first session is sent.{' '}
          <Button type="link" size="small" className="link" onClick={() => onUndo(justIn)}>
            Undo
          </Button>
        </p>
      )}
      {partly.length > 0 && (
        <p className="notice bad" role="status">
          A part of what is stored of {partly.join(', ')} can’t be used and is passed by. Open them, look it through,
          and save it anew.
        </p>
      )}
      {people.length === 0 ? (
        <>
          <p className="empty">
            Write who takes part. Each gets a personal link instead of a password, and sessions open at their own hour.
          </p>
          <FirstPeople
            programmeId={programmeId}
            defaults={defaults}
            existing={existing}
            onLinks={onLinks}
            onUndo={onUndo}
            onAdded={setJustIn}
          />
        </>
      ) : (
        <div className={chosen ? 'people-columns' : ''}>
          <div className="people-list" role="table" aria-label="People" aria-rowcount={list.length + 1}>
            <div className="people-row people-head" role="row" aria-rowindex={1}>
              {['Name', 'Adaptations', 'Their clock', 'Joined', 'Personal link'].map((words) => (
                <span key={words} role="columnheader">
                  {words}
                </span>
              ))}
            </div>
            <div ref={attach} className="people-rows" role="rowgroup" style={{ height: heightPx }}>
              {rowsInSight.map(({ index, topPx }) => {
                const person = list[index]!;
                return (
                  <PersonRow
                    key={person.id}
                    person={person}
                    index={index}
                    topPx={topPx}
                    nowThere={clocks[person.timeZone]!}
                    isChosen={person.id === chosen?.enrolmentId}
                    onAsk={setAsking}
                    onMake={(id) => post({ intent: 'link', enrolmentId: String(id) })}
                  />
                );
              })}
            </div>
          </div>
          {chosen && (
            <PersonPanel
              person={chosen}
              errors={result?.errors ?? {}}
              onRemove={() => setAsking({ what: 'remove', id: chosen.enrolmentId, name: chosen.name })}
              isKept={result?.kept === chosen.enrolmentId}
              close="?"
            />
          )}
        </div>
      )}
      {result?.errors.form && (
        <p className="notice bad" role="alert">
          {result.errors.form}
        </p>
      )}
      {people.length > 0 && list.length === 0 && <p className="empty">Nobody is called that here.</p>}
      {shown && <LinksDialog made={shown} origin={origin} onClose={() => setShown(undefined)} />}
      <Dialog
        open={asking !== undefined}
        title={asking ? QUESTIONS[asking.what].title(asking.name) : ''}
        okText={asking ? QUESTIONS[asking.what].ok : ''}
        cancelText="Cancel"
        busy={busy}
        onCancel={() => setAsking(undefined)}
        onOk={() => {
          const form = document.querySelector<HTMLFormElement>('#remove-person');
          if (form) void submit(form);
          else if (asking) post({ intent: asking.what, enrolmentId: String(asking.id) });
        }}
      >
        {asking?.what === 'remove' && loggedBy(asking.id) > 0 ? (
          <Form method="post" id="remove-person" className="dialog-form" noValidate>
            <input type="hidden" name="intent" value="remove" />
            <input type="hidden" name="enrolmentId" value={asking.id} />
            <input type="hidden" name="with-records" value="yes" />
            <p>
              It goes for good, as if they had deleted themselves: their name, address and link,{' '}
              {plural(loggedBy(asking.id), 'session')} that they logged with numbers and words, what hurt, messages and
              notes about them, in every programme that they are in.
            </p>
            <p>
              What stays is without them: sums in letters that were sent. All other figures are counted anew from those
              who are left. They can have a copy of their data first, from their own page.
            </p>
            <ProveAgain errors={result?.errors} />
          </Form>
        ) : (
          <p>{asking && QUESTIONS[asking.what].says}</p>
        )}
      </Dialog>
      {adding && (
        <AddPeople
          programmeId={programmeId}
          defaults={defaults}
          existing={existing}
          onLinks={onLinks}
          onUndo={onUndo}
          onClose={() => setAdding(false)}
        />
      )}
    </div>
  );
}
