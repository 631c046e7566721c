import { hasAtMost } from '../../../core/letters.ts';
import { Button, Form as AntForm, Input, Popconfirm, Select } from 'antd';
import { useMemo, useState } from 'react';
import { data, Link, useActionData, useSearchParams, useNavigation, useSubmit } from 'react-router';
import { object, string } from 'yup';
import type { DayDate } from '../../../core/calendar/day.ts';
import { formatShortDay, parseDayDate } from '../../../core/calendar/day.ts';
import { isTimeZone, localTime } from '../../../core/calendar/release.ts';
import { SPARE_WORDS } from '../../../core/movement/spare.ts';
import type { PersonProfile } from '../../../db/queries/person.ts';
import {
  insertParticipant,
  insertPersonalLink,
  listParticipants,
  updateLinksRevoked,
  updateProfile,
} from '../../../db/queries/person.ts';
import { coachForm, notFound, withProgramme } from '../../../server/coach-scope.ts';
import { coachZone } from '../../../server/coach-zone.ts';
import { nowMs, publicUrl } from '../../../server/config.ts';
import { yupErrors } from '../../../server/log-form.ts';
import { hashToken, makeToken } from '../../../server/token.ts';
import { formId, formText } from '../../../server/form-text.ts';
import { rosterDefaults } from '../../../server/roster-defaults.ts';
import { readProfileForm } from '../../../server/profile-form.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import { PeopleCsvDialog } from '../../components/people-csv-dialog.tsx';
import { PersonPanel } from '../../components/person-panel.tsx';
import { Dialog } from '../../components/dialog.tsx';
import type { Route } from './+types/people';

export { onlyNewPlaces as shouldRevalidate } from '../../components/only-new-places.ts';

export const meta: Route.MetaFunction = () => [{ title: 'People · Ysodos' }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const people = await listParticipants(db, programme.runId);
    const { library } = await loadWorkspaceBook(db);
    const name = (id: string) => library.find(id)?.name ?? id;
    return {
      programmeId: programme.id,
      defaults: rosterDefaults(programme.startsOn, people, coachZone(request)),
      origin: publicUrl().origin,
      people: people.map((p) => ({
        ...p,
        joined: formatShortDay(p.joinedOn),
        late: p.joinedOn > programme.startsOn,
        nowThere: localTime(nowMs(), p.timeZone),
        swapWords: p.profile.swaps.map((s) => `${name(s.from)} -> ${name(s.to)}`).join('\n'),
      })),
      zones: Intl.supportedValuesOf('timeZone'),
    };
  });
}

const schema = object({
  name: string().trim().required('Write a name.').test('letters', 'A name has at most 80 letters.', hasAtMost(80)),
  detail: string().trim().test('letters', 'At most 80 letters.', hasAtMost(80)),
  timeZone: string()
    .required('Choose a time zone.')
    .test('zone', 'That is no time zone known here.', (v) => isTimeZone(v)),
  joinedOn: string()
    .required('Say since when.')
    .test('date', 'That is no date.', (v) => parseDayDate(v) !== undefined),
});

interface PeopleAnswer {
  errors: Record<string, string>;
  kept?: number;
  made?: { name: string; path: string };
}
const answer = (a: PeopleAnswer, status = 200) => data(a, { status });

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  const now = new Date(nowMs());
  return withProgramme(request, params.programmeId, async (db, { coach, programme }) => {
    const makeLink = async (enrolmentId: number, name: string) => {
      const token = makeToken();
      await insertPersonalLink(db, { workspaceId: coach.workspaceId, enrolmentId, tokenHash: hashToken(token), now });
      return answer({ errors: {}, made: { name, path: `/p/${token}` } });
    };
    if (intent === 'add') {
      const values = Object.fromEntries(
        ['name', 'detail', 'timeZone', 'joinedOn'].map((k) => [k, formText(form, k)]),
      ) as Record<'name' | 'detail' | 'timeZone' | 'joinedOn', string>;
      const errors = await yupErrors(schema, values);
      if (Object.keys(errors).length > 0) return answer({ errors }, 400);
      const id = await insertParticipant(db, {
        workspaceId: coach.workspaceId,
        runId: programme.runId,
        name: values.name.trim(),
        detail: values.detail.trim(),
        timeZone: values.timeZone,
        joinedOn: values.joinedOn as DayDate,
      });
      return makeLink(id, values.name.trim());
    }
    const enrolmentId = formId(form, 'enrolmentId');
    const person = (await listParticipants(db, programme.runId)).find((p) => p.enrolmentId === enrolmentId);
    if (!person) return notFound();
    if (intent === 'profile') {
      const read = await readProfileForm(form, (await loadWorkspaceBook(db)).library);
      if (read.status === 'error') return answer({ errors: read.errors }, 400);
      await updateProfile(db, person.enrolmentId, read.change);
      return answer({ errors: {}, kept: person.enrolmentId });
    }
    if (intent === 'link') return makeLink(person.enrolmentId, person.name);
    if (intent === 'revoke') {
      await updateLinksRevoked(db, person.enrolmentId, now);
      return answer({ errors: {} });
    }
    return answer({ errors: { form: 'That is no step of this page; load it again.' } }, 400);
  });
}

export default function People({ loaderData }: Route.ComponentProps) {
  const { people, origin, zones, programmeId, defaults } = loaderData;
  const [params] = useSearchParams();
  const chosen = people.find((p) => String(p.enrolmentId) === params.get('person'));
  const [bringing, setBringing] = useState(false);
  const existing = useMemo(() => people.map((p) => p.name), [people]);
  const [adding, setAdding] = useState(false);
  const [wanted, setWanted] = useState('');
  const [shown, setShown] = useState<PeopleAnswer['made']>();
  const result = useActionData<typeof action>();
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const [seen, setSeen] = useState(result);
  if (result !== seen) {
    setSeen(result);
    if (result?.made) {
      setShown(result.made);
      setAdding(false);
    }
  }
  const list = people.filter((p) =>
    `${p.name} ${p.detail} ${p.timeZone} ${p.profile.channel}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  const post = (values: Record<string, string>) => void submit(values, { method: 'post' });
  return (
    <div className="people">
      <div className="page-title">
        <h1>People</h1>
        <p className="soft">
          {people.length} in this programme
          {people.some((p) => !p.hasLink) && `, ${people.filter((p) => !p.hasLink).length} without a link`}
        </p>
        <div className="follow-tools">
          <Input
            allowClear
            placeholder="Find a person"
            aria-label="Find a person"
            onChange={(e) => setWanted(e.target.value)}
          />
          <Button onClick={() => setBringing(true)}>Bring people in</Button>
          <Button type="primary" onClick={() => setAdding(true)}>
            Add a person
          </Button>
        </div>
      </div>
      {people.length === 0 ? (
        <p className="empty">
          Nobody is in this programme yet. Add the first person: they get a personal link, no password, and their
          sessions open at their own hour.
        </p>
      ) : (
        <div className={chosen ? 'people-columns' : ''}>
          <table className="people-list">
            <thead>
              <tr>
                <th>Name</th>
                <th>What fits them</th>
                <th>Their clock</th>
                <th>Since</th>
                <th>Personal link</th>
              </tr>
            </thead>
            <tbody>
              {list.map((p) => (
                <tr key={p.enrolmentId}>
                  <td>
                    <Link
                      className="people-name"
                      to={`?person=${p.enrolmentId}`}
                      preventScrollReset
                      aria-current={p === chosen || undefined}
                    >
                      <b>{p.name}</b>
                    </Link>{' '}
                    <span className="soft small">{p.detail}</span>
                    {p.profile.channel && <small className="soft people-channel">{p.profile.channel}</small>}
                  </td>
                  <td className="small">
                    <FitWords profile={p.profile} />
                  </td>
                  <td>
                    {p.nowThere} <span className="soft small">{p.timeZone.replaceAll('_', ' ')}</span>
                  </td>
                  <td>
                    {p.joined}
                    {p.late && <span className="soft small"> joined late</span>}
                  </td>
                  <td>
                    {p.hasLink ? 'works' : <span className="plan-off">none</span>}{' '}
                    {p.hasLink ? (
                      <>
                        <Popconfirm
                          title={`A new link for ${p.name}?`}
                          description="The one they have stops working."
                          okText="Make a new one"
                          onConfirm={() => post({ intent: 'link', enrolmentId: String(p.enrolmentId) })}
                        >
                          <button type="button" className="link">
                            replace
                          </button>
                        </Popconfirm>{' '}
                        <Popconfirm
                          title={`Take ${p.name}’s link away?`}
                          description="They can’t open their page until you make a new one."
                          okText="Take it away"
                          onConfirm={() => post({ intent: 'revoke', enrolmentId: String(p.enrolmentId) })}
                        >
                          <button type="button" className="link">
                            take away
                          </button>
                        </Popconfirm>
                      </>
                    ) : (
                      <button
                        type="button"
                        className="link"
                        onClick={() => post({ intent: 'link', enrolmentId: String(p.enrolmentId) })}
                      >
                        make one
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {chosen && (
            <PersonPanel
              person={chosen}
              zones={zones}
              errors={result?.errors ?? {}}
              isKept={result?.kept === chosen.enrolmentId}
              close="?"
            />
          )}
        </div>
      )}
      {people.length > 0 && list.length === 0 && <p className="empty">Nobody is called that here.</p>}
      <Dialog
        open={shown !== undefined}
        title={`The link of ${shown?.name ?? ''}`}
        okText="I have it"
        cancelText={null}
        onOk={() => setShown(undefined)}
        onCancel={() => setShown(undefined)}
      >
        <p>It is shown this once. Whoever has it sees this person’s sessions, so send it to them alone.</p>
        <Input
          readOnly
          value={shown ? origin + shown.path : ''}
          aria-label="Personal link"
          onFocus={(e) => e.target.select()}
          suffix={<CopyButton text={shown ? origin + shown.path : ''} />}
        />
      </Dialog>
      <PeopleCsvDialog
        open={bringing}
        programmeId={programmeId}
        defaults={defaults}
        existing={existing}
        onClose={() => setBringing(false)}
      />
      <AddPerson
        open={adding}
        busy={busy}
        onClose={() => setAdding(false)}
        errors={result?.errors ?? {}}
        zones={zones}
        joinedOn={defaults.joinedOn}
        onAdd={(values) => post({ intent: 'add', ...values })}
      />
    </div>
  );
}

/** Kit, things to spare and levels in a few words; only what differs from anyone. */
function FitWords({ profile }: { profile: PersonProfile }) {
  const { kit, spares, levels, swaps, care } = profile;
  const limits = Object.entries(levels).filter(([, level]) => level < 5);
  const words = [
    spares.map((s) => SPARE_WORDS[s]).join(', '),
    kit === undefined ? '' : kit.length === 0 ? 'no kit' : kit.join(', '),
    limits.length === 0
      ? ''
      : limits.length > 3
        ? `level ${Math.min(...limits.map(([, l]) => l))} and up`
        : limits.map(([pattern, level]) => `${pattern} ${level}`).join(', '),
    swaps.length === 0 ? '' : `${swaps.length} ${swaps.length === 1 ? 'swap' : 'swaps'}`,
  ].filter((w) => w !== '');
  return (
    <>
      {care === 'wait' && <b className="plan-off">wait </b>}
      {words.length === 0 ? <span className="soft">as anyone</span> : words.join(' · ')}
    </>
  );
}

function CopyButton({ text }: { text: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <button
      type="button"
      className="link"
      onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
    >
      {copied ? 'copied' : 'copy'}
    </button>
  );
}

interface AddPersonProps {
  readonly open: boolean;
  readonly busy: boolean;
  readonly errors: Record<string, string>;
  readonly zones: readonly string[];
  readonly joinedOn: string;
  readonly onClose: () => void;
  readonly onAdd: (values: Record<string, string>) => void;
}

function AddPerson({ open, busy, errors, zones, joinedOn, onClose, onAdd }: AddPersonProps) {
  const [form] = AntForm.useForm<Record<string, string>>();
  const help = (name: string) => (errors[name] ? { validateStatus: 'error' as const, help: errors[name] } : {});
  return (
    <Dialog
      open={open}
      title="Add a person"
      okText="Add and make a link"
      onCancel={onClose}
      onOk={() => form.submit()}
      busy={busy}
    >
      <AntForm
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={{ joinedOn }}
        onFinish={(v) =>
          onAdd({ name: v.name ?? '', detail: v.detail ?? '', timeZone: v.timeZone ?? '', joinedOn: v.joinedOn ?? '' })
        }
      >
        <AntForm.Item name="name" label="Name" {...help('name')}>
          <Input maxLength={80} autoComplete="off" />
        </AntForm.Item>
        <AntForm.Item name="detail" label="Instrument, branch or team" {...help('detail')}>
          <Input maxLength={80} autoComplete="off" />
        </AntForm.Item>
        <div className="two-fields">
          <AntForm.Item name="timeZone" label="Time zone" {...help('timeZone')}>
            <Select showSearch options={zones.map((z) => ({ value: z, label: z.replaceAll('_', ' ') }))} />
          </AntForm.Item>
          <AntForm.Item name="joinedOn" label="In it since" {...help('joinedOn')}>
            <Input type="date" />
          </AntForm.Item>
        </div>
      </AntForm>
    </Dialog>
  );
}
