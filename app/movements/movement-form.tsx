import { Form } from 'react-router';
import { JOINTS, PATTERNS, POSITIONS } from '../../core/movement/movement.ts';
import type { Movement } from '../../core/movement/movement.ts';

interface MovementFormProps {
  readonly movement: Movement;
  readonly isNew: boolean;
  readonly errors: Record<string, string>;
}

const grade = (name: string, label: string, value: number) => (
  <label key={name}>
    {label}
    <select name={name} defaultValue={value}>
      {[0, 1, 2, 3].map((n) => (
        <option key={n}>{n}</option>
      ))}
    </select>
  </label>
);

/** Every field of a movement. What differs from the one that ships is kept over it; the rest stays the library's own. */
export function MovementForm({ movement: m, isNew, errors }: MovementFormProps) {
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" role="alert">
        {errors[name]}
      </p>
    );
  const flag = (name: string, label: string, value: boolean) => (
    <label>
      <input type="checkbox" name={name} value="yes" defaultChecked={value} /> {label}
    </label>
  );
  return (
    <Form method="post" className="movement-form" preventScrollReset>
      <input type="hidden" name="intent" value="movement" />
      <input type="hidden" name="id" value={isNew ? '' : m.id} />
      <label>
        Name
        <input name="name" defaultValue={m.name} maxLength={80} />
      </label>
      {error('name')}
      <label>
        Other names
        <input name="otherNames" defaultValue={m.otherNames.join(', ')} />
      </label>
      {error('otherNames')}
      <div className="three-fields">
        <label>
          Pattern
          <select name="pattern" defaultValue={m.pattern}>
            {PATTERNS.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </select>
        </label>
        <label>
          Position
          <select name="position" defaultValue={m.position}>
            {POSITIONS.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </select>
        </label>
        <label>
          Effort class
          <select name="effortClass" defaultValue={m.effortClass}>
            {[1, 2, 3, 4, 5].map((n) => (
              <option key={n}>{n}</option>
            ))}
          </select>
        </label>
      </div>
      <label>
        Kit it needs
        <input name="kit" defaultValue={m.kit.join(', ')} />
      </label>
      {error('kit')}
      <div className="three-fields">
        <label>
          {m.isHold ? 'Seconds held, low' : 'Seconds each, quick'}
          <input name="low" inputMode="decimal" defaultValue={m.paceSec.low} />
        </label>
        <label>
          likely
          <input name="likely" inputMode="decimal" defaultValue={m.paceSec.likely} />
        </label>
        <label>
          {m.isHold ? 'high' : 'careful'}
          <input name="high" inputMode="decimal" defaultValue={m.paceSec.high} />
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
        <input name="setUp" defaultValue={m.setUp} maxLength={200} />
      </label>
      <label>
        Doing
        <input name="doing" defaultValue={m.doing} maxLength={200} />
      </label>
      <label>
        Watch for
        <input name="watchFor" defaultValue={m.watchFor} maxLength={200} />
      </label>
      <label>
        Breathing
        <input name="breathing" defaultValue={m.breathing} maxLength={200} />
      </label>
      <label>
        Cautions, one a line
        <textarea name="cautions" rows={2} defaultValue={m.cautions.join('\n')} />
      </label>
      <label>
        A film of your own
        <input name="film" type="url" defaultValue={m.film} maxLength={300} placeholder="https://" />
      </label>
      {error('film')}
      <button className="button-main" type="submit">
        Save
      </button>
    </Form>
  );
}
