import { Button, Input, Radio } from 'antd';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Form } from 'react-router';
import type { Run } from '../../../db/queries/run.ts';
import { DayField, HourField } from '../../parts/fields/day-field.tsx';
import { Field } from '../../parts/fields/field.tsx';
import { ZoneField } from '../../parts/fields/zone-field.tsx';

/** When a run's sessions go out: its first day, by whom, on whose calendar, at what hour, and what may be done early or late. */
export function RunRulesForm({
  run,
  errors,
  busy,
  canMove,
  zone,
}: {
  readonly run: Run;
  readonly errors: Record<string, string>;
  readonly busy: boolean;
  /** Nothing was sent yet, so that its first day may be another. */
  readonly canMove: boolean;
  /** The coach's own. */
  readonly zone: string;
}) {
  const { rules } = run;
  const [release, setRelease] = useState(rules.releaseZone === null ? 'local' : 'instant');
  return (
    <Form method="post" className="run-form">
      <input type="hidden" name="intent" value="settings" />
      <div className="run-pair">
        <Field label="Name" error={errors.title}>
          <Input name="title" maxLength={80} defaultValue={run.title} placeholder="Spring" />
        </Field>
        <Field label="Day 1" hint={canMove ? undefined : 'Something was sent, so it stays.'} error={errors.startsOn}>
          <DayField name="startsOn" defaultValue={rules.startsOn} readOnly={!canMove} required />
        </Field>
      </div>
      <Choice
        legend="Days go out"
        name="by"
        value={run.isByHand ? 'hand' : 'itself'}
        options={[
          [
            'itself',
            'by themselves, once they are marked ready',
            'One that isn’t warns you two days, a day and three hours ahead.',
          ],
          ['hand', 'when I send them'],
        ]}
      />
      <Choice
        legend="On whose calendar"
        name="calendar"
        value={rules.calendar}
        options={[
          ['host', 'all on the same dates'],
          ['own', 'each from their own day 1', 'On weekdays of their own, if they like.'],
        ]}
      />
      <fieldset>
        <legend>At what hour</legend>
        <HourField
          label="Hour"
          name="releaseTime"
          defaultValue={rules.releaseTime}
          isBad={errors.releaseTime !== undefined}
        />
        {errors.releaseTime && <span className="field-error">{errors.releaseTime}</span>}
        <Radios
          name="release"
          value={release}
          onChange={setRelease}
          options={[
            ['local', 'of each person’s own clock'],
            ['instant', 'for all at one instant, by the clock of'],
          ]}
        />
        {release === 'instant' && (
          <Field label={<span className="sr">Zone</span>} error={errors.releaseZone}>
            <ZoneField name="releaseZone" defaultValue={rules.releaseZone ?? zone} />
          </Field>
        )}
      </fieldset>
      <div className="run-pair">
        <Field label="Days one may look ahead" error={errors.lookAheadDays}>
          <Input name="lookAheadDays" inputMode="numeric" defaultValue={rules.lookAheadDays} className="run-number" />
        </Field>
        <Field label="Days one may make up for" hint="Left empty: at any time." error={errors.makeUp}>
          <Input name="makeUpDays" inputMode="numeric" defaultValue={rules.makeUpDays ?? ''} className="run-number" />
        </Field>
      </div>
      <Choice
        legend="Who joins late begins"
        name="joinsLate"
        value={run.joinsLate}
        options={[
          ['with-rest', 'today, with the rest'],
          ['from-day-1', 'from day 1, on a calendar of their own'],
        ]}
      />
      <p className="run-inline">
        <Button type="primary" htmlType="submit" disabled={busy}>
          Save when it goes out
        </Button>
      </p>
    </Form>
  );
}

/** Its value, what it is called, and what follows from it. */
type Option = readonly [value: string, words: string, more?: string];

interface RadiosProps {
  readonly name: string;
  readonly value: string;
  readonly options: readonly Option[];
  readonly onChange?: (value: string) => void;
}

const Choice = ({ legend, ...radios }: RadiosProps & { readonly legend: ReactNode }) => (
  <fieldset>
    <legend>{legend}</legend>
    <Radios {...radios} />
  </fieldset>
);

const Radios = ({ name, value, options, onChange }: RadiosProps) => (
  <Radio.Group
    name={name}
    defaultValue={value}
    className="run-choices"
    onChange={(event) => onChange?.(event.target.value as string)}
  >
    {options.map(([own, words, more]) => (
      <Radio key={own} value={own}>
        {words}
        {more && <small className="soft">{more}</small>}
      </Radio>
    ))}
  </Radio.Group>
);
