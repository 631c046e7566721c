import { Button, Checkbox, Input } from 'antd';
import { Form } from 'react-router';
import { JOINTS, PATTERNS, POSITIONS } from '../../core/movement/movement.ts';
import type { Movement } from '../../core/movement/movement.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { useLoaded } from '../parts/figure/use-loaded.ts';
import { Choice } from '../parts/fields/choice.tsx';

/** Fetched after the form: drawing is asked for last. */
const loadDrawIt = () => import('./draw-it.tsx');

interface MovementFormProps {
  readonly movement: Movement;
  readonly isNew: boolean;
  readonly errors: Record<string, string>;
  readonly library: MovementLibrary;
}

const grade = (name: string, label: string, value: number) => (
  <label key={name}>
    {label}
    <Choice name={name} defaultValue={String(value)} options={['0', '1', '2', '3']} />
  </label>
);

/** Every field of a movement. What differs from the one that ships is kept over it; the rest stays the library's own. */
export function MovementForm({ movement: m, isNew, errors, library }: MovementFormProps) {
  const drawing = useLoaded(loadDrawIt);
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" role="alert">
        {errors[name]}
      </p>
    );
  const flag = (name: string, label: string, value: boolean) => (
    <Checkbox name={name} value="yes" defaultChecked={value}>
      {' '}
      {label}
    </Checkbox>
  );
  return (
    <Form method="post" className="movement-form" preventScrollReset>
      <input type="hidden" name="intent" value="movement" />
      <input type="hidden" name="id" value={isNew ? '' : m.id} />
      <label>
        Name
        <Input name="name" defaultValue={m.name} maxLength={80} />
      </label>
      {error('name')}
      <label>
        Other names
        <Input name="otherNames" defaultValue={m.otherNames.join(', ')} />
      </label>
      {error('otherNames')}
      <div className="three-fields">
        <label>
          Pattern
          <Choice name="pattern" defaultValue={m.pattern} options={PATTERNS} />
        </label>
        <label>
          Position
          <Choice name="position" defaultValue={m.position} options={POSITIONS} />
        </label>
        <label>
          Effort class
          <Choice name="effortClass" defaultValue={String(m.effortClass)} options={['1', '2', '3', '4', '5']} />
        </label>
      </div>
      <label>
        Kit it needs
        <Input name="kit" defaultValue={m.kit.join(', ')} />
      </label>
      {error('kit')}
      <div className="three-fields">
        <label>
          {m.isHold ? 'Seconds held, low' : 'Seconds each, quick'}
          <Input name="low" inputMode="decimal" defaultValue={m.paceSec.low} />
        </label>
        <label>
          likely
          <Input name="likely" inputMode="decimal" defaultValue={m.paceSec.likely} />
        </label>
        <label>
          {m.isHold ? 'high' : 'careful'}
          <Input name="high" inputMode="decimal" defaultValue={m.paceSec.high} />
        </label>
      </div>
      {error('paceSec')}
      <fieldset>
        <legend>Demand, 0 to 3</legend>
        <div className="panel-levels">
          {JOINTS.map((j) => grade(`demand-${j}`, j, m.demand[j]))}
          {grade('impact', 'impact', m.impact)}
          {grade('noise', 'noise', m.noise)}
        </div>
      </fieldset>
      <fieldset>
        <div className="panel-spares">
          {flag('isHold', 'held', m.isHold)}
          {flag('isOneSided', 'one side at a time', m.isOneSided)}
          {flag('isOverhead', 'overhead', m.isOverhead)}
          {flag('isOnFloor', 'on the floor', m.isOnFloor)}
          {flag('preparesWrists', 'prepares the wrists', m.preparesWrists)}
        </div>
      </fieldset>
      <label>
        Set-up
        <Input name="setUp" defaultValue={m.setUp} maxLength={200} />
      </label>
      <label>
        Doing
        <Input name="doing" defaultValue={m.doing} maxLength={200} />
      </label>
      <label>
        Watch for
        <Input name="watchFor" defaultValue={m.watchFor} maxLength={200} />
      </label>
      <label>
        Breathing
        <Input name="breathing" defaultValue={m.breathing} maxLength={200} />
      </label>
      <label>
        Cautions, one a line
        <Input.TextArea name="cautions" rows={2} defaultValue={m.cautions.join('\n')} />
      </label>
      <label>
        A film of your own
        <Input name="film" type="url" defaultValue={m.film} maxLength={300} placeholder="https://" />
      </label>
      {error('film')}
      {drawing ? (
        <drawing.DrawIt movement={m} library={library} />
      ) : (
        <input type="hidden" name="drawing" value={m.drawing} />
      )}
      {error('drawing')}
      <Button type="primary" htmlType="submit">
        Save
      </Button>
    </Form>
  );
}
