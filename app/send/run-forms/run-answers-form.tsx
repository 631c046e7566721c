import { Button, Input } from 'antd';
import { Form } from 'react-router';
import { Field } from '../../parts/fields/field.tsx';

/** Where answers to a run's messages go, and who reads them. */
export function RunAnswersForm({
  replyTo,
  firstCoach,
  errors,
  busy,
}: {
  readonly replyTo: string;
  readonly firstCoach: string;
  readonly errors: Record<string, string>;
  readonly busy: boolean;
}) {
  return (
    <section aria-labelledby="run-answers">
      <h2 id="run-answers">Answers to messages</h2>
      <Form method="post" className="run-form">
        <input type="hidden" name="intent" value="answers" />
        <Field
          label="They go to"
          hint={`Left empty, an answer to a note goes to whoever wrote it, and any other to ${firstCoach}. People see the address.`}
          error={errors.replyTo}
        >
          <Input name="replyTo" inputMode="email" maxLength={254} defaultValue={replyTo} placeholder="answers@…" />
        </Field>
        <p className="run-inline">
          <Button htmlType="submit" disabled={busy}>
            Save where answers go
          </Button>
        </p>
      </Form>
    </section>
  );
}
