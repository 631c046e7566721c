import { monotonyWords, strainWords } from '../../../words/en/guards.ts';
import { Segmented } from 'antd';
import { useState } from 'react';
import type { Area } from '../../../core/movement/movement.ts';
import { AREAS } from '../../../core/movement/movement.ts';
import type { WeekPlan } from '../../../core/progress/plan-programme.ts';
import { findLoadChange, formatChange } from '../../../core/progress/week/week-change.ts';
import { wholeMinutes } from '../../../core/words/words.ts';
import { Dialog } from '../../parts/dialog.tsx';
import type { Plan } from '../use-plan.ts';

/** The pictures of the weeks as numbers. */
export function FiguresDialog({ plan, onClose }: { plan: Plan; onClose: () => void }) {
  const { weeks } = plan;
  const [byArea, setByArea] = useState<'work' | 'reps'>('work');
  const areaOf = (w: WeekPlan, a: Area) =>
    byArea === 'work' ? wholeMinutes(w.workByArea[a] ?? 0) : (w.repsByArea[a] ?? 0);
  const areas = AREAS.filter((a) => weeks.some((w) => w.workByArea[a] ?? w.repsByArea[a]));
  const change = (i: number) => {
    const found = findLoadChange(weeks, i);
    return found ? `${formatChange(found.pct, 1)}${found.against.week === i ? '' : ` on ${found.against.week}`}` : '–';
  };
  return (
    <Dialog open wide title="The weeks in figures" okText="Good" cancelText={null} onOk={onClose} onCancel={onClose}>
      <Segmented
        size="small"
        value={byArea}
        onChange={setByArea}
        options={[
          { value: 'work' as const, label: 'work by area' },
          { value: 'reps' as const, label: 'repetitions by area' },
        ]}
      />
      <div className="figures-scroll">
        <table className="figures">
          <thead>
            <tr>
              <th>Week</th>
              <th>load</th>
              <th>change</th>
              <th>minutes</th>
              <th>of work</th>
              <th>monotony</th>
              <th>strain</th>
              {areas.map((a) => (
                <th key={a}>
                  {byArea === 'work' ? 'min' : 'reps'}, {a}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {weeks.map((w, i) => (
              <tr key={w.week}>
                <th scope="row">
                  {w.week}
                  {w.isLighter && ' lighter'}
                </th>
                <td>{Math.round(w.loadAu)}</td>
                <td>{change(i)}</td>
                <td>{wholeMinutes(w.likelySec)}</td>
                <td>{wholeMinutes(w.workSec)}</td>
                <td>{monotonyWords(w.monotony)}</td>
                <td>{strainWords(w.strainAu)}</td>
                {areas.map((a) => (
                  <td key={a}>{areaOf(w, a)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="soft small">
        Load is planned effort × likely minutes; its change is against the last week that isn’t lighter. Monotony is the
        mean over the sample SD of the seven daily loads, strain is load × monotony; ∞ where all seven days ask the
        same, – where a session is missing or has no effort.
      </p>
    </Dialog>
  );
}
