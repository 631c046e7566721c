import { Button, Input, Radio } from 'antd';
import { Form } from 'react-router';
import { VOICE_LEVELS } from '../../../core/clock/voice/voice.ts';
import type { RunClock } from '../../../db/queries/run.ts';
import { Field } from '../../parts/fields/field.tsx';

const LEVEL_WORDS = {
  all: 'everything',
  changes: 'what changes: movement, side, rest',
  numbers: 'numbers and counts only',
  off: 'nothing',
} as const;

/** What the clocks of a run's people say at first, and what they warm up with where a session has nothing for it. */
export function RunClockForm({
  clock: { voice, warmUp },
  errors,
  busy,
}: {
  readonly clock: RunClock;
  readonly errors: Record<string, string>;
  readonly busy: boolean;
}) {
  return (
    <section aria-labelledby="run-clock">
      <h2 id="run-clock">On people’s clocks</h2>
      <Form method="post" className="run-form">
        <input type="hidden" name="intent" value="clock" />
        <fieldset>
          <legend>The voice says, until somebody chooses for themselves</legend>
          <Radio.Group name="voice" defaultValue={voice} className="run-choices">
            {VOICE_LEVELS.map((level) => (
              <Radio key={level} value={level}>
                {LEVEL_WORDS[level]}
              </Radio>
            ))}
          </Radio.Group>
          {errors.voice && <span className="field-error">{errors.voice}</span>}
        </fieldset>
        <Field
          label="Warm-up for sessions that have none"
          hint="The clock asks “Did you warm up?” and shows this before it starts."
          error={errors.warmUp}
        >
          <Input.TextArea
            name="warmUp"
            rows={3}
            maxLength={1000}
            defaultValue={warmUp.words}
            placeholder="March for two minutes, then circle every joint that you’ll use."
          />
        </Field>
        <Field label="A film of it" error={errors.warmUpFilm}>
          <Input name="warmUpFilm" inputMode="url" defaultValue={warmUp.film} placeholder="https://" />
        </Field>
        <p className="run-inline">
          <Button htmlType="submit" disabled={busy}>
            Save what clocks say
          </Button>
        </p>
      </Form>
    </section>
  );
}
