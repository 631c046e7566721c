import { useState } from 'react';
import { weekdaysFrom } from '../../../core/calendar/day.ts';
import { describeTextChange } from '../../../core/progress/edit/find-differences.ts';
import type { WeekPlan } from '../../../core/progress/plan-programme.ts';
import { changePct } from '../../../core/progress/week/training-load.ts';
import { formatChange } from '../../../core/progress/week/week-change.ts';
import { wholeMinutes } from '../../../core/words/words.ts';
import { AREAS } from '../../../core/movement/movement.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import { Dialog } from '../../parts/dialog.tsx';
import { planRibbon } from '../grid/plan-cell.tsx';
import type { Plan } from '../use-plan.ts';
import { Choice } from '../../parts/fields/choice.tsx';

type Figure = readonly [name: string, of: (week: WeekPlan) => number, show?: (value: number) => number | string];
const FIGURES: readonly Figure[] = [
  ['planned load', (w) => w.loadAu, Math.round],
  ['minutes', (w) => w.likelySec, wholeMinutes],
  ['minutes of work', (w) => w.workSec, wholeMinutes],
  ...AREAS.map((area): Figure => [`work, ${area}, min`, (w) => w.workByArea[area] ?? 0, wholeMinutes]),
  ...AREAS.map((area): Figure => [`reps, ${area}`, (w) => w.repsByArea[area] ?? 0]),
];

function changeWords(was: number, now: number): string {
  const pct = changePct(was, now);
  return pct === undefined ? '' : was === now ? 'the same' : formatChange(pct, 1);
}

/** Two weeks side by side: session by session to one scale, with what differs in words and figures. */
export function CompareDialog({ plan, week, onClose }: { plan: Plan; week: number; onClose: () => void }) {
  const { weeks, tools } = plan;
  const [left, setLeft] = useState(week > 1 ? week - 1 : week);
  const [right, setRight] = useState(week > 1 ? week : Math.min(2, weeks.length));
  const [a, b] = [weeks[left - 1]!, weeks[right - 1]!];
  const longest = Math.max(1, ...[a, b].flatMap((w) => w.days.map((d) => d?.plan?.clockSec.likely ?? 0)));
  const pick = (value: number, set: (week: number) => void, label: string) => (
    <Choice
      label={label}
      value={String(value)}
      onChange={(week) => set(Number(week))}
      options={weeks.map((w) => ({ value: String(w.week), words: `Week ${w.week}${w.isLighter ? ', lighter' : ''}` }))}
    />
  );
  return (
    <Dialog
      open
      wide
      title="Compare two weeks"
      okText="Back to the plan"
      cancelText={null}
      onOk={onClose}
      onCancel={onClose}
    >
      <table className="compare">
        <thead>
          <tr>
            <th>
              <span className="sr">day</span>
            </th>
            <th>{pick(left, setLeft, 'One week')}</th>
            <th>{pick(right, setRight, 'The other week')}</th>
            <th>what differs</th>
          </tr>
        </thead>
        <tbody>
          {weekdaysFrom(plan.programme.firstWeekday).map((name, i) => {
            const [x, y] = [a.days[i]?.plan, b.days[i]?.plan];
            if (!a.days[i] && !b.days[i]) return null;
            return (
              <tr key={name}>
                <th scope="row">{name.slice(0, 3)}</th>
                {[x, y].map((p, k) => (
                  <td key={k}>
                    {p ? (
                      <>
                        <span className="compare-ribbon" style={{ width: `${(100 * p.clockSec.likely) / longest}%` }}>
                          <Ribbon layout={planRibbon(p)} stretch />
                        </span>
                        <span className="small">
                          <b>{wholeMinutes(p.clockSec.likely)}</b> {p.title}
                        </span>
                      </>
                    ) : (
                      <span className="soft small">{(k === 0 ? a : b).days[i] ? 'to write' : 'no session'}</span>
                    )}
                  </td>
                ))}
                <td className="small">
                  {x && y ? (
                    a.days[i]!.day.text === b.days[i]!.day.text ? (
                      <span className="soft">the same</span>
                    ) : (
                      describeTextChange(x, y, tools.planner)
                    )
                  ) : (
                    ''
                  )}
                </td>
              </tr>
            );
          })}
          {FIGURES.filter(([, of]) => of(a) > 0 || of(b) > 0).map(([name, of, show = String]) => (
            <tr key={name} className="compare-figure">
              <th scope="row">{name}</th>
              <td>{show(of(a))}</td>
              <td>{show(of(b))}</td>
              <td className="small">{changeWords(of(a), of(b))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Dialog>
  );
}
