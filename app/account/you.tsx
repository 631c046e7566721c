import { Button, Input, QRCode } from 'antd';
import { useState } from 'react';
import { Form, redirect, useNavigation } from 'react-router';
import { formatDay } from '../../core/calendar/day.ts';
import { localDate, localTime } from '../../core/calendar/release.ts';
import { plural } from '../../core/words/words.ts';
import { countRecoveryCodes, getCoachEmail } from '../../db/queries/doors/coach.ts';
import { deleteCoachSessions, listCoachSessions } from '../../db/queries/doors/coach-session.ts';
import type { AccountAnswer } from '../../server/account/account-changes.ts';
import { changeAccount } from '../../server/account/account-changes.ts';
import { note } from '../../server/doors/audit.ts';
import { coachForm, requireRole, withCoach } from '../../server/doors/coach-scope.ts';
import { signOut } from '../../server/doors/coach-session.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { nowMs } from '../../server/config.ts';
import { formText } from '../../server/http/form-text.ts';
import { makeTotpKey, offerOf } from '../../server/doors/second-step.ts';
import { AccountPage, AccountPart } from './account-page.tsx';
import { FieldError, ProveAgain } from './prove-again.tsx';
import { SaveNote } from '../parts/save-note.tsx';
import accountCss from './account.css?url';
import type { Route } from './+types/you';
import { ROLE_WORDS } from '../../words/en/coaches.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Your sign-in · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: accountCss }];

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(request, async (db, coach) => {
    const zone = coachZone(request);
    const search = new URL(request.url).searchParams;
    const [email, sessions, codesLeft] = await Promise.all([
      getCoachEmail(db, coach.coachId),
      listCoachSessions(db, coach.coachId, new Date(nowMs())),
      countRecoveryCodes(db, coach.coachId),
    ]);
    const words = (ms: number) => `${formatDay(localDate(ms, zone))}, ${localTime(ms, zone)}`;
    return {
      name: coach.coachName,
      email,
      role: coach.role,
      hasSecondStep: coach.hasSecondStep,
      codesLeft,
      // A key that nobody has used yet: it counts only once an authenticator shows its code.
      offer: !coach.hasSecondStep && search.get('second') === 'on' ? offerOf(makeTotpKey(), email) : null,
      sessions: sessions.map((s) => ({
        id: s.id,
        agent: s.agent || 'A browser',
        isThis: s.id === coach.sessionId,
        since: words(s.madeAtMs),
        seen: words(s.seenAtMs),
      })),
    };
  });
}

export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, undefined, 'reader');
  if (formText(form, 'intent') === 'everywhere') {
    await withCoach(
      request,
      async (db, coach) => {
        await deleteCoachSessions(db, coach.coachId);
        await note(db, coach, 'all-sessions-ended');
      },
      'reader',
    );
    // Only once that stands: this browser's own session is among them.
    return redirect('/sign-in', { headers: { 'set-cookie': await signOut(request) } });
  }
  return changeAccount(request, await requireRole(request, 'reader'), form);
}

/** What the server said to one of the forms of the page. */
const answerOf = (answer: AccountAnswer | undefined, ...intents: readonly string[]): AccountAnswer | undefined =>
  answer && intents.includes(answer.intent) ? answer : undefined;

export default function You({ loaderData, actionData }: Route.ComponentProps) {
  const { role } = loaderData;
  const answer: AccountAnswer | undefined = actionData;
  return (
    <AccountPage title="Your sign-in">
      {answer?.errors.form && <SaveNote isBad>{answer.errors.form}</SaveNote>}
      {answer?.codes && <Codes codes={answer.codes} />}
      <NamePart name={loaderData.name} role={ROLE_WORDS[role].says} answer={answerOf(answer, 'name')} />
      <AddressPart email={loaderData.email} answer={answerOf(answer, 'address')} />
      <PasswordPart answer={answerOf(answer, 'password')} />
      <SecondStepPart {...loaderData} answer={answerOf(answer, 'second-on', 'second-off', 'codes')} />
      <SessionsPart sessions={loaderData.sessions} answer={answerOf(answer, 'end-session')} />
    </AccountPage>
  );
}

interface PartProps {
  readonly answer: AccountAnswer | undefined;
}

const useBusy = (intent: string): boolean => useNavigation().formData?.get('intent') === intent;

/** A form that is empty again once it was taken. */
function PartForm({
  intent,
  answer,
  ok,
  children,
}: PartProps & { intent: string; ok: string; children: React.ReactNode }) {
  const [seen, setSeen] = useState(answer);
  const [taken, setTaken] = useState(0);
  if (answer !== seen) {
    setSeen(answer);
    if (answer !== undefined && Object.keys(answer.errors).length === 0) setTaken(taken + 1);
  }
  return (
    <Form method="post" className="account-form" noValidate key={taken} preventScrollReset>
      <input type="hidden" name="intent" value={intent} />
      {answer?.told && <SaveNote>{answer.told}</SaveNote>}
      {children}
      <Button htmlType="submit" loading={useBusy(intent)}>
        {ok}
      </Button>
    </Form>
  );
}

function NamePart({ name, role, answer }: PartProps & { name: string; role: string }) {
  return (
    <AccountPart title="Your name" says={`Stands in messages, and beside what you do. ${role}`}>
      <PartForm intent="name" answer={answer} ok="Save">
        <label>
          Name
          <Input name="name" autoComplete="name" defaultValue={answer?.typed ?? name} />
          <FieldError words={answer?.errors.name} />
        </label>
      </PartForm>
    </AccountPart>
  );
}

function AddressPart({ email, answer }: PartProps & { email: string }) {
  return (
    <AccountPart title="Your e-mail" says={`You sign in with ${email}. Another counts once it was confirmed.`}>
      <PartForm intent="address" answer={answer} ok="Change it">
        <label>
          New e-mail address
          <Input name="email" type="email" autoComplete="email" defaultValue={answer?.typed ?? ''} />
          <FieldError words={answer?.errors.email} />
        </label>
        <ProveAgain errors={answer?.errors} />
      </PartForm>
    </AccountPart>
  );
}

function PasswordPart({ answer }: PartProps) {
  return (
    <AccountPart title="Your password" says="Ten letters or more; a few words in a row are good.">
      <PartForm intent="password" answer={answer} ok="Change it">
        <ProveAgain errors={answer?.errors} always />
        <label>
          New password
          <Input.Password name="password" autoComplete="new-password" />
          <FieldError words={answer?.errors.password} />
        </label>
      </PartForm>
    </AccountPart>
  );
}

interface SecondStepProps extends PartProps {
  readonly hasSecondStep: boolean;
  readonly codesLeft: number;
  readonly offer: { readonly key: string; readonly address: string } | null;
  readonly email: string;
}

function SecondStepPart({ hasSecondStep, codesLeft, offer, answer }: SecondStepProps) {
  const says = hasSecondStep
    ? `It is on: signing in takes your password and a code from your phone. ${plural(codesLeft, 'recovery code')} left.`
    : 'A code from an authenticator on your phone, beside the password: whoever learns the password still doesn’t get in.';
  return (
    <AccountPart title="Second step" says={says}>
      {hasSecondStep ? (
        <Form method="post" className="account-form" noValidate preventScrollReset>
          {answer?.told && <SaveNote>{answer.told}</SaveNote>}
          <ProveAgain errors={answer?.errors} always />
          <p>
            <Button htmlType="submit" name="intent" value="codes">
              New recovery codes
            </Button>{' '}
            <Button htmlType="submit" name="intent" value="second-off" danger>
              Turn it off
            </Button>
          </p>
        </Form>
      ) : offer ? (
        <TurnOn offer={offer} answer={answer} />
      ) : (
        <>
          {answer?.told && <SaveNote>{answer.told}</SaveNote>}
          <Form method="get" preventScrollReset>
            <Button htmlType="submit" name="second" value="on">
              Turn it on
            </Button>
          </Form>
        </>
      )}
    </AccountPart>
  );
}

function TurnOn({ offer, answer }: PartProps & { offer: NonNullable<SecondStepProps['offer']> }) {
  // The key that was shown first stays: it may be on the phone already.
  const [first] = useState(offer);
  return (
    <div className="account-second">
      <QRCode value={first.address} size={176} type="svg" bordered={false} aria-label="The key, for the camera" />
      <PartForm intent="second-on" answer={answer} ok="Turn it on">
        <p className="small">
          Let your authenticator read this, or type the key: <code>{first.key.replace(/(....)(?=.)/g, '$1 ')}</code>
        </p>
        <input type="hidden" name="key" value={first.key} />
        <label>
          The code that it shows now
          <Input name="code" inputMode="numeric" autoComplete="one-time-code" />
          <FieldError words={answer?.errors.code} />
        </label>
        <ProveAgain errors={answer?.errors} />
      </PartForm>
    </div>
  );
}

/** Ten codes, shown once. */
function Codes({ codes }: { codes: readonly string[] }) {
  return (
    <AccountPart
      title="Your recovery codes"
      says="Each lets you in once when the phone is gone. They are shown only now: print them, or write them down."
    >
      <ul className="account-codes">
        {codes.map((code) => (
          <li key={code}>
            <code>{code}</code>
          </li>
        ))}
      </ul>
      <Button onClick={() => void navigator.clipboard.writeText(codes.join('\n'))}>Copy them</Button>{' '}
      <Button onClick={() => window.print()}>Print</Button>
    </AccountPart>
  );
}

function SessionsPart({ sessions, answer }: PartProps & { sessions: Route.ComponentProps['loaderData']['sessions'] }) {
  return (
    <AccountPart
      title="Where you are signed in"
      says="A browser that isn’t used for fourteen days is signed out by itself. A lost phone, a borrowed computer: end it here."
    >
      {answer?.told && <SaveNote>{answer.told}</SaveNote>}
      <ul className="account-lines">
        {sessions.map((s) => (
          <li key={s.id}>
            <b>{s.agent}</b>
            <span className="soft small">
              since {s.since}
              {s.isThis ? ' · this one' : ` · last seen ${s.seen}`}
            </span>
            {!s.isThis && (
              <Form method="post" preventScrollReset>
                <input type="hidden" name="session" value={s.id} />
                <Button size="small" htmlType="submit" name="intent" value="end-session">
                  Sign this one out
                </Button>
              </Form>
            )}
          </li>
        ))}
      </ul>
      <Form method="post">
        <Button htmlType="submit" name="intent" value="everywhere">
          Sign out everywhere, here too
        </Button>
      </Form>
    </AccountPart>
  );
}
