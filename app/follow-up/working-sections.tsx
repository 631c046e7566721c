import { DataTable } from '../parts/table/data-table.tsx';
import { monotonyWords, strainWords } from '../../words/en/guards.ts';
import {
  doneGlanceWords,
  dropOffWords,
  feltGlanceWords,
  LOAD_WORDS,
  loadGlanceWords,
  percentWords,
  survivalWords,
  unplannedWeeksWords,
  unplannedWords,
} from '../../words/en/record/at-a-glance.ts';
import { glanceAtDone, glanceAtFelt, glanceAtLoads } from '../../core/record/insights/at-a-glance.ts';
import { Link } from 'react-router';
import type { Completion, CompletionBy } from '../../core/record/insights/insights.ts';
import { COMPLETION_BY } from '../../core/record/insights/insights.ts';
import { SMALL_NUMBER } from '../../core/record/insights/shares.ts';
import { plural } from '../../core/words/words.ts';
import type { RunInsights } from '../../server/follow-up/run-insights.ts';
import { DropOffChart, FeltChart, LoadsChart, SharesChart } from './charts/insight-charts.tsx';

/** Another run, to be looked at beside this one. */
export interface OtherRun {
  readonly key: string;
  readonly words: string;
  readonly insights: RunInsights;
}

interface SectionProps {
  readonly insights: RunInsights;
  readonly other: OtherRun | null;
}

const BY_WORDS: Record<CompletionBy, string> = {
  week: 'week',
  weekday: 'weekday',
  length: 'length',
  form: 'form',
  theme: 'theme',
};

/** What was done of what was due, by week or another way, beside the other run. */
export function Done({
  insights,
  other,
  by,
  programmeKey,
  linkTo,
}: SectionProps & {
  by: CompletionBy;
  programmeKey: string;
  linkTo: (changes: Record<string, string>) => string;
}) {
  return (
    <section>
      <h2>
        What was done, by{' '}
        {COMPLETION_BY.map((b) => (
          <Link
            key={b}
            to={linkTo({ by: b })}
            preventScrollReset
            className="working-by"
            aria-current={b === by || undefined}
          >
            {BY_WORDS[b]}
          </Link>
        ))}
      </h2>
      <CompletionFigure rows={insights.completion[by]} by={by} programmeKey={programmeKey} />
      {other && (
        <>
          <h3>{other.words}</h3>
          <CompletionFigure rows={other.insights.completion[by]} by={by} programmeKey={other.key} />
        </>
      )}
    </section>
  );
}

/** Who still takes part, week by week since joining. */
export function Remaining({ insights, other }: SectionProps) {
  return (
    <section>
      <h2>Who is still there</h2>
      {insights.dropOff.people === 0 ? (
        <p className="soft">Nothing was due yet.</p>
      ) : (
        <>
          <p className="working-said">{dropOffWords(insights.dropOff)}</p>
          <DropOffChart data={insights.dropOff} other={other?.insights.dropOff} />
          <p className="small soft">
            {survivalWords(insights.lostAfter)} {other && `Dashed: ${other.words}. `}
            {insights.dropOff.people < SMALL_NUMBER && 'These are few: it may well be chance.'}
          </p>
          <details className="small">
            <summary>as a table</summary>
            <DataTable
              label="Who is still there, by week"
              rows={insights.dropOff.steps}
              keyOf={(s) => s.time}
              columns={[
                { head: 'after week', isName: true, cell: (s) => s.time },
                { head: 'at risk', isFigure: true, cell: (s) => s.atRisk },
                { head: 'dropped off', isFigure: true, cell: (s) => s.events },
                {
                  head: 'still there (95 %)',
                  isFigure: true,
                  cell: (s) => `${percentWords(s.share)} (${percentWords(s.low)} to ${percentWords(s.high)})`,
                },
              ]}
            />
          </details>
        </>
      )}
    </section>
  );
}

/** How hard sessions felt, beside what was planned. */
export function Felt({ insights }: Pick<SectionProps, 'insights'>) {
  const glance = glanceAtFelt(insights.felt);
  return (
    <section>
      <h2>Effort felt, beside planned</h2>
      {!glance ? (
        <p className="soft">Nobody has said yet how hard a session was.</p>
      ) : (
        <>
          <p className="working-said">{feltGlanceWords(glance)}</p>
          <FeltChart days={insights.felt} />
          {glance.unplanned > 0 && <p className="small">{unplannedWords(glance.unplanned)}</p>}
          <p className="small soft">
            Point: the mean. Bar: the middle half. Tick: as planned. Pale: fewer than {SMALL_NUMBER} said so.
          </p>
        </>
      )}
      {insights.felt.length > 0 && (
        <details className="small">
          <summary>as a table</summary>
          <DataTable
            label="Effort felt, by session"
            rows={insights.felt}
            keyOf={(f) => f.dayId}
            columns={[
              { head: 'session', isName: true, cell: (f) => `w${f.week} ${f.title}` },
              { head: 'planned', isFigure: true, cell: (f) => f.planned ?? '–' },
              { head: 'felt', isFigure: true, cell: (f) => f.mean.toFixed(1) },
              { head: 'said so', isFigure: true, cell: (f) => f.said },
            ]}
          />
        </details>
      )}
    </section>
  );
}

/** A whole number, or a dash where there is none. */
const rounded = (value: number | undefined): string => (value === undefined ? '–' : String(Math.round(value)));

/** Planned and felt load by week. */
export function Loads({ insights }: Pick<SectionProps, 'insights'>) {
  const glance = glanceAtLoads(insights.loads);
  return (
    <section>
      <h2>Load by week</h2>
      {insights.loads.length === 0 ? (
        <p className="soft">The first week isn’t over yet.</p>
      ) : (
        <>
          {glance.weeks > 0 && <p className="working-said">{loadGlanceWords(glance)}</p>}
          {glance.unplanned > 0 && <p className="small">{unplannedWeeksWords(glance.unplanned)}</p>}
          <LoadsChart weeks={insights.loads} />
          <DataTable
            label="Load by week"
            rows={insights.loads}
            keyOf={(w) => w.week}
            columns={[
              { head: 'week', isName: true, cell: (w) => w.week },
              { head: 'planned AU', isFigure: true, cell: (w) => rounded(w.plannedAu) },
              { head: 'felt AU, of those who said', isFigure: true, cell: (w) => rounded(w.feltAu) },
              { head: 'felt AU, a person due', isFigure: true, cell: (w) => rounded(w.perDueAu) },
              { head: 'said, of due', isFigure: true, cell: (w) => `${w.said} of ${w.due}` },
              { head: 'monotony', isFigure: true, cell: (w) => monotonyWords(w.monotony) },
              { head: 'strain', isFigure: true, cell: (w) => strainWords(w.strain) },
            ]}
          />
          <p className="small soft">
            Dark is planned; light is what those felt who said it, for the minutes that they did. A session that nobody
            rated leaves its week open. {LOAD_WORDS}
          </p>
        </>
      )}
    </section>
  );
}

/** Retests from the first to the last. */
export function Retests({ insights }: Pick<SectionProps, 'insights'>) {
  return (
    <section>
      <h2>Retests, first to last</h2>
      {insights.slopes.length === 0 && (
        <p className="soft">A retest that somebody did twice in the same shape stands here.</p>
      )}
      {insights.slopes.map((s) => (
        <div key={s.label}>
          <p>
            <b>{s.label}</b>: {s.better.count} of {plural(s.people, 'person', 'people')} went up (
            {percentWords(s.better.low)} to {percentWords(s.better.high)}); in the middle {s.medianPct >= 0 ? '+' : '−'}
            {Math.abs(s.medianPct).toFixed(0)} %{s.people < SMALL_NUMBER && <span className="soft"> (few)</span>}
          </p>
          <details className="small">
            <summary>each of them</summary>
            <ul className="one-said">
              {s.slopes.map((one, i) => (
                <li key={i}>
                  {one.firstWords} on {one.firstOn}, {one.lastWords} on {one.lastOn}
                </li>
              ))}
            </ul>
          </details>
        </div>
      ))}
    </section>
  );
}

/** What was done in another shape, and where sessions were left. */
export function SwappedAndLeft({ insights }: Pick<SectionProps, 'insights'>) {
  return (
    <section>
      <h2>Swapped, and left</h2>
      {insights.swaps.length === 0 && insights.left.length === 0 && <p className="soft">Nothing yet.</p>}
      {insights.swaps.length > 0 && (
        <>
          <h3>Done in another shape most</h3>
          <ul className="one-said">
            {insights.swaps.map((s) => (
              <li key={`${s.from} ${s.to}`}>
                {s.to === '' ? `${s.from} left out` : `${s.to} instead of ${s.from}`}{' '}
                <span className="soft">
                  {plural(s.times, 'time')}, {plural(s.people, 'person', 'people')}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {insights.left.length > 0 && (
        <>
          <h3>Left before the end most</h3>
          <ul className="one-said">
            {insights.left.map((l) => (
              <li key={`${l.title} ${l.block}`}>
                {l.title}, in {l.block}{' '}
                <span className="soft">
                  {l.count} of {l.of}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function CompletionFigure({
  rows,
  by,
  programmeKey,
}: {
  rows: readonly Completion[];
  by: CompletionBy;
  programmeKey: string;
}) {
  if (rows.length === 0)
    return <p className="soft">{by === 'theme' ? 'No day of the plan has a theme.' : 'Nothing was due yet.'}</p>;
  const glance = glanceAtDone(rows);
  return (
    <>
      {glance && <p className="working-said">{doneGlanceWords(glance, by)}</p>}
      <SharesChart rows={rows} label={`Done of due, by ${by}`} />
      <p className="small soft">
        The dot is what was done; the bar is where the true share lies in 95 of 100 cases (Wilson). An open dot rests on
        fewer than {SMALL_NUMBER}. One person’s sessions go together, so the bars are too short rather than too long.
      </p>
      <details className="small">
        <summary>as a table, with the days behind</summary>
        <table className="follow-table working-figures">
          {rows.map((row) => (
            <CompletionRows key={row.label} row={row} programmeKey={programmeKey} />
          ))}
        </table>
      </details>
    </>
  );
}

/** A figure, and below it the days that it is made of, each with the way to its session. */
function CompletionRows({ row: { label, share, days }, programmeKey }: { row: Completion; programmeKey: string }) {
  return (
    <tbody>
      <tr>
        <th scope="row">{label}</th>
        <td className="right soft">
          {percentWords(share.low)} to {percentWords(share.high)}
        </td>
        <td className="right">
          {share.count} of {share.of}
        </td>
        <td className="right">{percentWords(share.ratio)}</td>
      </tr>
      {days.map((d) => (
        <tr key={d.key} className="working-day">
          <th scope="row" colSpan={2}>
            <Link to={`/programmes/${programmeKey}/write/${d.key}`}>
              {d.key} {d.title}
            </Link>
          </th>
          <td className="right">
            {d.done} of {d.due}
          </td>
          <td className="right">{percentWords(d.done / d.due)}</td>
        </tr>
      ))}
    </tbody>
  );
}
