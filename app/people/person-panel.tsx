import { Button, Checkbox, Input } from 'antd';
import { channelOf } from '../../core/channels/channels.ts';
import { Form, Link } from 'react-router';
import { PATTERNS } from '../../core/movement/movement.ts';
import { SPARE_WORDS, SPARES } from '../../core/movement/spare.ts';
import { SaveNote } from '../parts/save-note.tsx';
import type { Contact } from '../../db/queries/person.ts';
import type { PanelPerson } from '../../server/people/panel-person.ts';
import { PersonDays } from './person-days.tsx';
import { Choice } from '../parts/fields/choice.tsx';
import { ZoneField } from '../parts/fields/zone-field.tsx';

interface PersonPanelProps {
  readonly person: PanelPerson;
  readonly errors: Record<string, string>;
  readonly isKept: boolean;
  readonly close: string;
  readonly onRemove: () => void;
}

const CARE = {
  'not-asked': 'not answered yet',
  clear: 'nothing in the way',
  wait: 'wait: asked to see a clinician first',
  seen: 'a clinician has been seen',
} as const;

/** By what messages reach someone, in words. */
function CONTACT_WORDS({ channel, addressState, addressReason }: Contact): string {
  if (addressState === 'stopped') return 'They want no messages; they come by their link.';
  if (addressState === 'bounced')
    return `The last message came back: ${addressReason}. Write another address, or ask them.`;
  if (addressState === 'asked') return 'They haven’t confirmed it yet; no messages go there.';
  return channel === 'none'
    ? 'No messages go there; they come by their link.'
    : `Messages go there, ${channelOf(channel).as}.`;
}

/** One person: what fits them, as coach and person have said it. */
export function PersonPanel({ person, errors, isKept, close, onRemove }: PersonPanelProps) {
  const { profile } = person;
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" role="alert">
        {errors[name]}
      </p>
    );
  return (
    <aside className="follow-panel person-panel" aria-label={person.name}>
      <Link className="follow-close" to={close} aria-label="Close" preventScrollReset>
        ×
      </Link>
      <h2 dir="auto">{person.name}</h2>
      <p className={profile.care === 'wait' ? 'plan-off' : 'soft small'}>Before starting: {CARE[profile.care]}</p>
      {profile.careShared && <blockquote>{profile.careShared}</blockquote>}
      {isKept && <SaveNote>Saved.</SaveNote>}
      <PersonDays person={person} error={errors.absence} />
      <Form method="post" key={person.enrolmentId} preventScrollReset>
        <input type="hidden" name="intent" value="profile" />
        <input type="hidden" name="enrolmentId" value={person.enrolmentId} />
        <label>
          Name
          <Input name="name" defaultValue={person.name} maxLength={80} />
        </label>
        {error('name')}
        <label>
          Group
          <Input name="detail" defaultValue={person.detail} maxLength={80} />
        </label>
        {error('detail')}
        <label>
          Time zone
          <ZoneField name="timeZone" defaultValue={person.timeZone} />
        </label>
        {error('timeZone')}
        <label>
          E-mail or number
          <Input name="address" defaultValue={profile.address} maxLength={120} placeholder="e-mail or number" />
        </label>
        {error('address')}
        <p className="soft small">{CONTACT_WORDS(profile.contact)}</p>
        <label>
          Kit at hand
          <Input
            name="kit"
            defaultValue={profile.kit === undefined ? '' : profile.kit.length === 0 ? 'none' : profile.kit.join(', ')}
            placeholder="whatever is asked"
          />
        </label>
        <fieldset>
          <legend>Avoid</legend>
          <div className="panel-spares">
            {SPARES.map((s) => (
              <Checkbox key={s} name="spare" value={s} defaultChecked={profile.spares.includes(s)}>
                {SPARE_WORDS[s]}
              </Checkbox>
            ))}
          </div>
        </fieldset>
        <fieldset>
          <legend>Level, the hardest effort class they do</legend>
          <div className="panel-levels">
            {PATTERNS.map((p) => (
              <label key={p}>
                {p}
                <Choice
                  name={`level-${p}`}
                  defaultValue={String(profile.levels[p] ?? '')}
                  options={[{ value: '', words: 'any' }, '1', '2', '3', '4', '5']}
                />
              </label>
            ))}
          </div>
        </fieldset>
        <label>
          Standing swaps, one a line
          <Input.TextArea name="swaps" rows={2} defaultValue={person.swapWords} placeholder="push-up -> wall push-up" />
        </label>
        {error('swaps')}
        <Button type="primary" htmlType="submit">
          Save
        </Button>{' '}
        <Button type="text" size="small" className="tool" onClick={onRemove}>
          remove from this programme
        </Button>
      </Form>
    </aside>
  );
}
