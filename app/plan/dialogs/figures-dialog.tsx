import { DataTable } from '../../parts/table/data-table.tsx';
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
    <Dialog
      open
      wide
      title="The weeks in figures"
      okText="Back to the plan"
      cancelText={null}
      onOk={onClose}
      onCancel={onClose}
    >
      <Segmented
        size="small"
        value={byArea}
        onChange={setByArea}
        options={[
          { value: 'work' as const, label: 'work by area' },
          { value: 'reps' as const, label: 'repetitions by area' },
        ]}
      />
      <DataTable
        label="The weeks in figures"
        className="figures"
        rows={weeks}
        keyOf={(w) => w.week}
        columns={[
          { head: 'Week', isName: true, cell: (w) => `${w.week}${w.isLighter ? ' lighter' : ''}` },
          { head: 'load', isFigure: true, cell: (w) => Math.round(w.loadAu) },
          { head: 'change', isFigure: true, cell: (_w, i) => change(i) },
          { head: 'minutes', isFigure: true, cell: (w) => wholeMinutes(w.likelySec) },
          { head: 'of work', isFigure: true, cell: (w) => wholeMinutes(w.workSec) },
          { head: 'monotony', isFigure: true, cell: (w) => monotonyWords(w.monotony) },
          { head: 'strain', isFigure: true, cell: (w) => strainWords(w.strainAu) },
          ...areas.map((a) => ({
            head: `${byArea === 'work' ? 'min' : 'reps'}, ${a}`,
            isFigure: true,
            cell: (w: WeekPlan) => areaOf(w, a),
          })),
        ]}
      />
      <p className="soft small">
        Load is planned effort × likely minutes; its change is against the last week that isn’t lighter. Monotony is the
        mean over the sample SD of the seven daily loads, strain is load × monotony; ∞ where all seven days ask the
        same, – where a session is missing or has no effort.
      </p>
    </Dialog>
  );
}
