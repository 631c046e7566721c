import { Button, Input, Popconfirm } from 'antd';
import { Form, Link, useSubmit } from 'react-router';
import type { Scale } from '../../core/movement/scale.ts';
import { SHIPPED_SCALES } from '../../core/movement/scale.ts';
import { INDENT_PX } from './ladder-steps.tsx';

interface ScalesPanelProps {
  readonly scales: readonly Scale[];
  /** Those that the workspace has written itself. */
  readonly own: readonly Scale[];
  /** The id of the one that is changed, `new` for a new one; null where none is. */
  readonly editing: string | null;
  readonly error: string;
  readonly closePath: string;
  readonly linkTo: (id: string) => string;
}

/** The coach's scales of resistance: what stands behind @ in a line where no weight does. */
export function ScalesPanel({ scales, own, editing, error, closePath, linkTo }: ScalesPanelProps) {
  return (
    <aside className="follow-panel person-panel" aria-label="Scales of resistance">
      <Link className="follow-close" to={closePath} aria-label="Close" preventScrollReset>
        ×
      </Link>
      <h2>Scales of resistance</h2>
      <p className="soft small">
        For what has no kilograms: write a step behind @, like <code>12 band row @ medium band</code>. A rule on load
        goes a step along, the log asks which one was used, and what comes next proposes the one after it.
      </p>
      {scales.map((scale) =>
        editing === scale.id ? (
          <ScaleForm key={scale.id} scale={scale} error={error} />
        ) : (
          <ScaleView
            key={scale.id}
            scale={scale}
            isOwn={own.some((s) => s.id === scale.id)}
            editPath={linkTo(scale.id)}
          />
        ),
      )}
      {editing === 'new' ? (
        <ScaleForm scale={{ id: '', name: '', steps: [] }} error={error} />
      ) : (
        <p className="small">
          <Link to={linkTo('new')} preventScrollReset>
            A new scale
          </Link>
        </p>
      )}
    </aside>
  );
}

function ScaleView({ scale, isOwn, editPath }: { scale: Scale; isOwn: boolean; editPath: string }) {
  const submit = useSubmit();
  const isShipped = SHIPPED_SCALES.some((s) => s.id === scale.id);
  return (
    <section>
      <h3>{scale.name}</h3>
      <ol className="ladder" aria-label={`${scale.name}, easiest first`}>
        {scale.steps.map((step, i) => (
          <li key={step} style={{ marginLeft: i * INDENT_PX }}>
            {step}
          </li>
        ))}
      </ol>
      <p className="small">
        <Link to={editPath} preventScrollReset>
          change this scale
        </Link>
        {isOwn && (
          <>
            {' '}
            <Popconfirm
              title={isShipped ? `“${scale.name}” as it ships again?` : `Remove the scale “${scale.name}”?`}
              description="Sessions keep its words."
              okText={isShipped ? 'Undo our changes' : 'Remove'}
              onConfirm={() => void submit({ intent: 'reset-scale', id: scale.id }, { method: 'post' })}
            >
              <Button type="link" size="small" className="link">
                {isShipped ? 'undo our changes' : 'remove it'}
              </Button>
            </Popconfirm>
          </>
        )}
      </p>
    </section>
  );
}

function ScaleForm({ scale, error }: { scale: Scale; error: string }) {
  return (
    <Form method="post" className="movement-form" preventScrollReset>
      <input type="hidden" name="intent" value="scale" />
      <input type="hidden" name="id" value={scale.id} />
      <label>
        Scale
        <Input name="name" defaultValue={scale.name} maxLength={80} />
      </label>
      <label>
        Steps, one a line, the easiest first
        <Input.TextArea name="steps" rows={6} defaultValue={scale.steps.join('\n')} />
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
