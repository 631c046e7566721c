import { Button, Input } from 'antd';
import { Form, Link, useSubmit } from 'react-router';
import type { SheetFigure } from '../../core/figure/sheet-figure.ts';
import type { DrawnLadder } from './ladder-steps.tsx';
import { LadderSteps } from './ladder-steps.tsx';

/** A ladder of the chosen movement: drawn, or being changed. */
export function LadderView({
  ladder,
  here,
  linkTo,
  figureOf,
  isEditing,
  editPath,
  isOwn,
  isShipped,
  error,
}: {
  ladder: DrawnLadder;
  here: string;
  linkTo: (id: string) => string;
  figureOf: (id: string) => SheetFigure | null;
  isEditing: boolean;
  editPath: string;
  isOwn: boolean;
  /** Of the library; else it is made by reading, and a change makes it a ladder of its own. */
  isShipped: boolean;
  error: string;
}) {
  const submit = useSubmit();
  return (
    <section>
      <h3>{ladder.name}</h3>
      {isEditing ? (
        <LadderForm
          id={isShipped ? ladder.id : ''}
          name={isShipped ? ladder.name : here.replaceAll('-', ' ')}
          steps={ladder.steps.map((s) => `${s.name}: ${s.change}`).join('\n')}
          error={error}
        />
      ) : (
        <LadderSteps ladder={ladder} here={here} linkTo={linkTo} figureOf={figureOf} />
      )}
      {!isEditing && (
        <p className="small">
          <Link to={editPath} preventScrollReset>
            change this ladder
          </Link>
          {isOwn && (
            <>
              {' '}
              <Button
                type="link"
                size="small"
                className="link"
                onClick={() => void submit({ intent: 'reset-ladder', id: ladder.id, from: here }, { method: 'post' })}
              >
                undo our changes
              </Button>
            </>
          )}
        </p>
      )}
    </section>
  );
}

export function LadderForm({ id, name, steps, error }: { id: string; name: string; steps: string; error: string }) {
  return (
    <Form method="post" className="movement-form" preventScrollReset>
      <input type="hidden" name="intent" value="ladder" />
      <input type="hidden" name="id" value={id} />
      <label>
        Ladder
        <Input name="name" defaultValue={name} maxLength={80} />
      </label>
      <label>
        Steps, easiest first, what changes after a colon
        <Input.TextArea name="steps" rows={7} defaultValue={steps} />
      </label>
      {error && (
        <p className="field-error" role="alert">
          {error}
        </p>
      )}
      <Button type="primary" htmlType="submit">
        Save
      </Button>
    </Form>
  );
}
