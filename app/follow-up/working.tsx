import { useNavigate, useSearchParams } from 'react-router';
import { formatDay, formatShortDay } from '../../core/calendar/day.ts';
import { COMPLETION_BY } from '../../core/record/insights/insights.ts';
import type { Share } from '../../core/record/insights/shares.ts';
import { getProgramme } from '../../db/queries/programme.ts';
import type { RunName } from '../../db/queries/run.ts';
import { listRunNames } from '../../db/queries/run.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday } from '../../server/doors/coach-zone.ts';
import { nowMs } from '../../server/config.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { loadAttendance } from '../../server/follow-up/run-adherence.ts';
import { loadInsights } from '../../server/follow-up/run-insights.ts';
import { FollowLinks } from './strands/follow-links.tsx';
import { runName } from '../shell/run-name.ts';
import followCss from './follow-up.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/working';
import { Done, Remaining, Felt, Loads, Retests, SwappedAndLeft } from './working-sections.tsx';
import { percentWords } from '../../words/en/record/at-a-glance.ts';
import { Choice } from '../parts/fields/choice.tsx';

export const meta: Route.MetaFunction = ({ matches }) => programmePage(matches, 'Is it working');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const runs = (await listRunNames(db, programme.id)).filter((r) => r.id !== programme.runId);
    const withId = parseId(new URL(request.url).searchParams.get('with'));
    const beside = runs.find((r) => r.id === withId);
    const insights = await loadInsights(db, programme);
    const other = beside ? await loadBeside(db, programme.id, beside.id) : null;
    return {
      key: programme.key,
      weeks: programme.weeks,
      words: formatDay(coachToday(request)),
      on: formatShortDay(coachToday(request)),
      insights,
      runs: await runsWithSums(db, programme.id, runs),
      other: other && beside ? { ...other, words: runName(beside.title, beside.startsOn) } : null,
    };
  });
}

async function loadBeside(db: Parameters<typeof getProgramme>[0], programmeId: number, runId: number) {
  const programme = await getProgramme(db, programmeId, { now: new Date(nowMs()), runId });
  return { key: programme.key, insights: await loadInsights(db, programme) };
}

/** Runs shown with their sums; older ones can still be chosen. */
const MOST_SUMS = 6;

/** The other runs of a programme, by name, the latest with what was done of what was due. */
async function runsWithSums(
  db: Parameters<typeof getProgramme>[0],
  programmeId: number,
  runs: readonly RunName[],
): Promise<{ id: number; words: string }[]> {
  const named = [];
  for (const [i, r] of runs.entries()) {
    const words = runName(r.title, r.startsOn);
    const programme = await getProgramme(db, programmeId, { now: new Date(nowMs()), runId: r.id });
    const { done, due } = i < MOST_SUMS ? await loadAttendance(db, programme, nowMs()) : { done: 0, due: 0 };
    named.push({ id: r.id, words: due === 0 ? words : `${words}: ${done} of ${due} done` });
  }
  return named;
}

const shareWords = (s: Share | undefined): string =>
  s ? `${percentWords(s.ratio)}, ${s.count} of ${s.of}` : 'nothing due yet';

export default function Working({ loaderData }: Route.ComponentProps) {
  const { insights, other, runs, on } = loaderData;
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const by = COMPLETION_BY.find((b) => b === search.get('by')) ?? 'week';
  const linkTo = (changes: Record<string, string>) => {
    const next = new URLSearchParams(search);
    for (const [k, v] of Object.entries(changes)) {
      if (v === '') next.delete(k);
      else next.set(k, v);
    }
    return `?${next.toString()}`;
  };
  return (
    <div className="working">
      <div className="page-title follow-title">
        <h1>Is it working?</h1>
        <FollowLinks current="working" />
      </div>
      <p className="working-lead">
        <b>{insights.attendance ? percentWords(insights.attendance.ratio) : '–'}</b> of what was due was done,{' '}
        {insights.attendance ? `${insights.attendance.count} of ${insights.attendance.of}` : 'nothing yet'} ·{' '}
        <b>{insights.retention.here}</b> of {insights.retention.joined} still take part on {on}
        {insights.dropOff.median !== undefined && ` · half had gone by week ${insights.dropOff.median}`}
      </p>
      <div className="small soft working-tools">
        {runs.length > 0 && (
          <label>
            beside{' '}
            <Choice
              value={search.get('with') ?? ''}
              onChange={(run) => void navigate(linkTo({ with: run }), { preventScrollReset: true })}
              options={[
                { value: '', words: 'no other run' },
                ...runs.map((r) => ({ value: String(r.id), words: r.words })),
              ]}
            />
          </label>
        )}{' '}
        <a href={`/programmes/${loaderData.key}/insights.csv`} download>
          CSV
        </a>{' '}
        <a href={`/programmes/${loaderData.key}/insights.json`} download>
          JSON
        </a>
        {other && (
          <>
            {' '}
            · {other.words}: {shareWords(other.insights.attendance)}; {other.insights.retention.here} of{' '}
            {other.insights.retention.joined} still take part
          </>
        )}
      </div>
      <div className="working-columns">
        <Done {...{ insights, other, by, linkTo }} programmeKey={loaderData.key} />
        <Remaining {...{ insights, other }} />
        <Felt insights={insights} />
        <Loads insights={insights} />
        <Retests insights={insights} />
        <SwappedAndLeft insights={insights} />
      </div>
    </div>
  );
}
