import { Button, Input, Popconfirm, Radio } from 'antd';
import { useState } from 'react';
import { Form, useSubmit } from 'react-router';
import { formatDay } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import type { CoachRole } from '../../core/coach-role.ts';
import { COACH_ROLES } from '../../core/coach-role.ts';
import { listCoaches } from '../../db/queries/doors/coach.ts';
import { listInvitations } from '../../db/queries/doors/coach-door.ts';
import type { CoachesAnswer } from '../../server/account/coach-changes.ts';
import { changeCoaches } from '../../server/account/coach-changes.ts';
import { coachForm, requireRole, withCoach } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { nowMs } from '../../server/config.ts';
import { AccountPage, AccountPart } from './account-page.tsx';
import { Dialog } from '../parts/dialog.tsx';
import { FieldError, ProveAgain } from './prove-again.tsx';
import { SaveNote } from '../parts/save-note.tsx';
import accountCss from './account.css?url';
import type { Route } from './+types/coaches';
import { ROLE_WORDS } from '../../words/en/coaches.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Who coaches here · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: accountCss }];

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(request, async (db, coach) => {
    const zone = coachZone(request);
    const isOwner = coach.role === 'owner';
    const [coaches, invitations] = await Promise.all([
      listCoaches(db),
      isOwner ? listInvitations(db, new Date(nowMs())) : [],
    ]);
    return {
      me: coach.coachId,
      isOwner,
      coaches,
      invitations: invitations.map((i) => ({
        email: i.email,
        role: i.role,
        until: formatDay(localDate(i.expiresAtMs, zone)),
      })),
    };
  });
}

export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, undefined, 'owner');
  return changeCoaches(request, await requireRole(request, 'owner'), form);
}

type Coach = Route.ComponentProps['loaderData']['coaches'][number];

export default function Coaches({ loaderData, actionData }: Route.ComponentProps) {
  const { coaches, invitations, me, isOwner } = loaderData;
  const answer: CoachesAnswer | undefined = actionData;
  const [asking, setAsking] = useState<{ coach: Coach; role: CoachRole | 'remove' }>();
  const [seen, setSeen] = useState(answer);
  if (answer !== seen) {
    setSeen(answer);
    if (answer && Object.keys(answer.errors).length === 0) setAsking(undefined);
  }
  const submit = useSubmit();
  return (
    <AccountPage title="Who coaches here">
      {answer?.told && <SaveNote>{answer.told}</SaveNote>}
      {answer?.errors.form && !asking && <SaveNote isBad>{answer.errors.form}</SaveNote>}
      <AccountPart
        title={coaches.length === 1 ? 'You alone' : `${coaches.length} people`}
        says={
          <>
            {COACH_ROLES.map((role) => (
              <span key={role} className="role-says">
                <b>{ROLE_WORDS[role].name}</b>: {ROLE_WORDS[role].says}
                <br />
              </span>
            ))}
          </>
        }
      >
        <ul className="account-lines">
          {coaches.map((c) => (
            <CoachLine
              key={c.id}
              coach={c}
              isMe={c.id === me}
              isOwner={isOwner}
              onAsk={(role) => setAsking({ coach: c, role })}
            />
          ))}
        </ul>
      </AccountPart>
      {isOwner && (
        <AccountPart
          title="Invite"
          says="A message goes to them, with a link that works once, for a week. Until then you can withdraw it."
        >
          {invitations.length > 0 && (
            <ul className="account-lines">
              {invitations.map((i) => (
                <li key={i.email}>
                  <span>
                    <b>{i.email}</b>{' '}
                    <span className="soft small">
                      {ROLE_WORDS[i.role].as}, until {i.until}
                    </span>
                  </span>
                  <span className="account-acts">
                    <Popconfirm
                      title={`Withdraw the invitation of ${i.email}?`}
                      okText="Withdraw it"
                      onConfirm={() => void submit({ intent: 'withdraw', email: i.email }, { method: 'post' })}
                    >
                      <Button size="small">Withdraw</Button>
                    </Popconfirm>
                  </span>
                </li>
              ))}
            </ul>
          )}
          <InviteForm answer={answer?.intent === 'invite' ? answer : undefined} />
        </AccountPart>
      )}
      <ChangeDialog asking={asking} answer={answer} onCancel={() => setAsking(undefined)} />
    </AccountPage>
  );
}

interface CoachLineProps {
  readonly coach: Coach;
  readonly isMe: boolean;
  readonly isOwner: boolean;
  readonly onAsk: (role: CoachRole | 'remove') => void;
}

function CoachLine({ coach, isMe, isOwner, onAsk }: CoachLineProps) {
  return (
    <li>
      <span>
        <b dir="auto">{coach.name}</b> {isMe && <span className="soft">(you)</span>}
        <br />
        <span className="soft small">
          {coach.email}
          {coach.hasSecondStep ? ' · second step on' : ' · password alone'}
        </span>
      </span>
      <span className="account-acts">
        {isOwner ? (
          <>
            <Radio.Group
              size="small"
              optionType="button"
              aria-label={`Role of ${coach.name}`}
              value={coach.role}
              onChange={(e) => onAsk(e.target.value as CoachRole)}
              options={COACH_ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role].name }))}
            />
            <Button size="small" danger aria-label={`Remove ${coach.name}`} onClick={() => onAsk('remove')}>
              Remove
            </Button>
          </>
        ) : (
          ROLE_WORDS[coach.role].name
        )}
      </span>
    </li>
  );
}

function InviteForm({ answer }: { answer: CoachesAnswer | undefined }) {
  return (
    <Form method="post" className="account-form" noValidate key={answer?.told ?? ''}>
      <input type="hidden" name="intent" value="invite" />
      <label>
        Their e-mail address
        <Input name="email" type="email" defaultValue={answer?.typed ?? ''} />
        <FieldError words={answer?.errors.email} />
      </label>
      <fieldset>
        <legend>They come in as</legend>
        <Radio.Group
          name="role"
          defaultValue="coach"
          options={COACH_ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role].name }))}
        />
      </fieldset>
      <ProveAgain errors={answer?.errors} />
      <Button htmlType="submit">Send the invitation</Button>
    </Form>
  );
}

interface ChangeDialogProps {
  readonly asking: { readonly coach: Coach; readonly role: CoachRole | 'remove' } | undefined;
  readonly answer: CoachesAnswer | undefined;
  readonly onCancel: () => void;
}

/** What a change means, before it is made. */
function ChangeDialog({ asking, answer, onCancel }: ChangeDialogProps) {
  const submit = useSubmit();
  const errors = answer && answer.about === asking?.coach.id ? answer.errors : undefined;
  const isRemoval = asking?.role === 'remove';
  return (
    <Dialog
      open={asking !== undefined}
      title={
        asking === undefined
          ? ''
          : asking.role === 'remove'
            ? `Remove ${asking.coach.name}?`
            : `${asking.coach.name}: ${ROLE_WORDS[asking.role].name.toLowerCase()}?`
      }
      okText={isRemoval ? 'Remove them' : 'Change it'}
      onCancel={onCancel}
      onOk={() => {
        const form = document.querySelector<HTMLFormElement>('#change-coach');
        if (form) void submit(form);
      }}
    >
      {asking && (
        <Form method="post" id="change-coach" className="account-form" noValidate>
          <input type="hidden" name="coach" value={asking.coach.id} />
          <input type="hidden" name="intent" value={isRemoval ? 'remove' : 'role'} />
          {asking.role !== 'remove' && <input type="hidden" name="role" value={asking.role} />}
          <p>
            {asking.role === 'remove'
              ? 'They are signed out everywhere at once. What they wrote and sent stays, under their name.'
              : ROLE_WORDS[asking.role].says}
          </p>
          {errors?.form && (
            <p className="notice bad" role="alert">
              {errors.form}
            </p>
          )}
          <ProveAgain errors={errors} />
        </Form>
      )}
    </Dialog>
  );
}
